const NULS = /^(?:[^\0]\0){2}/;

/** Which way the two bytes of a letter stand in a file of UTF-16; null where it is none. */
function wideOf(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  if (a === 0xfe && b === 0xff) return 'utf-16be';
  // Without a mark at its head: every other byte of plain letters is empty.
  const head = String.fromCharCode(...bytes.slice(0, 8));
  if (NULS.test(head)) return 'utf-16le';
  return NULS.test(head.slice(1)) && head[0] === '\0' ? 'utf-16be' : null;
}

/** The text of a file in the letters that it was written in: UTF-8, UTF-16, or what older programs of Windows write. */
export function textOf(buffer: ArrayBuffer): string {
  const bytes = new Uint8Array(buffer);
  const wide = wideOf(bytes);
  if (wide) return new TextDecoder(wide).decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
