import type { Instrument } from '@inch/contract/making/instrument';
import type { LotView } from '@inch/contract/making/lot';
import { parseJot } from '@inch/core/jot';
import { brixSaid, degrees, temperature, weightSign } from '@inch/core/quantity';
import { correctHydrometer, correctRefractometer } from '@inch/core/sugar';
import { figureIn, problemIn } from '../ui/typed.ts';

export type Kind = LotView['readings'][number]['kind'];

export const kinds: Record<
  Kind,
  {
    name: string;
    label: string;
    instrument: Instrument['kind'] | null;
    /** Another that measures it as well. */
    or?: Instrument['kind'];
    key: string;
  }
> = {
  brix: {
    name: 'Sugar',
    label: 'Refractometer reading, °Bx',
    instrument: 'refractometer',
    or: 'hydrometer',
    key: 'b',
  },
  ph: { name: 'pH', label: 'pH', instrument: 'ph-meter', key: 'p' },
  ta: { name: 'Acid', label: 'mL of 0.1 N base on mL of sample, as 12.6/10', instrument: null, key: 'a' },
  temperature: {
    name: 'Temperature',
    get label() {
      return degrees() === '°F' ? 'Temperature, °F (or write 80C)' : 'Temperature, °C (or write 176F)';
    },
    instrument: 'thermometer',
    key: 't',
  },
  boil: {
    name: 'Full boil',
    label: 'Minutes at a full rolling boil, by the clock',
    instrument: null,
    key: 'r',
  },
  mass: {
    name: 'Weight',
    get label() {
      return weightSign('light') === 'g' ? 'Weight, g (or 2.41 kg)' : 'Weight, oz (or 5 lb 5 oz, 2.41 kg)';
    },
    instrument: 'scale',
    key: 'm',
  },
  depth: { name: 'Dip', label: 'Depth, as 3 5/8 in or 92 mm', instrument: null, key: 'd' },
  volume: {
    name: 'Volume',
    label: 'Volume in the jug, as 2.4 L or 3 pints',
    instrument: null,
    key: 'v',
  },
  'water-activity': {
    name: 'Water activity',
    label: 'Water activity, as 0.842',
    instrument: 'water-activity-meter',
    key: 'w',
  },
  note: { name: 'Note', label: 'What you see', instrument: null, key: 'o' },
};

/** What was read as it would be jotted: the words are kept, and the server reads them again. */
export const jotted = (kind: Kind, text: string): string => (kind === 'ta' ? `ta ${text}` : `d ${text}`);

/** The figure in core units; null while it cannot be read. */
export function rawOf(kind: Kind, text: string): number | null {
  if (kind === 'brix' || kind === 'ph' || kind === 'boil') return figureIn(text);
  if (kind === 'ta' || kind === 'depth') {
    const jot = parseJot(jotted(kind, text));
    return jot.kind === kind ? jot.raw : null;
  }
  if (kind === 'temperature') return figureIn(text, { unit: 'C' });
  if (kind === 'volume') return figureIn(text, { unit: 'ml', kitchens: true });
  if (kind === 'water-activity') return figureIn(text);
  return kind === 'mass' ? figureIn(text, { unit: 'g', kitchens: true }) : null;
}

export function correctionSaid(
  reading: number | null,
  celsius: number | null,
  compensated: boolean,
): string | null {
  if (reading === null) return null;
  if (celsius === null)
    return compensated
      ? null
      : 'Give the temperature of the sample, so that it can be corrected and counted.';
  try {
    const c = correctRefractometer({ reading, celsius, compensated });
    if (compensated) return `${brixSaid(c.brix)}; the instrument corrects by itself`;
    return `${brixSaid(c.brix)} at 20 °C (read ${reading} at ${temperature(celsius)}, ${c.correction >= 0 ? '+' : '−'}${Math.abs(c.correction).toFixed(2)})${c.extrapolated ? '; cool the sample for a surer figure' : ''}`;
  } catch (error) {
    return (error as Error).message;
  }
}

/** What a hydrometer's figure comes to, while it is typed. */
export function gravitySaid(
  gravity: number | null,
  celsius: number | null,
  madeForCelsius: number,
): string | null {
  if (gravity === null) return null;
  try {
    const c = correctHydrometer({ gravity, celsius: celsius ?? madeForCelsius, madeForCelsius });
    return `${brixSaid(c.brix)} at 20 °C (made for ${temperature(madeForCelsius)})${c.extrapolated ? '; cool the sample for a surer figure' : ''}`;
  } catch (error) {
    return (error as Error).message;
  }
}

/** How a reading is written down from its form: the words as they were put. */
export function saidOf(kind: Kind, text: string, warmth: string, by?: Instrument['kind']): string {
  if (by === 'hydrometer') return `sg ${text}${warmth ? ` @${warmth}` : ''}`;
  if (kind === 'ta' || kind === 'depth') return jotted(kind, text);
  if (kind === 'boil') return `boil ${text} min`;
  return kind === 'note' ? text : `${text}${warmth ? ` @${warmth}` : ''}`;
}

/** What is wrong with what was typed; undefined while it is empty or read. */
export function unreadIn(kind: Kind, text: string): string | undefined {
  if (kind === 'note' || text.trim() === '' || rawOf(kind, text) !== null) return undefined;
  if (kind === 'ta') return 'Write mL of base on mL of sample, such as 12.6/10.';
  if (kind === 'depth') return 'Write a depth such as 3 5/8 in or 92 mm.';
  if (kind === 'volume') return problemIn(text, { unit: 'ml', kitchens: true });
  return problemIn(text, { unit: kind === 'temperature' ? 'C' : kind === 'mass' ? 'g' : '' });
}
