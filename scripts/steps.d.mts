export function serverBuilt(): Promise<void>;
export const root: string;
