// Bytes of a file as text.

/** UTF-8, or UTF-16 with its mark; null where it is neither. */
export function decoded(bytes: Uint8Array): string | null {
  const [a, b] = bytes;
  const encoding = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : 'utf-8';
  try {
    return new TextDecoder(encoding, { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}
