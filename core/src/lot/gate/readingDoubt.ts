import { forecast } from '../../formula/index.ts';
import type { CupSchool } from '../../quantity/index.ts';
import { brixSaid } from '../../quantity/index.ts';
import { weighingOf } from '../catalogue.ts';
import { contentAsWeighed } from '../pan/asWeighed.ts';
import type { LotRecord, ReadingKind, Sample } from '../record.ts';

/** How far a finished product's figure may lie from what its own lot is forecast at before it is asked about. */
const OFF = { ph: 0.3, brix: 8 } as const;
/** Where no pH can be forecast, one outside these is asked about. */
const UNUSUAL = { from: 1.8, to: 8 };
/** A figure read to two places is not three tenths off by less. */
const DUST = 0.005;

/**
 * What is unlike this lot's own forecast in a reading of its finished product, as a question; null where it comes out as forecast, or where
 * nothing is forecast. Additions count as they were weighed.
 * @param lot the lot before it; @param read what was read, corrected: pH, or °Bx at 20 °C; @param cup school of cups it was begun under
 * @example readingDoubt(lot, { kind: 'ph', sample: 'finished', value: 3.4 }, 'us') // null
 */
export function readingDoubt(
  lot: LotRecord,
  read: { kind: ReadingKind; sample: Sample; value: number },
  cup: CupSchool | null,
): string | null {
  const { kind, sample, value } = read;
  if (sample !== 'finished' || (kind !== 'ph' && kind !== 'brix')) return null;
  const made = forecast(contentAsWeighed(lot, cup), {
    ...weighingOf(lot, cup),
    elevationMetres: lot.elevationMetres,
    criticalPh: lot.criticalPh,
  });
  if (!(made.grams > 0)) return null;
  const expected = kind === 'ph' ? made.ph?.middle : made.brix;
  if (expected === undefined)
    return value >= UNUSUAL.from && value <= UNUSUAL.to
      ? null
      : `pH ${value.toFixed(2)} is unusual for anything in a bottle, and nothing is forecast of this lot. Rinse and read again, or say what is different.`;
  if (Math.abs(value - expected) < OFF[kind] - DUST) return null;
  return kind === 'ph'
    ? `pH ${value.toFixed(2)} is far from the ${expected.toFixed(2)} that this lot is forecast at as it was weighed in. Rinse and read again, or say what is different: riper fruit, a line forgotten.`
    : `${brixSaid(value)} is far from the ${expected.toFixed(0)} °Bx that this lot is forecast at as it was weighed in. Read it again, or say what is different: boiled longer, a line forgotten.`;
}
