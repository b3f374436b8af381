import { measuredMismatches, stillToMeasure } from '../heat/index.ts';
import { limitOfHeat } from '../quantity/index.ts';
import { cooledIn, cooledInTime, finishedBrix } from './asMade.ts';
import { type Evidence, type Gate, gate, shown } from './gate.ts';
import { governingPh } from './governingPh.ts';
import { numberedBottles, processNumbers } from './numbered.ts';
import { type HeatProcessEntry, type LotRecord, standing } from './record.ts';
import { workedOverAt } from './workedOver.ts';

const QUESTION = 'Is it processed, or kept cold?';

/**
 * Why a process does not count for this lot as it is measured now: it does not match, or a measurement is wanting.
 * @example whyNotCounted(lot, lot.heatProcesses[0]) // []
 */
export function whyNotCounted(lot: LotRecord, p: HeatProcessEntry): string[] {
  const measured = { brix: finishedBrix(lot), ph: governingPh(lot)?.ph ?? null };
  return [...p.mismatches, ...measuredMismatches(p.limits, measured), ...stillToMeasure(p.limits, measured)];
}

/** Whether a process lasted its time, matches, and came after whatever was done to the lot. */
const countsFor =
  (lot: LotRecord) =>
  (p: HeatProcessEntry): boolean =>
    p.minutes >= p.requiredMinutes && p.at > workedOverAt(lot) && whyNotCounted(lot, p).length === 0;

/** Processes of a lot that count, in their order. */
export const countedProcesses = (lot: LotRecord): HeatProcessEntry[] =>
  standing(lot.heatProcesses).filter(countsFor(lot));

/**
 * Bottles that went through a process that matches and lasted its time, each counted once. A process is of bottles that were filled by then.
 * @example bottlesProcessed(lot) // 12
 */
export function bottlesProcessed(lot: LotRecord): number {
  const through = countedProcesses(lot).map((p) => ({ at: p.at, numbers: new Set(processNumbers(lot, p)) }));
  return numberedBottles(lot).filter(({ number, bottling }) =>
    through.some((p) => p.at >= bottling.at && p.numbers.has(number)),
  ).length;
}

const evidenceOf = (p: HeatProcessEntry): Evidence[] => [
  shown(
    `${p.name}, ${p.minutes} of ${p.requiredMinutes} min${p.bottles === null ? '' : `, ${p.bottles} bottles`}, ${p.source}`,
    'heat-process',
    p.id,
  ),
  ...(p.loadId ? [shown('the load’s clock', 'load', p.loadId)] : []),
];

/** A matched process with a source for every bottle, or the cold in its time. */
export function heatGate(lot: LotRecord): Gate {
  if (lot.storage === 'frozen')
    return gate('heat', QUESTION, [shown('frozen: no heat process is asked')], null);
  if (lot.storage === 'cold') return coldKept(lot);
  const processes = standing(lot.heatProcesses);
  const evidence = processes.flatMap(evidenceOf);
  if (processes.length === 0)
    return gate('heat', QUESTION, evidence, 'Record a heat process with its source.');
  const bottlings = standing(lot.bottlings);
  if (countedProcesses(lot).length > 0 && bottlings.some((b) => b.closing !== 'hot'))
    return gate('heat', QUESTION, evidence, 'A bottle cooled open is not for the shelf.');
  const filled = bottlings.reduce((sum, b) => sum + b.count, 0);
  const done = bottlesProcessed(lot);
  if (done > 0 && done >= filled) return gate('heat', QUESTION, evidence, null);
  if (done > 0)
    return gate(
      'heat',
      QUESTION,
      evidence,
      `${done} of ${filled} bottles are through a process that counts.`,
    );
  const last = processes.at(-1)!;
  const why = whyNotCounted(lot, last);
  return gate(
    'heat',
    QUESTION,
    evidence,
    why.length > 0
      ? `The process does not match: ${why.join('; ')}.`
      : last.minutes < last.requiredMinutes
        ? `${last.minutes} min is short of the ${last.requiredMinutes} min its source asks for here.`
        : 'The process was recorded before the bottles were filled, or before more went in: process them again.',
  );
}

function coldKept(lot: LotRecord): Gate {
  const bottlings = standing(lot.bottlings);
  const evidence = bottlings.map((b) => {
    if (b.closing === 'hot') return shown('closed hot', 'bottling', b.id);
    const { to21, to5 } = cooledIn(lot, b);
    const hours = (h: number | null) => (h === null ? 'not recorded' : `${Math.round(h * 10) / 10} h`);
    return shown(
      `to ${limitOfHeat(21)}: ${hours(to21)}; to ${limitOfHeat(5)}: ${hours(to5)}`,
      'bottling',
      b.id,
    );
  });
  if (bottlings.length === 0)
    return gate('heat', QUESTION, evidence, `Fill, chill, and record the hours to ${limitOfHeat(5)}.`);
  if (bottlings.some((b) => b.closing === 'hot'))
    return gate('heat', QUESTION, evidence, 'What is kept cold is not closed hot.');
  return gate(
    'heat',
    QUESTION,
    evidence,
    bottlings.every((b) => cooledInTime(lot, b))
      ? null
      : `It has to reach ${limitOfHeat(21)} within 2 hours and ${limitOfHeat(5)} within 6, and that has to be recorded.`,
  );
}
