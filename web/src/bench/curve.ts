import { figureIn } from '../ui/typed.ts';

/** Pairs written one to a line, "12.5 8.31", in the order of the first; lines that are none are told. */
export function curveFrom(text: string): { points: { ml: number; ph: number }[]; unread: string[] } {
  const points: { ml: number; ph: number }[] = [];
  const unread: string[] = [];
  for (const line of text.split('\n').filter((l) => l.trim() !== '')) {
    const [ml, ph, ...rest] = line
      .trim()
      .split(/[\s;]+/)
      .map((figure) => figureIn(figure));
    if (ml == null || ph == null || rest.length > 0) unread.push(line.trim());
    else points.push({ ml, ph });
  }
  return { points: points.sort((a, b) => a.ml - b.ml), unread };
}
