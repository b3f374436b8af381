import { type Closure, type ClosureFacts, closures } from '../../bottling/index.ts';
import { inWords } from '../../quantity/index.ts';
import { creditedAt, follows } from '../../record/index.ts';
import { numbersOf } from '../keeping/numbered.ts';
import {
  type BottlingEntry,
  type HeatProcessEntry,
  type LotRecord,
  movesOf,
  type SealCheckEntry,
  standing,
} from '../record.ts';
import { type Gate, gate, shown } from './gate.ts';
import { workedOver } from './workedOver.ts';

const HOUR = 3_600_000;
const QUESTION = 'Are the seals checked?';

/** Whether a process was of bottles whose seal had failed, and not of the others. */
export function isOfFailed(lot: LotRecord, p: HeatProcessEntry): boolean {
  const failed = standing(lot.sealChecks)
    .filter((c) => follows(p, c))
    .reduce((sum, c) => sum + c.failed, 0);
  return p.bottles !== null && p.bottles <= failed;
}

/** What a seal check has to come after: every filling, and on the shelf every process but that of jars whose seal had failed. */
const restedOn = (lot: LotRecord): (BottlingEntry | HeatProcessEntry)[] => [
  ...standing(lot.bottlings),
  ...(lot.storage === 'shelf' ? standing(lot.heatProcesses).filter((p) => !isOfFailed(lot, p)) : []),
];

/**
 * ISO instant from which a lot's seals may be checked: 12 hours after the last bottle was filled or processed, at once for what is kept cold. What was
 * dated back in a lot that is written down as it happens counts from when it was written.
 * @example sealsFrom({ ...lot, bottlings: [], heatProcesses: [] }) // null
 */
export function sealsFrom(lot: LotRecord): string | null {
  if (standing(lot.bottlings).length === 0) return null;
  const last = restedOn(lot)
    .map((entry) => creditedAt(entry, lot))
    .sort()
    .at(-1)!;
  if (lot.storage !== 'shelf') return last;
  return new Date(Date.parse(last) + 12 * HOUR).toISOString();
}

/** Seal checks in their time, after the last filling and process, and after whatever was done to the lot. */
export function soundChecks(lot: LotRecord): SealCheckEntry[] {
  const from = sealsFrom(lot);
  if (from === null) return [];
  const before = restedOn(lot);
  const over = workedOver(lot);
  return standing(lot.sealChecks).filter(
    (c) =>
      c.at >= from &&
      before.every((entry) => follows(c, entry)) &&
      (over.at === '' || (follows(c, over) && c.at > over.at)),
  );
}

/**
 * Failures that nobody has said anything of yet.
 * @example failuresOpen(lot) // 0
 */
export function failuresOpen(lot: LotRecord): number {
  const checks = standing(lot.sealChecks);
  const failed = checks.reduce((sum, c) => sum + c.failed, 0);
  const settled = lot.fates
    .filter((f) => checks.some((c) => c.id === f.checkId))
    .reduce((sum, f) => sum + f.count, 0);
  return failed - settled;
}

/** Bottles of some checks, each counted once: those that name no bottles are all of the same ones. */
const bottlesIn = (checks: readonly SealCheckEntry[]): number =>
  new Set(checks.flatMap((c) => numbersOf(c, c.checked))).size;

/** How the closures of a lot are spoken of; plainly where it has several kinds. */
export function sealWords(lot: LotRecord): Pick<ClosureFacts, 'parts' | 'done'> {
  const kinds = new Set(standing(lot.bottlings).map((b) => b.closure as Closure));
  const [only] = kinds;
  return kinds.size === 1 && only && closures[only] ? closures[only] : { parts: 'closures', done: 'checked' };
}

/** Every seal checked undisturbed in its time, every failure with its fate, and what was processed again checked again. */
export function sealGate(lot: LotRecord): Gate {
  const bottlings = standing(lot.bottlings);
  const from = sealsFrom(lot);
  if (from === null) return gate('seal', QUESTION, [], 'Nothing is filled yet.');
  const checks = standing(lot.sealChecks);
  const counted = soundChecks(lot);
  const said = sealWords(lot);
  const evidence = checks.map((c) =>
    shown(
      `${c.checked} ${said.done}, ${c.failed} failed${c.signs.length > 0 ? `; seen: ${c.signs.join(', ')}` : ''}`,
      'seal-check',
      c.id,
    ),
  );
  for (const f of lot.fates) evidence.push(shown(`${f.count} ${inWords(f.fate)}`, 'seal-check', f.checkId));
  const again = lot.fates.filter((f) => f.fate === 'processed-again');
  const filled = bottlings.reduce((sum, b) => sum + b.count, 0);
  const anew = again.reduce((sum, f) => sum + f.count, 0);
  const checked = bottlesIn(counted);
  const broken = movesOf(lot).reduce((sum, m) => sum + (m.kind === 'broken' ? m.count : 0), 0);
  const shut = (missing: string) => gate('seal', QUESTION, evidence, missing);
  if (failuresOpen(lot) > 0)
    return shut(
      `Say what became of ${failuresOpen(lot)} that failed: chilled, processed again, or discarded.`,
    );
  if (checked < filled - broken)
    return shut(
      checks.length > counted.length
        ? `The bottles had not stood 12 hours: check the ${said.parts} again.`
        : `Check all ${filled} ${said.parts}${lot.storage === 'shelf' ? ' after 12 to 24 hours undisturbed' : ''}${checked > 0 ? `; ${checked} different ones were` : ''}.`,
    );
  const since = again
    .map((f) => f.at)
    .sort()
    .at(-1);
  if (since) {
    const due = new Date(Date.parse(since) + 12 * HOUR).toISOString();
    const second = bottlesIn(checks.filter((c) => c.at >= due));
    if (second < anew) return shut(`Check the ${anew} processed again, 12 to 24 hours after.`);
  }
  return gate('seal', QUESTION, evidence, null);
}
