export const ALWAYS: string[];
export const ALWAYS_WIDE: string[];
export const TURNS: string[][];
export function turnOfCheck(): number;
export function journeysOf(turn: number): string[];
