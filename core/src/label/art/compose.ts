import type { Language } from '../words.ts';
import { type Box, boxOf, type Face, FIELDS, type MeasureText, movedBy, overlap, X_HEIGHT } from './art.ts';
import { bodyBlocks } from './blocks.ts';
import { drawLook } from './looks.ts';
import { type PanelFormat, panelBlock, panelFormats } from './panel.ts';
import type { ArtworkOf, Placed } from './place.ts';

/** A label as it is drawn: its faces, and what keeps it from being printed. */
export interface Artwork {
  faces: Face[];
  /** Size of the text, mm. */
  sizeMm: number;
  /** Why it may not be printed as it is, each with what to do. */
  problems: string[];
}

function placed(of: ArtworkOf, measure: MeasureText): Placed {
  const languages: Language[] = of.second ? [of.label.language, of.second.language] : [of.label.language];
  const formats: (PanelFormat | null)[] = !of.nutrition
    ? [null]
    : of.pack === 'us'
      ? panelFormats(of.allCm2)
      : ['vertical', 'linear'];
  let last: Placed | null = null;
  for (const format of formats) {
    const panel =
      format === null
        ? null
        : panelBlock(of.nutrition!, { nominalMl: of.label.nominalMl, languages, format });
    const useHere = of.design.look === 'lid';
    const blocks = bodyBlocks(of.label, of.second, { useHere });
    const table = panel?.kind === 'table' ? panel : null;
    last = drawLook({
      of,
      table,
      measure,
      leastMm: of.leastXMm / X_HEIGHT,
      blocks: panel && !table ? [...blocks, panel] : blocks,
    });
    if (last.fits) return last;
  }
  return last!;
}

const STEP_MM = 5;
const MOST_STEPS = 40;

/**
 * A label of the same look, as large or larger, that the words fit; null where none does.
 * @example sizeThatFits(artwork, measure) // { widthMm: 96, heightMm: 62 }
 */
export function sizeThatFits(
  of: ArtworkOf,
  measure: MeasureText,
): { widthMm: number; heightMm: number } | null {
  const { widthMm, heightMm, look } = of.design;
  for (let i = 0; i <= MOST_STEPS; i++) {
    const larger =
      look === 'strip' || look === 'tag'
        ? { widthMm: widthMm + i * 2, heightMm: heightMm + i * STEP_MM }
        : { widthMm: widthMm + i * STEP_MM, heightMm: heightMm + i * 2 };
    if (placed({ ...of, design: { ...of.design, ...larger } }, measure).fits) return larger;
  }
  return null;
}

/** What to do about words that do not fit: what is longest, and which size would do. */
function tooLong(of: ArtworkOf, measure: MeasureText): string {
  const longest = bodyBlocks(of.label, of.second, { useHere: false })
    .flatMap((b) =>
      b.kind === 'words' ? [{ called: b.called, long: b.runs.reduce((n, r) => n + r.text.length, 0) }] : [],
    )
    .sort((a, b) => b.long - a.long)
    .slice(0, 2)
    .map((b) => b.called);
  const larger = sizeThatFits(of, measure);
  const size = larger
    ? `a label of ${larger.widthMm} × ${larger.heightMm} mm would do`
    : 'take another look, or a second label';
  return `The words do not fit in type of the size that the rules ask for. Shorten ${longest.join(' or ')}; ${size}.`;
}

const EDGE = 1;

const isInside = (box: Box, face: Face): boolean => {
  if (!face.round)
    return (
      box.x >= EDGE - 1e-6 &&
      box.y >= EDGE - 1e-6 &&
      box.x + box.width <= face.widthMm - EDGE + 1e-6 &&
      box.y + box.height <= face.heightMm - EDGE + 1e-6
    );
  const r = face.widthMm / 2;
  return [
    [box.x, box.y],
    [box.x + box.width, box.y],
    [box.x, box.y + box.height],
    [box.x + box.width, box.y + box.height],
  ].every(([x, y]) => Math.hypot(x! - r, y! - r) <= r);
};

const CALLED: Record<(typeof FIELDS)[number], string> = {
  name: 'The name',
  use: 'How it is used',
  body: 'The text',
  net: 'The net contents',
  date: 'The date',
  lot: 'The lot code',
  nutrition: 'The nutrition figures',
  code: 'The code',
  picture: 'The picture',
};

/** Principal panel, cm², up to which the net contents may stand anywhere on it: 5 in². Source: 21 CFR 101.7(f). */
const SMALL_PANEL_CM2 = 5 * 6.4516;

/** The net contents stand in the lowest 30 % of the front in the United States. */
function netTooHigh(of: ArtworkOf, faces: readonly Face[], measure: MeasureText): string[] {
  const front = faces.find((f) => f.id === 'front')!;
  const box = boxOf(front, 'net', measure);
  if (of.pack !== 'us' || of.principalCm2 <= SMALL_PANEL_CM2 || !box) return [];
  return box.y >= front.heightMm * 0.7 - 1e-6
    ? []
    : ['The net contents have to stand in the lowest 30 % of the front (21 CFR 101.7(f)): move them down.'];
}

/** The owner's moves laid over what was composed, and what is wrong with where they lead. */
function withMoves(
  of: ArtworkOf,
  faces: Face[],
  measure: MeasureText,
): { faces: Face[]; problems: string[] } {
  const { moved } = of.design;
  const laid = faces.map((face) => ({
    ...face,
    art: face.art.map((art) => {
      const by = moved.find((m) => m.field === art.of);
      return by ? movedBy(art, by.dx, by.dy) : art;
    }),
  }));
  const problems = moved.flatMap(({ field, dx, dy }) =>
    dx === 0 && dy === 0
      ? []
      : laid.flatMap((face) => {
          const box = boxOf(face, field, measure);
          if (!box) return [];
          if (!isInside(box, face)) return [`${CALLED[field]} would leave the label: move it back.`];
          const onto = FIELDS.find((other) => {
            const there = other === field ? null : boxOf(face, other, measure);
            return there !== null && overlap(box, there);
          });
          return onto ? [`${CALLED[field]} would stand on ${CALLED[onto].toLowerCase()}: move it away.`] : [];
        }),
  );
  return { faces: laid, problems };
}

/**
 * A label drawn in its look, in the largest text that fits and never under the least the rules allow, with what keeps it from being printed.
 * @param of its words, its nutrition, its design, least sizes in mm, areas in cm²; @param measure width in mm of a text
 * @example labelArtwork(artwork, measure).problems // []
 */
export function labelArtwork(of: ArtworkOf, measure: MeasureText): Artwork {
  const set = placed(of, measure);
  const { faces, problems } = withMoves(of, set.faces, measure);
  return {
    faces,
    sizeMm: set.sizeMm,
    problems: [...(set.fits ? [] : [tooLong(of, measure)]), ...problems, ...netTooHigh(of, faces, measure)],
  };
}
