import { z } from 'zod';
import { OwnWords } from '../content.ts';
import type { FacedContainer } from '../faces.ts';
import { facesOf } from '../faces.ts';
import { FIELDS } from './art.ts';

/** How labels look: drawn by this program from the colour of the fruit. */
export const LOOKS = ['band', 'strip', 'lid', 'wrap', 'tag', 'plain'] as const;
export type Look = (typeof LOOKS)[number];

/** What a look is, and what it is for. */
export const lookNames: Readonly<Record<Look, { name: string; what: string }>> = {
  band: {
    name: 'Band',
    what: 'A coloured band with the name, everything else under it: for a jar or a straight bottle.',
  },
  strip: { name: 'Tall strip', what: 'Narrow and tall: for a slender bottle, a swing top.' },
  lid: {
    name: 'Round lid',
    what: 'A round for the lid with name, contents and date; the rest on a second label.',
  },
  wrap: { name: 'Wrap', what: 'Goes round the bottle: the front in the middle, the text at its sides.' },
  tag: { name: 'Tie-on tag', what: 'Hangs by a string: the name on one side, the text on the other.' },
  plain: { name: 'Plain', what: 'Ink on paper, no colour: for any printer.' },
};

/** Least and most of a label's side, mm. */
export const LABEL_SIDE = { least: 15, most: 320 };

const side = (what: string) =>
  z
    .number(`${what} A number of mm.`)
    .min(LABEL_SIDE.least, `${what} At least ${LABEL_SIDE.least} mm.`)
    .max(LABEL_SIDE.most, `${what} At most ${LABEL_SIDE.most} mm.`);
const shift = z.number('By how many mm?').min(-LABEL_SIDE.most).max(LABEL_SIDE.most);

const Moved = z.strictObject({ field: z.enum(FIELDS), dx: shift, dy: shift });
export type Moved = z.infer<typeof Moved>;

/** How the label of a product is drawn. */
export const LabelDesign = z.strictObject({
  look: z.enum(LOOKS, `Which look? One of: ${LOOKS.join(', ')}.`),
  widthMm: side('How wide is the label?'),
  heightMm: side('How high is the label?'),
  /** A code to scan, with the lot and the bottle. */
  code: z.boolean(),
  /** Each label has the number of its bottle. */
  numbered: z.boolean(),
  /** Net contents by weight, where a product is sold so. */
  byWeight: z.boolean().default(false),
  /** The owner's picture, by its id. */
  pictureId: z.string().nullable(),
  moved: z.array(Moved).max(FIELDS.length),
  /** Words in the kitchen's second language; null where the owner has written none. */
  second: OwnWords.nullable(),
});
export type LabelDesign = z.infer<typeof LabelDesign>;

const clamp = (mm: number, low: number, high: number): number =>
  Math.round(Math.max(low, Math.min(high, mm)));

/**
 * Size in mm that a look has on a container, from its faces; usual sizes where there is no container yet.
 * @example sizeOn('wrap', { nominalMl: 237, heightMm: 98, diameterMm: 75 }).widthMm // 231
 */
export function sizeOn(look: Look, container: FacedContainer | null): { widthMm: number; heightMm: number } {
  const { wallMm, aroundMm } = container ? facesOf(container) : { wallMm: 75, aroundMm: 235 };
  const diameter = container?.diameterMm ?? 75;
  switch (look) {
    case 'strip':
      return { widthMm: clamp(aroundMm * 0.3, 38, 60), heightMm: clamp(wallMm * 1.05, 90, 150) };
    case 'lid': {
      const round = clamp(diameter * 0.8, 35, 70);
      return { widthMm: round, heightMm: round };
    }
    case 'wrap':
      return { widthMm: clamp(aroundMm - 5, 120, 320), heightMm: clamp(wallMm * 0.85, 45, 90) };
    case 'tag':
      return { widthMm: 55, heightMm: 95 };
    default:
      return { widthMm: clamp(aroundMm * 0.42, 70, 110), heightMm: clamp(wallMm * 0.88, 50, 85) };
  }
}

/**
 * The design of a product that nobody has drawn yet: the band, at the size of its container.
 * @example usualDesign(null).look // 'band'
 */
export const usualDesign = (container: FacedContainer | null): LabelDesign => ({
  look: 'band',
  code: false,
  numbered: false,
  byWeight: false,
  pictureId: null,
  moved: [],
  second: null,
  ...sizeOn('band', container),
});
