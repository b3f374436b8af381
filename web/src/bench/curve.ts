/** A figure as it is typed, with a comma or a point; null for none. */
export function numberFrom(text: string): number | null {
  const bare = text.trim().replace(',', '.');
  return bare === '' || Number.isNaN(Number(bare)) ? null : Number(bare);
}

/** Pairs written one to a line, "12.5 8.31", in the order of the first; lines that are none are told. */
export function curveFrom(text: string): { points: { ml: number; ph: number }[]; unread: string[] } {
  const points: { ml: number; ph: number }[] = [];
  const unread: string[] = [];
  for (const line of text.split('\n').filter((l) => l.trim() !== '')) {
    const [ml, ph, ...rest] = line
      .trim()
      .split(/[\s;]+/)
      .map(numberFrom);
    if (ml == null || ph == null || rest.length > 0) unread.push(line.trim());
    else points.push({ ml, ph });
  }
  return { points: points.sort((a, b) => a.ml - b.ml), unread };
}
