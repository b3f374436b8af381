import { governingPh, samplesAsked } from './asMade.ts';
import { type Evidence, type Gate, gate, shown } from './gate.ts';
import { type LotRecord, type Reading, standing } from './record.ts';

const HOW = { 'as-it-is': '', blended: ', blended with its solids', 'opened-jar': ', from an opened jar' };

/** What stands behind a pH: each reading, and each instrument with its calibration. */
function evidenceOf(readings: readonly Reading[]): Evidence[] {
  const meters = [...new Set(readings.flatMap((r) => (r.instrument ? [r.instrument] : [])))];
  return [
    ...readings.map((r) => shown(`pH ${r.value!.toFixed(2)} measured${HOW[r.taken]}`, 'reading', r.id)),
    ...meters.map((m) => shown(`${m}, calibrated that day`, 'instrument', m)),
  ];
}

/** Acid at equilibrium on the finished, cooled product against the lot's own critical limit. */
export function acidGate(lot: LotRecord): Gate {
  const question = `Is its pH at or under ${lot.criticalPh}?`;
  const asked = samplesAsked(lot);
  const governing = governingPh(lot);
  const finished = standing(lot.readings).filter((r) => r.kind === 'ph' && r.sample === 'finished');
  const evidence = finished
    .filter((r) => !r.counts)
    .map((r) => shown(`pH ${r.value?.toFixed(2)} does not count: ${r.whyNot}`, 'reading', r.id));
  if (asked)
    for (const r of finished.filter((f) => f.counts && !asked.includes(f.taken)))
      evidence.push(
        shown(
          `pH ${r.value?.toFixed(2)} does not count: it has to be ${asked.map((a) => (a === 'blended' ? 'blended with its solids' : 'from an opened jar')).join(', or ')}`,
          'reading',
          r.id,
        ),
      );
  const measure = asked
    ? `Measure ${asked.includes('blended') ? 'the cooled product blended with its solids' : 'an opened jar: a pooled reading proves nothing about a jar'}, with a meter calibrated that day.`
    : 'Measure the finished, cooled product with a meter calibrated that day.';
  if (!governing) return gate('acid', question, evidence, measure);
  const { ph, readings, margin } = governing;
  evidence.unshift(...evidenceOf(readings));
  if (ph > lot.criticalPh)
    return gate(
      'acid',
      question,
      evidence,
      `pH ${(ph - margin).toFixed(2)}${margin ? ' plus 0.1' : ''} is over the limit of ${lot.criticalPh}. Acidify and measure again, or discard.`,
    );
  if (margin > 0 && readings.length < 2)
    return gate('acid', question, evidence, 'Over 4.2 a second reading is needed.');
  return gate('acid', question, evidence, null);
}
