export function serverBuilt(): Promise<void>;
