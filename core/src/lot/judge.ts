import { temperature } from '../quantity/index.ts';
import type { ReadingKind } from './record.ts';

export interface JudgedReading {
  verdict: 'fine' | 'doubtful' | 'impossible';
  /** What to do about it, for a cook. */
  sentence: string | null;
}

interface Bounds {
  low: number;
  high: number;
  unit: string;
  name: string;
  hint: string;
}

const BOUNDS: Record<Exclude<ReadingKind, 'note'>, Bounds> = {
  brix: {
    low: 0,
    high: 85,
    unit: '°Bx',
    name: 'Sugar',
    hint: 'Read the scale again; a refractometer ends at 85.',
  },
  ph: { low: 0.5, high: 12, unit: 'pH', name: 'pH', hint: 'Rinse the electrode and read again.' },
  temperature: {
    low: -30,
    high: 180,
    unit: '°C',
    name: 'Temperature',
    hint: 'Was it read in °F? Write 176F.',
  },
  boil: {
    low: 0,
    high: 600,
    unit: 'min',
    name: 'Full boil',
    hint: 'Write the minutes it boiled by the clock.',
  },
  ta: {
    low: 0.01,
    high: 120,
    unit: 'g/L',
    name: 'Acid',
    hint: 'Write millilitres of base on millilitres of sample, as in ta 12.6/10.',
  },
  depth: {
    low: 0,
    high: 1500,
    unit: 'mm',
    name: 'Depth',
    hint: 'Write the unit, as in 3 5/8 in or 92 mm.',
  },
  volume: {
    low: 1,
    high: 200_000,
    unit: 'mL',
    name: 'Volume',
    hint: 'Write the unit, as in 2.4 L or 3 pints.',
  },
  'water-activity': {
    low: 0.1,
    high: 1,
    unit: 'a_w',
    name: 'Water activity',
    hint: 'It is a share of 1, as in 0.842.',
  },
  mass: { low: 0.1, high: 200_000, unit: 'g', name: 'Weight', hint: 'Write the unit, as in 2.41 kg.' },
};

const fine: JudgedReading = { verdict: 'fine', sentence: null };

function doubt(kind: ReadingKind, value: number): string | null {
  if (kind === 'temperature' && value > 125)
    return `${temperature(value)} is hotter than a syrup boils. Was it read in °F? Write ${value}F, or say what is different.`;
  return null;
}

export interface ReadingContext {
  celsius: number | null;
}

/**
 * Whether a value can be what it says it is: fine, doubtful (kept only with a word why) or impossible (refused).
 * @example judgeReading('ph', 14, { celsius: null }).verdict // 'impossible'
 */
export function judgeReading(
  kind: ReadingKind,
  value: number | null,
  context: ReadingContext,
): JudgedReading {
  if (kind === 'note') return fine;
  const { low, high, unit, name, hint } = BOUNDS[kind];
  if (value === null || !Number.isFinite(value))
    return { verdict: 'impossible', sentence: `${name}: write the figure you read.` };
  if (value < low || value > high)
    return {
      verdict: 'impossible',
      sentence: `${name} ${value}${unit === name ? '' : ` ${unit}`} is not possible: it lies between ${low} and ${high.toLocaleString('en')}. ${hint}`,
    };
  if (kind === 'brix' && context.celsius !== null && (context.celsius < 5 || context.celsius > 45))
    return {
      verdict: 'impossible',
      sentence: `A sample at ${temperature(context.celsius)} cannot be corrected. Bring it between 10 and 30 °C and read again.`,
    };
  const sentence = doubt(kind, value);
  return sentence ? { verdict: 'doubtful', sentence } : fine;
}
