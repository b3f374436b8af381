import { type Art, CAPITAL, type Face, type FieldId, INK, PAPER } from './art.ts';
import { mixed, readOn } from './colour.ts';
import type { Look } from './design.ts';
import { scallops } from './motif.ts';
import { emblem, face, foot, ground, heading, largest, MARGIN, onDisc } from './pieces.ts';
import { type Placed, type Placing, placeBody } from './place.ts';

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
    text,
    y,
    sizeMm,
    bold,
    of: field,
    fill: INK,
    x: half - measure(text, sizeMm, bold) / 2,
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
    sizeMm: back.sizeMm,
    fits: back.fits && wide,
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
    x: MARGIN,
    y: top,
    width: size.widthMm - 2 * MARGIN,
    height: size.heightMm - top - MARGIN,
  });
  return {
    face: face('back', size, [ground(0, 0, size.widthMm, 1.8, label.colour), ...body.art]),
    sizeMm: body.sizeMm,
    fits: body.fits,
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
    sizeMm: text.sizeMm,
    fits: text.fits && (rest?.fits ?? true) && feet.wide,
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
    sizeMm: back.sizeMm,
    fits: back.fits && feet.wide,
  };
}

const DRAWN: Record<Look, (placing: Placing) => Placed> = { band, strip, lid, wrap, tag, plain };

/** A label in its look. */
export const drawLook = (placing: Placing): Placed => DRAWN[placing.of.design.look](placing);
