import { type Art, type Box, CAPITAL, type Face, type FieldId, INK, type MeasureText, PAPER } from './art.ts';
import { mixed, readOn } from './colour.ts';
import type { Look } from './design.ts';
import { flowAt, wrapped } from './flow.ts';
import { scallops, sprig } from './motif.ts';
import { type Placed, type Placing, placeBody } from './place.ts';

const MARGIN = 3.5;

const ground = (x: number, y: number, width: number, height: number, fill: string): Art => ({
  kind: 'rect',
  ...{ x, y, width, height, fill },
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
function largest(
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
function foot(
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
function emblem(placing: Placing, x: number, y: number, size: number): Art[] {
  if (placing.of.design.pictureId)
    return [{ kind: 'picture', x: x - size / 2, y: y - size / 2, width: size, height: size, of: 'picture' }];
  return sprig(x, y, size, placing.of.label.colour);
}

const face = (
  id: Face['id'],
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  art: Art[],
): Face => ({
  ...{ id, widthMm, heightMm, art, round: false, hole: null },
});

/** Name with how it is used under it, on a ground of its own. */
function heading(
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

function band(placing: Placing): Placed {
  const { design, label } = placing.of;
  const { widthMm, heightMm } = design;
  const bandMm = Math.max(12, heightMm * 0.27);
  const fill = readOn(label.colour);
  const inner = widthMm - 2 * MARGIN;
  const showsEmblem = design.pictureId !== null || widthMm >= 70;
  const emblemMm = showsEmblem ? bandMm * 0.8 : 0;
  const feet = foot(placing, { x: MARGIN, y: MARGIN, width: inner, height: heightMm - 2 * MARGIN });
  const top = bandMm + 2.6;
  const body = placeBody(placing, {
    x: MARGIN,
    y: top,
    width: inner,
    height: heightMm - MARGIN - feet.height - 1.2 - top,
  });
  const art: Art[] = [
    ground(0, 0, widthMm, bandMm, label.colour),
    ...scallops(0, bandMm, widthMm, 2.4, label.colour),
    ...heading(
      placing,
      { x: MARGIN, y: 2, width: inner - (showsEmblem ? emblemMm + 2 : 0), height: bandMm - 2.6 },
      fill,
      { most: 11 },
    ),
    ...(showsEmblem ? onDisc(placing, widthMm - MARGIN - emblemMm / 2, bandMm / 2, emblemMm) : []),
    ...body.art,
    ...feet.art,
  ];
  return { faces: [face('front', design, art)], sizeMm: body.sizeMm, fits: body.fits && feet.wide };
}

/** The emblem on a white disc, so that its fruit is seen on its own colour. */
function onDisc(placing: Placing, x: number, y: number, size: number): Art[] {
  return [
    { kind: 'circle', x, y, r: size / 2, fill: PAPER },
    ...emblem(placing, x, y, placing.of.design.pictureId ? size * 0.66 : size * 0.74),
  ];
}

function plain(placing: Placing): Placed {
  const { design } = placing.of;
  const { widthMm, heightMm } = design;
  const inner = widthMm - 2 * MARGIN;
  const headMm = Math.max(11, heightMm * 0.22);
  const feet = foot(placing, { x: MARGIN, y: MARGIN, width: inner, height: heightMm - 2 * MARGIN });
  const pictureMm = design.pictureId ? headMm - 2 : 0;
  const top = MARGIN + headMm + 1.6;
  const body = placeBody(placing, {
    x: MARGIN,
    y: top,
    width: inner,
    height: heightMm - MARGIN - feet.height - 1.4 - top,
  });
  const art: Art[] = [
    ...heading(
      placing,
      { x: MARGIN, y: MARGIN, width: inner - (pictureMm ? pictureMm + 2 : 0), height: headMm - 1 },
      INK,
      { most: 10 },
    ),
    ...(pictureMm
      ? emblem(placing, widthMm - MARGIN - pictureMm / 2, MARGIN + pictureMm / 2, pictureMm)
      : []),
    ground(MARGIN, MARGIN + headMm, inner, 0.4, INK),
    ...body.art,
    ...feet.art,
  ];
  return { faces: [face('front', design, art)], sizeMm: body.sizeMm, fits: body.fits && feet.wide };
}

function strip(placing: Placing): Placed {
  const { design, label } = placing.of;
  const { widthMm, heightMm } = design;
  const inner = widthMm - 2 * MARGIN;
  const headMm = heightMm * 0.31;
  const emblemMm = Math.min(inner * 0.5, headMm * 0.45);
  const fill = readOn(label.colour);
  const feet = foot(
    placing,
    { x: MARGIN, y: MARGIN, width: inner, height: heightMm - 2 * MARGIN },
    { stacked: true },
  );
  const top = headMm + 3;
  const body = placeBody(placing, {
    x: MARGIN,
    y: top,
    width: inner,
    height: heightMm - MARGIN - feet.height - 1.6 - top,
  });
  const art: Art[] = [
    ground(0, 0, widthMm, headMm, label.colour),
    ...scallops(0, headMm, widthMm, 2.4, label.colour),
    ...onDisc(placing, widthMm / 2, 3 + emblemMm / 2, emblemMm),
    ...heading(placing, { x: MARGIN, y: emblemMm + 4.4, width: inner, height: headMm - emblemMm - 5 }, fill, {
      most: 8,
      centred: true,
    }),
    ...body.art,
    ground(MARGIN, heightMm - MARGIN - feet.height - 1, inner, 0.25, mixed(label.colour, PAPER, 0.3)),
    ...feet.art,
  ];
  return { faces: [face('front', design, art)], sizeMm: body.sizeMm, fits: body.fits && feet.wide };
}

/** Size of the label that carries the text where the front has no room for it, mm. */
const BACK = { widthMm: 76, heightMm: 58 };

function lid(placing: Placing): Placed {
  const { design, label } = placing.of;
  const d = design.widthMm;
  const ring = d * 0.06;
  const half = d / 2;
  const emblemMm = d * 0.24;
  const { of, measure, leastMm } = placing;
  const netMm = of.netHeightMm / CAPITAL;
  const small = Math.max(leastMm, d * 0.042);
  const centred = (text: string, y: number, sizeMm: number, bold: boolean, field: FieldId): Art => ({
    kind: 'text',
    ...{ text, y, sizeMm, bold, of: field, fill: INK, x: half - measure(text, sizeMm, bold) / 2 },
  });
  const art: Art[] = [
    { kind: 'circle', x: half, y: half, r: half, fill: label.colour },
    { kind: 'circle', x: half, y: half, r: half - ring, fill: PAPER },
    ...emblem(placing, half, ring + emblemMm * 0.62, emblemMm),
    ...largest(
      label.name,
      { x: d * 0.14, y: d * 0.35, width: d * 0.72, height: d * 0.25 },
      { fill: INK, centred: true, most: d * 0.13, of: 'name' },
      measure,
    ).art,
    centred(label.dateLine, d * 0.665, small, false, 'date'),
    centred(label.lotLine, d * 0.665 + small * 1.3, small, true, 'lot'),
    centred([label.netContents, label.alcoholLine].filter(Boolean).join('  '), d * 0.87, netMm, true, 'net'),
  ];
  const wide =
    measure(label.dateLine, small, false) <= d * 0.84 && measure(label.netContents, netMm, true) <= d * 0.62;
  const back = backFace(placing, BACK);
  return {
    faces: [{ ...face('front', { widthMm: d, heightMm: d }, art), round: true }, back.face],
    ...{ sizeMm: back.sizeMm, fits: back.fits && wide },
  };
}

/** The second label, or the other side of a tag: the text under a line of the fruit's colour. */
function backFace(
  placing: Placing,
  size: { widthMm: number; heightMm: number },
  top = 5,
): { face: Face; sizeMm: number; fits: boolean } {
  const { label } = placing.of;
  const body = placeBody(placing, {
    ...{ x: MARGIN, y: top, width: size.widthMm - 2 * MARGIN, height: size.heightMm - top - MARGIN },
  });
  return {
    face: face('back', size, [ground(0, 0, size.widthMm, 1.8, label.colour), ...body.art]),
    ...{ sizeMm: body.sizeMm, fits: body.fits },
  };
}

function wrap(placing: Placing): Placed {
  const { design, label } = placing.of;
  const { widthMm, heightMm } = design;
  const front = Math.min(widthMm * 0.4, Math.max(55, heightMm * 1.4));
  const left = (widthMm - front) / 2;
  const fill = readOn(label.colour);
  const emblemMm = Math.min(front, heightMm) * 0.36;
  const feet = foot(
    placing,
    { x: left + MARGIN, y: MARGIN, width: front - 2 * MARGIN, height: heightMm - 2 * MARGIN },
    { fill },
  );
  const nameTop = MARGIN + emblemMm + 1;
  const side = { y: MARGIN, width: left - 2 * MARGIN, height: heightMm - 2 * MARGIN };
  // The text at the left; what stands in a column of its own, table and code, at the right.
  const [text, rest] = [
    placeBody(
      { ...placing, table: null, of: { ...placing.of, design: { ...design, code: false } } },
      { ...side, x: MARGIN },
    ),
    placing.table || design.code
      ? placeBody({ ...placing, blocks: [] }, { ...side, x: left + front + MARGIN })
      : null,
  ];
  const art: Art[] = [
    ground(left, 0, front, heightMm, label.colour),
    ...onDisc(placing, left + front / 2, MARGIN + emblemMm / 2, emblemMm),
    ...heading(
      placing,
      {
        x: left + MARGIN,
        y: nameTop,
        width: front - 2 * MARGIN,
        height: heightMm - nameTop - MARGIN - feet.height - 1,
      },
      fill,
      { most: 10, centred: true },
    ),
    ...feet.art,
    ...text.art,
    ...(rest?.art ?? []),
  ];
  return {
    faces: [face('front', design, art)],
    ...{ sizeMm: text.sizeMm, fits: text.fits && (rest?.fits ?? true) && feet.wide },
  };
}

function tag(placing: Placing): Placed {
  const { design, label } = placing.of;
  const { widthMm, heightMm } = design;
  const hole = { x: widthMm / 2, y: 6.5, r: 2.2 };
  const fill = readOn(label.colour);
  const inner = widthMm - 2 * MARGIN;
  const topMm = heightMm * 0.3;
  const emblemMm = Math.min(inner * 0.55, heightMm * 0.22);
  const feet = foot(
    placing,
    { x: MARGIN, y: MARGIN, width: inner, height: heightMm - 2 * MARGIN },
    { stacked: true },
  );
  const nameTop = topMm + emblemMm / 2 + 2;
  const art: Art[] = [
    ground(0, 0, widthMm, topMm, label.colour),
    { kind: 'circle', ...hole, r: hole.r + 1.6, fill },
    ...onDisc(placing, widthMm / 2, topMm, emblemMm),
    ...heading(
      placing,
      { x: MARGIN, y: nameTop, width: inner, height: heightMm - nameTop - MARGIN - feet.height - 2 },
      INK,
      { most: 8, centred: true },
    ),
    ...feet.art,
  ];
  const back = backFace(placing, design, 12);
  return {
    faces: [
      { ...face('front', design, art), hole },
      { ...back.face, hole },
    ],
    ...{ sizeMm: back.sizeMm, fits: back.fits && feet.wide },
  };
}

const DRAWN: Record<Look, (placing: Placing) => Placed> = { band, strip, lid, wrap, tag, plain };

/** A label in its look. */
export const drawLook = (placing: Placing): Placed => DRAWN[placing.of.design.look](placing);
