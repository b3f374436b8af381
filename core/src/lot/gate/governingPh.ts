import { limitOf, USUAL_CRITICAL_PH } from '../../keeping/index.ts';
import { degreesShown, temperature } from '../../quantity/index.ts';
import { follows, type Written } from '../../record/index.ts';
import { once } from '../judging.ts';
import { brixKnown, isSpent, lastIn, samplesAsked } from '../pan/asMade.ts';
import { makeupAsMade } from '../pan/made.ts';
import { type LotRecord, type Reading, standing, type Taken } from '../record.ts';

/** °C of a sample between which its pH counts. */
export const PH_SAMPLE = { from: 15, to: 30 };
/** °Bx over which a pH is read diluted as well: near its limit, and always. */
const THICK = { near: 45, always: 60, within: 0.4 };
/** What a pH over the usual limit is raised by before it is judged. */
const MARGIN = 0.1;

const SAMPLE_WORDS: Record<Taken, string> = {
  'as-it-is': 'as it is',
  blended: 'blended with its solids',
  'opened-jar': 'from an opened jar',
};

/** A pH of the finished product, with why it does not count; null where it does. */
export interface ReadPh {
  reading: Reading;
  whyNot: string | null;
}

function whyNot(r: Reading, asked: readonly Taken[] | null, after: Written): string | null {
  if (!r.counts) return r.whyNot ?? 'its meter does not bear it';
  if (!follows(r, after)) return 'something went in after it';
  if (asked && !asked.includes(r.taken))
    return `it has to be ${asked.map((a) => SAMPLE_WORDS[a]).join(', or ')}`;
  if (r.celsius === null) return 'how warm the sample was is not recorded';
  if (!(r.celsius >= PH_SAMPLE.from && r.celsius <= PH_SAMPLE.to))
    return `the sample was at ${temperature(r.celsius)}, and counts at ${degreesShown(PH_SAMPLE.from)} to ${degreesShown(PH_SAMPLE.to)}`;
  return null;
}

/**
 * Every pH read of the finished product, with why it does not count: its meter, its sample, its temperature, or what went in since.
 * @example readPh(lot).map((read) => read.whyNot) // [null]
 */
export const readPh = (lot: LotRecord): ReadPh[] => once(lot, 'pH read', () => allRead(lot));

function allRead(lot: LotRecord): ReadPh[] {
  const asked = samplesAsked(lot);
  const after = lastIn(lot);
  return standing(lot.readings)
    .filter((r) => r.kind === 'ph' && r.sample === 'finished' && r.value !== null)
    .map((reading) => ({ reading, whyNot: whyNot(reading, asked, after) }));
}

/**
 * Whether a thick syrup's pH has to be read diluted 1:1 as well: over 45 °Bx within 0.4 of its limit, over 60 °Bx always.
 * @param highest the highest pH read of it
 * @example asksDiluted(lot, 3.4) // false
 */
export function asksDiluted(lot: LotRecord, highest: number): boolean {
  const brix = brixKnown(lot)?.high ?? makeupAsMade(lot).brix;
  return (
    brix > THICK.always || (brix > THICK.near && highest > limitOf(lot.criticalPh) - THICK.within + 1e-9)
  );
}

/** A pH that a lot is judged by, the readings behind it, and what was added to it. */
interface GoverningPh {
  ph: number;
  readings: Reading[];
  margin: number;
}

/**
 * The pH that the lot is judged by: the highest that counts, as it is and diluted where that is asked for; over 4.2 at least two are
 * needed and 0.1 is added. Null where it is not measured, or not in every way that is asked for.
 * @example governingPh(lot).ph // 3.4
 */
export const governingPh = (lot: LotRecord): GoverningPh | null =>
  once(lot, 'governing pH', () => highestPh(lot));

function highestPh(lot: LotRecord): GoverningPh | null {
  const readings = readPh(lot).flatMap((read) => (read.whyNot === null ? [read.reading] : []));
  if (!readings.some((r) => !r.diluted)) return null;
  const highest = Math.max(...readings.map((r) => r.value!));
  if (!readings.some((r) => r.diluted) && asksDiluted(lot, highest)) return null;
  const margin = highest > USUAL_CRITICAL_PH ? MARGIN : 0;
  return { ph: highest + margin, readings, margin };
}

/**
 * The pH that a rule may be relaxed by: as it governs, and over 4.2 only by two readings; null where it is not so measured.
 * @example phThatCounts(lot).ph // 3.4
 */
export function phThatCounts(lot: LotRecord): GoverningPh | null {
  const governing = governingPh(lot);
  const once = governing && governing.margin > 0 && governing.readings.filter((r) => !r.diluted).length < 2;
  return once ? null : governing;
}

/** A pH over the limit of a lot that nothing answered yet. */
export interface Contrary {
  ph: number;
  /** What it was read of, as it is found again. */
  of: { noun: 'reading' | 'look'; id: string };
}

interface Over extends Written {
  id: string;
  ph: number;
  struck: boolean;
  noun: Contrary['of']['noun'];
}

/** Every pH over the limit that was ever read of the product as it is, however it was taken: struck ones too. */
function allOver(lot: LotRecord): Over[] {
  const readings = lot.readings
    .filter((r) => r.kind === 'ph' && r.sample === 'finished' && r.value !== null && !r.simulated)
    .map((r): Over => ({ ...r, ph: r.value!, struck: r.struck !== null, noun: 'reading' }));
  const looks = lot.looks
    .filter((l) => l.ph !== null)
    .map((l): Over => ({ ...l, ph: l.ph!, struck: l.struck !== null, noun: 'look' }));
  return [...readings, ...looks].filter((r) => r.ph > limitOf(lot.criticalPh) && !isSpent(lot, r));
}

/** Whether somebody gave the reason why a reading that was answered does not hold: with the answer, or as what it held was resumed or closed. */
function isReasoned(lot: LotRecord, over: Over, answer: Reading): boolean {
  const since = (entry: { recordedAt: string } | null) =>
    entry !== null && entry.recordedAt >= answer.recordedAt;
  return (
    over.struck ||
    answer.because !== null ||
    lot.decisions.some((d) => d.event === 'resume' && since(d)) ||
    lot.deviations.some(
      (d) =>
        d.entryId === over.id &&
        d.closed !== null &&
        (d.closed.recordedAt ?? d.closed.at) >= answer.recordedAt,
    )
  );
}

/**
 * Every pH over the limit that stands unanswered, however it was taken: without a temperature, with another meter, of a look, of a bottle that came back, or
 * struck. Later readings that count answer it, with a reason; a struck one needs the reading alone.
 * @example contraryPh(lot) // []
 */
export function contraryPh(lot: LotRecord): Contrary[] {
  const over = allOver(lot);
  if (over.length === 0) return [];
  const counting = readPh(lot).flatMap(({ reading, whyNot: no }) =>
    no === null && !reading.diluted && reading.value! <= limitOf(lot.criticalPh) ? [reading] : [],
  );
  const answers = (r: Over) =>
    counting.some(
      (c) =>
        (r.struck ? c.recordedAt >= r.recordedAt : follows(c, r) && c.at > r.at) && isReasoned(lot, r, c),
    );
  return over.filter((r) => !answers(r)).map(({ ph, noun, id }) => ({ ph, of: { noun, id } }));
}
