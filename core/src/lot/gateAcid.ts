import { degreesShown, temperature } from '../quantity/index.ts';
import { samplesAsked } from './asMade.ts';
import { type Evidence, type Gate, gate, shown } from './gate.ts';
import { asksDiluted, governingPh, PH_SAMPLE, readPh } from './governingPh.ts';
import type { LotRecord, Reading } from './record.ts';

const HOW = { 'as-it-is': '', blended: ', blended with its solids', 'opened-jar': ', from an opened jar' };

const words = (r: Reading): string =>
  `pH ${r.value!.toFixed(2)} measured${HOW[r.taken]}${r.diluted ? ', diluted 1:1' : ''}`;

/** What stands behind a pH: each reading, and each instrument with its calibration. */
function evidenceOf(readings: readonly Reading[]): Evidence[] {
  const meters = [...new Set(readings.flatMap((r) => (r.instrument ? [r.instrument] : [])))];
  return [
    ...readings.map((r) => shown(words(r), 'reading', r.id)),
    ...meters.map((m) => shown(`${m}, calibrated that day`, 'instrument', m)),
  ];
}

/** What is still to be measured where no pH counts. */
function toMeasure(lot: LotRecord, counting: readonly Reading[]): string {
  const asked = samplesAsked(lot);
  const plain = counting.filter((r) => !r.diluted);
  if (plain.length > 0 && asksDiluted(lot, Math.max(...plain.map((r) => r.value!))))
    return 'So thick a syrup is read diluted 1:1 with distilled water as well: measure that too; the higher one counts.';
  if (counting.length > 0) return 'Measure it as it is too, not only diluted: the higher one counts.';
  const sample = !asked
    ? 'the finished, cooled product'
    : asked.includes('blended')
      ? 'the cooled product blended with its solids'
      : 'an opened jar: a pooled reading proves nothing about a jar';
  return `Measure ${sample} at ${degreesShown(PH_SAMPLE.from)} to ${temperature(PH_SAMPLE.to)}, with a meter calibrated that day.`;
}

/** Acid at equilibrium on the finished, cooled product against the lot's own critical limit. */
export function acidGate(lot: LotRecord): Gate {
  const question = `Is its pH at or under ${lot.criticalPh}?`;
  const read = readPh(lot);
  const counting = read.flatMap((r) => (r.whyNot === null ? [r.reading] : []));
  const refused = read
    .filter((r) => r.whyNot !== null)
    .map((r) =>
      shown(`pH ${r.reading.value!.toFixed(2)} does not count: ${r.whyNot}`, 'reading', r.reading.id),
    );
  const evidence = [...evidenceOf(counting), ...refused];
  const governing = governingPh(lot);
  if (!governing) return gate('acid', question, evidence, toMeasure(lot, counting));
  const { ph, readings, margin } = governing;
  if (ph > lot.criticalPh)
    return gate(
      'acid',
      question,
      evidence,
      `pH ${(ph - margin).toFixed(2)}${margin ? ' plus 0.1' : ''} is over the limit of ${lot.criticalPh}. Acidify and measure again, or discard.`,
    );
  if (margin > 0 && readings.filter((r) => !r.diluted).length < 2)
    return gate('acid', question, evidence, 'Over 4.2 a second reading is needed.');
  return gate('acid', question, evidence, null);
}
