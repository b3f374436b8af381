import { Ingredient } from '../ingredient/index.ts';
import { choice, flag, group, list, nullable, number, reference, text } from './field.ts';
import { kind } from './kind.ts';

/** `answer` says that the recurring prompt of the step was done: it does not move the clock. */
export const MARKS = ['start', 'pause', 'done', 'reopen', 'answer'] as const;
/** `boil` is a full rolling boil that was seen, in minutes by the clock: seen, not measured. */
export const READING_KINDS = [
  'brix',
  'ph',
  'ta',
  'temperature',
  'boil',
  'mass',
  'depth',
  /** In a jug, mL as it stands there, hot or cold; its value is that at 20 °C. */
  'volume',
  'water-activity',
  'note',
] as const;
export const SAMPLES = ['pan', 'finished'] as const;
/** How a finished sample was taken: as it is, blended with its solids, or out of a jar opened for it. */
export const TAKEN = ['as-it-is', 'blended', 'opened-jar'] as const;

export const lineKey = text(40, 'Which line of the formula?', 1);
export const grams = (ask: string) => number(0, 500_000, ask);
export const why = (ask: string) => text(500, ask, 2);
export const instrumentChoice = nullable(reference('instrument', 'Which instrument?'));
const step = nullable(reference('lot_step', 'Which step of the lot?'));

/** Stock lots that an entry took from, each with how much: g, or pieces. */
export const withdrawals = list(
  group(
    {
      stockId: reference('stock_lot', 'Which stock lot?'),
      code: text(12, 'Which code?'),
      amount: number(0, 1_000_000, 'How much?'),
    },
    'What was taken?',
  ),
  { max: 200 },
  'What was taken from stock?',
);

export const mark = kind({
  noun: 'mark',
  table: 'step_mark',
  path: 'marks',
  summary: 'Start, pause, finish or reopen a step',
  verb: 'mark',
  said: { stepId: reference('lot_step', 'Which step of the lot?'), mark: choice(MARKS, 'What of the step?') },
});

export const addition = kind({
  noun: 'addition',
  table: 'addition',
  path: 'additions',
  summary: 'Record what went in, or was left out and why',
  verb: 'add',
  strikeable: true,
  said: {
    stepId: step,
    /** The formula's line; null for an extra. */
    lineId: nullable(lineKey),
    ingredientId: text(60, 'Which ingredient?', 1),
    /** 0 where the line was left out. */
    grams: grams('How many grams?'),
    why: nullable(why('Write a reason of two letters or more.')),
    /** From which bag, picking or bottle it came, in words. */
    from: nullable(text(120, 'From which bag, picking or shop?')),
    /** Whether more of the line follows: it goes in in parts. */
    more: flag('Does more of it follow?'),
    /** g of it before trimming, where that was weighed too: so much leaves the stock. */
    beforeTrimming: nullable(grams('How many grams before trimming?')),
  },
  asked: {
    /** From which stock lots, chosen by hand; the oldest fit ones where it is not said. */
    stock: nullable(
      list(
        group(
          {
            stockId: reference('stock_lot', 'Which stock lot?'),
            amount: number(0, 1_000_000, 'How much of it?', { over: true }),
          },
          'Which stock lot, and how much of it?',
        ),
        { max: 20 },
        'From which stock lots?',
      ),
    ),
  },
  /** The kitchen's own entry as it stood when it went in; null for one that ships. */
  kept: { entry: nullable(Ingredient) },
  shown: { withdrawals },
});

/** Where something that went in came from, said afterwards in words. */
export const origin = kind({
  noun: 'origin',
  table: 'origin',
  path: 'origins',
  summary: 'Say afterwards where something came from',
  verb: 'say',
  said: {
    additionId: reference('addition', 'Of what?'),
    words: text(120, 'From which bag, picking or shop?', 2),
  },
});

/** The vessel a lot was put into: the newest counts. */
export const placing = kind({
  noun: 'placing',
  table: 'placing',
  path: 'placings',
  summary: 'Say which vessel the lot is in',
  verb: 'place',
  said: { stepId: step, vesselId: reference('vessel', 'Which pan or crock?') },
  shown: { vessel: text(120, 'Which?') },
});

export const reading = kind({
  noun: 'reading',
  table: 'reading',
  path: 'readings',
  summary: 'Record a reading',
  verb: 'measure',
  strikeable: true,
  said: {
    stepId: step,
    kind: choice(READING_KINDS, 'What was measured?'),
    sample: choice(SAMPLES, 'Of what?').default('pan'),
    taken: choice(TAKEN, 'How was the sample taken?').default('as-it-is'),
    said: text(500, 'How was it said?').default(''),
    raw: nullable(number(-1e6, 1e6, 'What does the instrument show?')),
    celsius: nullable(number(-50, 200, 'How warm was the sample, °C?')),
    instrumentId: instrumentChoice,
    /** Taken with a simulated instrument: it is marked so for ever, and opens no gate. */
    simulated: flag('Was it taken with a simulated instrument?'),
    /** Thinned 1:1 by weight with distilled water before it was read: asked of a thick syrup's pH. */
    diluted: flag('Was it diluted 1:1 with distilled water?'),
    /** Temperature: minutes for which it stayed at that or over. */
    heldMinutes: nullable(number(0, 1440, 'For how many minutes did it stay so hot?')),
    /** A word why, for a reading that was questioned. */
    because: nullable(why('Write a reason of two letters or more.')),
  },
  kept: {
    /** Of a titration it is worked out from what was said. */
    raw: nullable(number(-1e6, 1e6, 'What does the instrument show?')),
    /** Corrected value: °Bx at 20 °C, pH, °C or g. */
    value: nullable(number(-1e6, 1e6, 'What does it come to?')),
  },
  shown: {
    instrument: nullable(text(120, 'Which instrument?')),
    /** Whether it counts for a release check, and where not, why. */
    counts: flag('Does it count?'),
    whyNot: nullable(text(400, 'Why does it not count?')),
  },
});

export const photograph = kind({
  noun: 'photograph',
  table: 'photograph',
  path: null,
  summary: 'Keep a photograph',
  verb: 'take',
  strikeable: true,
  said: {
    stepId: step,
    readingId: nullable(reference('reading', 'Of which reading?')),
    words: text(200, 'What does it show?').default(''),
  },
});
