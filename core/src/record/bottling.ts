import { choice, count, flag, group, list, nullable, number, reference, text } from './field.ts';
import { kind } from './kind.ts';
import { instrumentChoice, lineKey, why, withdrawals } from './making.ts';

export const CLOSINGS = ['hot', 'cooled'] as const;
/** What retires a piece of glass, a ring or a lid. */
export const GLASS_FAULTS = ['nicked-rim', 'crack', 'bent-ring', 'rusty-ring', 'lid-used-once'] as const;
/** Where liquid went that is not in bottles for sale. */
export const TALLY_PARTS = [
  'short-bottle',
  'tasted',
  'foam',
  'spilt',
  'evaporated',
  'left-in-the-pan',
] as const;

export const place = text(60, 'Where do they stand?', 1);
/** Numbers of bottles of a lot, 1 for the first that was filled. */
export const numbers = (ask: string) => nullable(list(count('Which bottle?'), { min: 1, max: 2000 }, ask));
export const containerId = reference('container', 'Which kind of bottle or jar?');
export const containerName = text(120, 'Which kind of bottle or jar?');
const bottlingId = reference('bottling', 'Which filling?');
const fillCelsius = (ask: string) => nullable(number(-10, 110, ask));
const headspace = nullable(number(0, 6, 'How much headspace, in?', { over: true }));
const hours = (ask: string) => nullable(number(0, 72, ask));

export const bottling = kind({
  noun: 'bottling',
  table: 'bottling',
  path: 'bottlings',
  summary: 'Count bottles filled',
  verb: 'fill',
  strikeable: true,
  said: {
    containerId,
    count: count('How many bottles?'),
    /** °C of the first bottle, one from the middle, the last, and of the glass before it was filled. */
    fillCelsius: fillCelsius('How hot was the first bottle, °C?'),
    middleCelsius: fillCelsius('How hot was one from the middle, °C?'),
    lastCelsius: fillCelsius('How hot was the last bottle, °C?'),
    glassCelsius: fillCelsius('How hot was the glass, °C?'),
    /** The thermometer that they were read with. */
    instrumentId: instrumentChoice,
    /** Whether the glass was boiled before: 10 minutes, and 1 more for each 1,000 ft over 1,000. */
    sterile: nullable(flag('Was the glass boiled before it was filled?')),
    headspaceInches: headspace,
    /** Whether every rim was felt, rings were straight and clean, lids new. */
    checked: flag('Were rims, rings and lids looked at?'),
    closing: choice(CLOSINGS, 'Were they closed hot, or cooled open?'),
    /** Hours from the fill to 21 °C and to 5 °C, for bottles cooled open, where they were told and not read off. */
    hoursTo21: hours('How many hours to 21 °C?'),
    hoursToCold: hours('How many hours to 5 °C?'),
    /** Why there are more than the pan held by its record. */
    why: nullable(why('Write a reason of two letters or more.')),
  },
  asked: { place },
  /** The container's own where it is not said. */
  kept: { headspaceInches: headspace },
  shown: {
    container: containerName,
    nominalMl: number(0, 1e6, 'How much does one hold, mL?'),
    closure: text(30, 'How does it close?'),
    /** Processes that the glass is made for. */
    rated: list(text(40, 'For which process?'), { max: 10 }, 'For which processes is the glass made?'),
    instrument: nullable(text(120, 'Which thermometer?')),
    /** Whether its thermometer bore it that day. */
    counts: flag('Does its temperature count?'),
    withdrawals,
  },
});

/** Something of a line that goes in bottle by bottle was put into one bottle. */
export const tick = kind({
  noun: 'tick',
  table: 'bottle_tick',
  path: 'ticks',
  summary: 'Tick what goes in bottle by bottle',
  verb: 'tick',
  strikeable: true,
  said: { lineId: lineKey, bottle: count('Which bottle?') },
});

export const fault = kind({
  noun: 'fault',
  table: 'glass_fault',
  path: 'faults',
  summary: 'Retire glass, a ring or a lid',
  verb: 'retire',
  strikeable: true,
  said: { containerId, fault: choice(GLASS_FAULTS, 'What is wrong with it?'), count: count('How many?') },
  shown: { container: containerName },
});

const millilitres = (ask: string, over = false) => number(0, 200_000, ask, { over });

export const tally = kind({
  noun: 'tally',
  table: 'tally',
  path: 'tallies',
  summary: 'Account for every millilitre',
  verb: 'account',
  strikeable: true,
  said: {
    inPanMl: millilitres('How much was in the pan, mL?', true),
    /** How that was found. */
    how: text(120, 'How was that found?').default(''),
    parts: list(
      group(
        { part: choice(TALLY_PARTS, 'Where did it go?'), ml: millilitres('How much, mL?') },
        'What went where?',
      ),
      { max: 12 },
      'Where did the rest go?',
    ),
    why: nullable(why('Write a reason of two letters or more.')),
  },
  kept: {
    /** What was in bottles when it was said, mL, and what it left open. */
    filledMl: millilitres('How much is in bottles, mL?'),
    gapMl: number(-1e7, 1e7, 'How much is unaccounted for, mL?'),
    /** Whether the gap is over the kitchen's tolerance of that day. */
    asks: flag('Is that over the tolerance?'),
  },
});

export const weighing = kind({
  noun: 'weighing',
  table: 'weighing',
  path: 'weighings',
  summary: 'Weigh a filled bottle',
  verb: 'weigh',
  strikeable: true,
  said: {
    bottlingId,
    grossGrams: number(0, 50_000, 'How heavy is the filled bottle, g?', { over: true }),
    /** Of the empty bottle with its closure; the container's own where it is not said. */
    tareGrams: nullable(
      number(0, 10_000, 'How heavy is the empty bottle with its closure, g?', { over: true }),
    ),
  },
  kept: {
    tareGrams: number(0, 10_000, 'How heavy is it empty, g?'),
    netMl: number(0, 1e6, 'What does it hold, mL?'),
  },
});

/** A thermometer in bottles that are cooled open. */
export const cooling = kind({
  noun: 'cooling',
  table: 'cooling',
  path: 'coolings',
  summary: 'Read the temperature of bottles cooled open',
  verb: 'read',
  strikeable: true,
  said: { bottlingId, celsius: number(-10, 110, 'How warm are they, °C?') },
});
