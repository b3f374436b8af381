import { type Art, type Box, CAPITAL, type Face, type FieldId, INK, type MeasureText, PAPER } from './art.ts';
import { flowAt, wrapped } from './flow.ts';
import { sprig } from './motif.ts';
import type { Placing } from './place.ts';

/** mm between the text and the edge of a label. */
export const MARGIN = 3.5;

/** A ground in one colour. */
export const ground = (x: number, y: number, width: number, height: number, fill: string): Art => ({
  kind: 'rect',
  x,
  y,
  width,
  height,
  fill,
});

interface Setting {
  fill: string;
  centred?: boolean;
  /** Largest size, mm. */
  most: number;
  of: FieldId;
  bold?: boolean;
}

/** Words as large as they go into a box, on as many lines as suit them best; from the top of the box or in its middle. */
export function largest(
  text: string,
  box: Box,
  { fill, centred, most, of, bold = true }: Setting,
  measure: MeasureText,
): { art: Art[]; bottom: number } {
  if (text === '') return { art: [], bottom: box.y };
  let size = most;
  let lines = wrapped([{ text, bold }], box.width, size, measure);
  const fits = () =>
    lines.length * size * 1.12 <= box.height + 1e-6 &&
    lines.every((line) => line.reduce((sum, r) => sum + measure(r.text, size, bold), 0) <= box.width + 1e-6);
  while (!fits() && size > 1.2) {
    size -= 0.1;
    lines = wrapped([{ text, bold }], box.width, size, measure);
  }
  const art = lines.map((line, i): Art => {
    const said = line.map((r) => r.text).join(' ');
    const x = centred ? box.x + (box.width - measure(said, size, bold)) / 2 : box.x;
    return { kind: 'text', text: said, x, y: box.y + size * (0.82 + i * 1.12), sizeMm: size, bold, fill, of };
  });
  return { art, bottom: box.y + lines.length * size * 1.12 };
}

/** Net contents with the alcohol, the date and the lot, at the foot of a box; how high they are. */
export function foot(
  placing: Placing,
  box: Box,
  options: { fill?: string; stacked?: boolean } = {},
): { art: Art[]; height: number; wide: boolean } {
  const { of, measure, leastMm } = placing;
  const { fill = INK, stacked = false } = options;
  const netMm = of.netHeightMm / CAPITAL;
  const small = Math.max(leastMm, 2.4);
  const net = [of.label.netContents, of.label.alcoholLine].filter(Boolean).join('   ');
  const netWidth = measure(net, netMm, true);
  const dates = [of.label.dateLine, of.second?.dateLine ?? ''].filter(Boolean);
  const said = [
    ...dates.map((text) => ({
      kind: 'words' as const,
      of: 'date' as const,
      called: 'the date',
      runs: [{ text, bold: false }],
    })),
    {
      kind: 'words' as const,
      of: 'lot' as const,
      called: 'the lot',
      runs: [{ text: of.label.lotLine, bold: true }],
    },
  ];
  const beside = !stacked && box.width - netWidth - 4 >= 24;
  const right = beside ? { ...box, x: box.x + netWidth + 4, width: box.width - netWidth - 4 } : box;
  const set = flowAt(said, { ...right, y: 0 }, small, measure, fill);
  const height = beside ? Math.max(netMm, set.bottom) : netMm * 1.1 + set.bottom;
  const top = box.y + box.height - height;
  const art: Art[] = set.art.map((a) =>
    a.kind === 'text' ? { ...a, y: a.y + top + (beside ? height - set.bottom : 0) } : a,
  );
  const baseline = beside ? box.y + box.height - netMm * 0.06 : box.y + box.height;
  art.push({ kind: 'text', text: net, x: box.x, y: baseline, sizeMm: netMm, bold: true, fill, of: 'net' });
  return { art: beside ? rightAligned(art, right, measure) : art, height, wide: netWidth <= box.width };
}

/** Date and lot end at the right edge. */
const rightAligned = (art: readonly Art[], box: Box, measure: MeasureText): Art[] =>
  art.map((a) =>
    a.kind === 'text' && (a.of === 'date' || a.of === 'lot')
      ? { ...a, x: box.x + box.width - measure(a.text, a.sizeMm, a.bold) }
      : a,
  );

/** The owner's picture where there is one, else a sprig of the fruit. */
export function emblem(placing: Placing, x: number, y: number, size: number): Art[] {
  if (placing.of.design.pictureId)
    return [{ kind: 'picture', x: x - size / 2, y: y - size / 2, width: size, height: size, of: 'picture' }];
  return sprig(x, y, size, placing.of.label.colour);
}

/** A side of a label that is neither round nor has a hole. */
export const face = (
  id: Face['id'],
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  art: Art[],
): Face => ({
  id,
  widthMm,
  heightMm,
  art,
  round: false,
  hole: null,
});

/** Name with how it is used under it, on a ground of its own. */
export function heading(
  placing: Placing,
  box: Box,
  fill: string,
  options: { centred?: boolean; most: number },
): Art[] {
  const { of, measure, leastMm } = placing;
  const use = of.label.useLine;
  const useMm = use ? Math.max(leastMm, 2.2) : 0;
  const useLines = use ? wrapped([{ text: use, bold: false }], box.width, useMm, measure).length : 0;
  const useHeight = useLines * useMm * 1.2;
  const name = largest(
    of.label.name,
    { ...box, height: box.height - useHeight - (use ? 0.8 : 0) },
    { fill, of: 'name', ...options },
    measure,
  );
  if (!use) return name.art;
  const under = { ...box, y: name.bottom + 0.8, height: useHeight };
  return [
    ...name.art,
    ...largest(
      use,
      { ...under, height: useHeight + 0.2 },
      { fill, of: 'use', most: useMm, bold: false, ...(options.centred ? { centred: true } : {}) },
      measure,
    ).art,
  ];
}

/** The emblem on a white disc, so that its fruit is seen on its own colour. */
export function onDisc(placing: Placing, x: number, y: number, size: number): Art[] {
  return [
    { kind: 'circle', x, y, r: size / 2, fill: PAPER },
    ...emblem(placing, x, y, placing.of.design.pictureId ? size * 0.66 : size * 0.74),
  ];
}
