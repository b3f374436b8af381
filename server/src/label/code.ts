import { create } from 'qrcode';

/** Modules of the code of a text, row by row, true where they are dark: a quarter of it may be smeared. */
export function modulesOf(text: string): boolean[][] {
  const { modules } = create(text, { errorCorrectionLevel: 'Q' });
  return Array.from({ length: modules.size }, (_, row) =>
    Array.from({ length: modules.size }, (_unused, column) => modules.get(row, column) === 1),
  );
}
