import { keepingLimit, limitOf } from '../../keeping/index.ts';
import { degreesShown, temperature } from '../../quantity/index.ts';
import { keepingFacts } from '../keeping/keepingFacts.ts';
import { samplesAsked } from '../pan/asMade.ts';
import type { LotRecord, Reading } from '../record.ts';
import { type Evidence, failed, type Gate, gate, shown } from './gate.ts';
import { asksDiluted, contraryPh, governingPh, PH_SAMPLE, readPh } from './governingPh.ts';

const HOW = { 'as-it-is': '', blended: ', blended with its solids', 'opened-jar': ', from an opened jar' };

const words = (r: Reading): string =>
  `pH ${r.value!.toFixed(2)} measured${HOW[r.taken]}${r.diluted ? ', diluted 1:1' : ''}`;

/** What stands behind a pH: each reading, and each instrument with its calibration. */
function evidenceOf(lot: LotRecord, counting: readonly Reading[]): Evidence[] {
  const limit = limitOf(lot.criticalPh);
  const meters = [...new Set(counting.flatMap((r) => (r.instrument ? [r.instrument] : [])))];
  const refused = readPh(lot)
    .filter((r) => r.whyNot !== null)
    .map(({ reading, whyNot }) => {
      const over = reading.value! > limit ? `, over the limit of ${limit},` : '';
      return shown(`pH ${reading.value!.toFixed(2)}${over} does not count: ${whyNot}`, 'reading', reading.id);
    });
  return [
    ...counting.map((r) => shown(words(r), 'reading', r.id)),
    ...meters.map((m) => shown(`${m}, calibrated that day`, 'instrument', m)),
    ...refused,
  ];
}

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

/** Why a pH over the limit that nothing answered keeps it; null where there is none. */
function unanswered(lot: LotRecord, over = limitOf(lot.criticalPh)): string | null {
  const contrary = contraryPh(lot).filter((c) => c.ph > over);
  if (contrary.length === 0) return null;
  const highest = Math.max(...contrary.map((c) => c.ph));
  return `pH ${highest.toFixed(2)} was read, over the limit of ${limitOf(lot.criticalPh)}. Measure it again, by a reading that counts, and say why that one does not hold.`;
}

/** What is not for the shelf: the pH says which time in the cold it has, and none at all leaves the shortest. */
function inTheCold(lot: LotRecord, counting: readonly Reading[]): Gate {
  const question = 'Which time does its pH leave it?';
  const evidence = evidenceOf(lot, counting);
  const governing = governingPh(lot);
  const against = governing && unanswered(lot, governing.ph);
  if (against) return failed(gate('acid', question, evidence, against));
  const { reason } = keepingLimit({ ...keepingFacts(lot), cooledInTime: true });
  return gate('acid', question, [...evidence, shown(reason)], null);
}

/**
 * Acid at equilibrium on the finished, cooled product: for the shelf at or under the lot's own critical limit; in the cold it says which row of the keeping
 * table the measured or missing pH leaves.
 */
export function acidGate(lot: LotRecord): Gate {
  const counting = readPh(lot).flatMap((r) => (r.whyNot === null ? [r.reading] : []));
  if (lot.storage !== 'shelf') return inTheCold(lot, counting);
  const question = `Is its pH at or under ${lot.criticalPh}?`;
  const evidence = evidenceOf(lot, counting);
  const governing = governingPh(lot);
  const against = unanswered(lot);
  const over = governing && governing.ph > lot.criticalPh;
  if (over || (!governing && counting.some((r) => r.value! > lot.criticalPh)))
    return failed(
      gate(
        'acid',
        question,
        evidence,
        `${overSaid(lot, governing, counting)} Acidify and measure again, keep it cold, or discard it.`,
      ),
    );
  if (against) return failed(gate('acid', question, evidence, against));
  if (!governing) return gate('acid', question, evidence, toMeasure(lot, counting));
  if (governing.margin > 0 && governing.readings.filter((r) => !r.diluted).length < 2)
    return gate('acid', question, evidence, 'Over 4.2 a second reading is needed.');
  return gate('acid', question, evidence, null);
}

function overSaid(
  lot: LotRecord,
  governing: ReturnType<typeof governingPh>,
  counting: readonly Reading[],
): string {
  const read = governing ? governing.ph - governing.margin : Math.max(...counting.map((r) => r.value!));
  return `pH ${read.toFixed(2)}${governing?.margin && read <= lot.criticalPh ? ' plus 0.1' : ''} is over the limit of ${lot.criticalPh}.`;
}
