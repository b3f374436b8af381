/** Signs that may stand between the cells of a table, with what they are called. */
export const SIGNS: readonly (readonly [sign: string, called: string])[] = [
  [',', 'commas'],
  [';', 'semicolons'],
  ['\t', 'tabs'],
  ['|', 'upright strokes'],
];

/** Lines that a file is judged by. */
const SEEN = 20;

/** The sign between the cells of a table: the one by which the most of its first lines come into the same columns, and into more than one. */
export function delimiterOf(text: string): string {
  const rows = text
    .split(/\r\n?|\n/, SEEN)
    .filter((row) => row.trim() !== '')
    .map((row) => row.replace(/"[^"]*"/g, '""'));
  const fit = (sign: string): number => {
    const counts = rows.map((row) => row.split(sign).length);
    const usual = Math.max(...counts);
    return usual < 2 ? 0 : counts.filter((count) => count === usual).length * 100 + usual;
  };
  return SIGNS.map(([sign]) => sign).sort((a, b) => fit(b) - fit(a))[0]!;
}
