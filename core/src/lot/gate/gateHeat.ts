import {
  type HeatProcess,
  heatProcesses,
  matchProcesses,
  measuredMismatches,
  stillToMeasure,
} from '../../heat/index.ts';
import { limitOfHeat } from '../../quantity/index.ts';
import { follows } from '../../record/index.ts';
import { elevationsOf } from '../elevation.ts';
import { once } from '../judging.ts';
import { numberedBottles, processNumbers } from '../keeping/numbered.ts';
import { hoursBetween, stoodBefore } from '../keeping/stood.ts';
import { brixKnown } from '../pan/asMade.ts';
import { type BottlingEntry, type HeatProcessEntry, type LotRecord, standing } from '../record.ts';
import { cooledIn, cooledInTime } from './cooled.ts';
import { type Evidence, failed, type Gate, gate, shown } from './gate.ts';
import { isOfFailed } from './gateSeal.ts';
import { governingPh } from './governingPh.ts';
import { inBottle, processedProduct } from './processed.ts';
import { workedOver } from './workedOver.ts';

const QUESTION = 'Is it processed, or kept cold?';

/** A process as its source has it: one that ships, or the kitchen's own. */
const processOf = (lot: LotRecord, id: string | null): HeatProcess | undefined =>
  [...(lot.processes ?? []), ...heatProcesses].find((process) => process.id === id);

/**
 * Minutes that a process asks for as it is known now, at the elevation that the kitchen is known to have had.
 * @example minutesAskedOf(lot, lot.heatProcesses[0]) // 15
 */
export function minutesAskedOf(lot: LotRecord, p: HeatProcessEntry): number {
  const process = processOf(lot, p.processId);
  if (!process) return p.requiredMinutes;
  if (process.hotFill) return process.hotFill.holdMinutes;
  const high = Math.max(...elevationsOf(lot));
  return (
    process.bands.find((band) => high / 0.3048 <= band.toFeet + 1e-6)?.minutes ?? Number.POSITIVE_INFINITY
  );
}

/** Under so many minutes in the bath the jars have to be sterile before. */
const STERILISES_ALONE = 10;

/** What a process asks of a filling besides the product: hot fill by a thermometer, sterile glass, nothing that stood. */
function ofFilling(lot: LotRecord, p: HeatProcessEntry, b: BottlingEntry, process: HeatProcess): string[] {
  const reasons: string[] = [];
  if (process.hotFill) {
    if ([b.fillCelsius, b.middleCelsius, b.lastCelsius].includes(null))
      reasons.push('a hot fill is read of the first bottle, one from the middle and the last');
    if (b.instrumentId === null) reasons.push('a hot fill is read with a named thermometer');
    else if (!b.counts)
      reasons.push('the thermometer of the hot fill was not checked, or a check of it failed');
    if (hoursBetween(lot, b, p) * 60 < p.minutes - 0.5)
      reasons.push(`it was held for ${p.minutes} min, and recorded sooner than that after the filling`);
    if ((p.invertedSeconds ?? 0) < process.hotFill.invertSeconds)
      reasons.push(
        `lid down for ${p.invertedSeconds ?? 0} s, and it asks for ${process.hotFill.invertSeconds}`,
      );
  } else if (minutesAskedOf(lot, p) < STERILISES_ALONE && !b.sterile)
    reasons.push(
      'under 10 minutes its jars have to be boiled before they are filled, and that is not recorded',
    );
  if (stoodBefore(lot, b, p, isOfFailed(lot, p)))
    reasons.push(
      `it follows the filling at once, and these jars had stood ${Math.round(hoursBetween(lot, b, p))} h`,
    );
  return reasons;
}

/** Why a process does not count for one filling, as the record stands now: line by line, what is still to be measured among it. */
const whyNotOf = (lot: LotRecord, p: HeatProcessEntry, b: BottlingEntry): string[] =>
  once(lot, `process ${p.id} ${b.id}`, () => reasonsOf(lot, p, b));

function reasonsOf(lot: LotRecord, p: HeatProcessEntry, b: BottlingEntry): string[] {
  const process = processOf(lot, p.processId);
  if (!process)
    return p.processId === null || p.mismatches.length > 0
      ? p.mismatches
      : ['its process is not known any more'];
  const product = processedProduct(lot, { ...inBottle(b), heatedIn: p.method });
  const open = { ...process, brix: null, highestPh: null };
  const [match] = matchProcesses([open], product, Math.max(...elevationsOf(lot)));
  const brix = brixKnown(lot);
  const ph = governingPh(lot)?.ph ?? null;
  const measured = brix
    ? [brix.low, brix.high].flatMap((value) => measuredMismatches(process, { brix: value, ph }))
    : measuredMismatches(process, { brix: null, ph });
  const waits = stillToMeasure(process, { brix: brix?.low ?? null, ph });
  return [...new Set([...match!.reasons, ...measured, ...waits, ...ofFilling(lot, p, b, process)])];
}

/** A load is of no more jars than the canner holds. */
function tooMany(lot: LotRecord, p: HeatProcessEntry): string[] {
  const holds = lot.cannerHolds ?? null;
  const load = lot.loads.find((l) => l.id === p.loadId);
  if (!load || holds === null || load.bottles <= holds) return [];
  return [`${load.bottles} jars were in one load, and no canner of the kitchen holds more than ${holds}`];
}

/** Fillings of the bottles that a process is of: those that were filled by then, by the clock and by the record. */
function fillingsIn(lot: LotRecord, p: HeatProcessEntry): BottlingEntry[] {
  const numbers = new Set(processNumbers(lot, p));
  const of = numberedBottles(lot).filter(
    ({ number, bottling }) => numbers.has(number) && follows(p, bottling),
  );
  return [...new Set(of.map(({ bottling }) => bottling))];
}

/**
 * Why a process does not count for this lot as its record stands now: it does not match every bottle that it is of, or a measurement is wanting.
 * @example whyNotCounted(lot, lot.heatProcesses[0]) // []
 */
export function whyNotCounted(lot: LotRecord, p: HeatProcessEntry): string[] {
  const of = fillingsIn(lot, p).flatMap((b) => whyNotOf(lot, p, b));
  return [...new Set([...(p.processId === null ? p.mismatches : []), ...tooMany(lot, p), ...of])];
}

/** Whether a process lasted its time and came after whatever was done to the lot. */
const isInForce = (lot: LotRecord, p: HeatProcessEntry): boolean => {
  const over = workedOver(lot);
  return p.minutes >= minutesAskedOf(lot, p) && (over.at === '' || (follows(p, over) && p.at > over.at));
};

/**
 * Bottles that went through a process that matches and lasted its time, each counted once. A process is of bottles that were filled by then, and is held
 * against each kind of them by itself.
 * @example bottlesProcessed(lot) // 12
 */
export const bottlesProcessed = (lot: LotRecord): number => once(lot, 'processed', () => processedOf(lot));

function processedOf(lot: LotRecord): number {
  const done = new Set<number>();
  for (const p of standing(lot.heatProcesses)) {
    if (!isInForce(lot, p) || tooMany(lot, p).length > 0) continue;
    const numbers = new Set(processNumbers(lot, p));
    const counts = new Map(fillingsIn(lot, p).map((b) => [b, whyNotOf(lot, p, b).length === 0]));
    for (const { number, bottling } of numberedBottles(lot))
      if (numbers.has(number) && counts.get(bottling)) done.add(number);
  }
  return done.size;
}

/**
 * Whether every bottle of a lot went through a process that counts.
 * @example allProcessed(lot) // true
 */
export function allProcessed(lot: LotRecord): boolean {
  const filled = standing(lot.bottlings).reduce((sum, b) => sum + b.count, 0);
  return filled > 0 && bottlesProcessed(lot) >= filled;
}

const evidenceOf = (lot: LotRecord, p: HeatProcessEntry): Evidence[] => [
  shown(
    `${p.name}, ${p.minutes} of ${minutesAskedOf(lot, p)} min${p.bottles === null ? '' : `, ${p.bottles} bottles`}, ${p.source}`,
    'heat-process',
    p.id,
  ),
  ...(p.loadId ? [shown('the load’s clock', 'load', p.loadId)] : []),
];

/** Whether a filling was closed hot, as it was read: "hot" without a temperature is a word. */
export const closedHot = (b: BottlingEntry): boolean => b.closing === 'hot' && b.fillCelsius !== null;

/** A matched process with a source for every bottle, or the cold in its time. */
export function heatGate(lot: LotRecord): Gate {
  if (lot.storage === 'frozen')
    return gate('heat', QUESTION, [shown('frozen: no heat process is asked')], null);
  if (lot.storage === 'cold') return coldKept(lot);
  const processes = standing(lot.heatProcesses);
  const evidence = processes.flatMap((p) => evidenceOf(lot, p));
  const no = (missing: string) => gate('heat', QUESTION, evidence, missing);
  if (processes.length === 0) return no('Record a heat process with its source.');
  const bottlings = standing(lot.bottlings);
  const filled = bottlings.reduce((sum, b) => sum + b.count, 0);
  if (bottlings.some((b) => b.closing !== 'hot')) return no('A bottle cooled open is not for the shelf.');
  const done = bottlesProcessed(lot);
  if (done > 0 && !bottlings.every(closedHot))
    return no('Closed hot is shown by a temperature, and none was read when these bottles were filled.');
  if (done > 0 && done >= filled) return gate('heat', QUESTION, evidence, null);
  const last = processes.at(-1)!;
  const why = whyNotCounted(lot, last);
  if (done > 0 && why.length === 0)
    return no(`${done} of ${filled} bottles are through a process that counts.`);
  const asked = minutesAskedOf(lot, last);
  if (why.length > 0) return no(`The process does not match: ${why.join('; ')}.`);
  if (last.minutes < asked)
    return failed(
      no(
        Number.isFinite(asked)
          ? `${last.minutes} min is short of the ${asked} min its source asks for here.`
          : 'Its source gives no minutes for so high a kitchen.',
      ),
    );
  return no(
    'The process was recorded before the bottles were filled, or before more went in: process them again.',
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
    return failed(gate('heat', QUESTION, evidence, 'What is kept cold is not closed hot.'));
  if (bottlings.every((b) => cooledInTime(lot, b))) return gate('heat', QUESTION, evidence, null);
  const late = bottlings.some((b) => {
    const { to21, to5, stood } = cooledIn(lot, b);
    return (to21 ?? 0) - stood > 2 || (to5 ?? 0) - stood > 6;
  });
  const no = gate(
    'heat',
    QUESTION,
    evidence,
    `It has to reach ${limitOfHeat(21)} within 2 hours and ${limitOfHeat(5)} within 6, and that has to be recorded.`,
  );
  return late ? failed(no) : no;
}
