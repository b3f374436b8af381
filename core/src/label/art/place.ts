import type { LabelContent } from '../content.ts';
import type { Nutrition } from '../nutrition.ts';
import type { RulePackId } from '../packs.ts';
import type { Art, Box, Face, MeasureText } from './art.ts';
import type { LabelDesign } from './design.ts';
import { type Block, fitted } from './flow.ts';

/** All that a label is drawn from. */
export interface ArtworkOf {
  label: LabelContent;
  second: LabelContent | null;
  /** Null where its figures are not printed. */
  nutrition: Nutrition | null;
  design: LabelDesign;
  pack: RulePackId;
  /** Least height of the net contents, mm; least x-height of everything else, mm. */
  netHeightMm: number;
  leastXMm: number;
  /** Area of the container that can carry labels, cm²; of its principal panel. */
  allCm2: number;
  principalCm2: number;
}

/** What a look gets to place. */
export interface Placing {
  of: ArtworkOf;
  blocks: Block[];
  table: Block | null;
  leastMm: number;
  measure: MeasureText;
}

export interface Placed {
  faces: Face[];
  sizeMm: number;
  fits: boolean;
}

/** Text beside its right column (a table, a code), or over it: whichever lets the text be larger. */
export function placeBody(
  { of, blocks, table, leastMm, measure }: Placing,
  box: Box,
  fill?: string,
): { art: Art[]; sizeMm: number; fits: boolean } {
  const code = of.design.code ? CODE_MM : 0;
  const ways: { column: Block | null; under: Block | null }[] = table
    ? [
        { column: null, under: table },
        { column: table, under: null },
      ]
    : [{ column: null, under: null }];
  const tried = ways.map(({ column, under }) => {
    const side = column?.kind === 'table' ? column.draw(0, 0, box.width, leastMm, measure) : null;
    const sideMm = Math.max(side?.width ?? 0, code);
    const textBox = { ...box, width: box.width - (sideMm > 0 ? sideMm + GAP : 0) };
    const set = fitted(under ? [...blocks, under] : blocks, textBox, leastMm, measure, fill);
    const x = box.x + box.width - sideMm;
    const drawn =
      column?.kind === 'table' ? column.draw(x, box.y, sideMm, Math.min(set.sizeMm, leastMm), measure) : null;
    const codeY = box.y + (drawn ? drawn.height + GAP : 0);
    const art: Art[] = [...set.art, ...(drawn?.art ?? [])];
    if (code > 0) art.push({ kind: 'code', x: box.x + box.width - code, y: codeY, size: code, of: 'code' });
    const sideFits = (drawn?.height ?? 0) + (code > 0 ? code + (drawn ? GAP : 0) : 0) <= box.height + 1e-6;
    return { art, sizeMm: set.sizeMm, fits: set.fits && sideFits && textBox.width >= NARROWEST };
  });
  return tried.sort((a, b) => Number(b.fits) - Number(a.fits) || b.sizeMm - a.sizeMm)[0]!;
}

/** mm of the side of a code: read by a phone at arm's length. */
const CODE_MM = 14;
const GAP = 2;
/** A column of text narrower than this is not read. */
const NARROWEST = 18;
