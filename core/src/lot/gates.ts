import { boilingPointOfWater } from '../heat/index.ts';
import {
  bestBy,
  carriedBy,
  type Day,
  dateWord,
  dayOf,
  type Hurdle,
  hurdles,
  type KeepingTime,
  keepingLimit,
} from '../keeping/index.ts';
import { governingPh, keepingFacts, linesNotRecorded } from './asMade.ts';
import { lotBottles } from './bottles.ts';
import { type LotRecord, standing } from './record.ts';

export type GateId = 'everything-in' | 'acid' | 'heat' | 'seal' | 'label' | 'count';

export interface Gate {
  id: GateId;
  question: string;
  open: boolean;
  /** What was found, whether it opens the gate or not. */
  evidence: string[];
  /** What is still to be done; null when open. */
  missing: string | null;
}

/** What a lot's gates need from outside its own record. */
export interface GateSetting {
  timeZone: string;
  /** What the label check finds wrong, if anything. */
  labelMissing: readonly string[];
}

const gate = (id: GateId, question: string, evidence: string[], missing: string | null): Gate => ({
  id,
  question,
  open: missing === null,
  evidence,
  missing,
});

function everythingIn(lot: LotRecord): Gate {
  const left = linesNotRecorded(lot);
  const inPan = standing(lot.additions).filter((a) => a.grams > 0).length;
  return gate(
    'everything-in',
    'Is everything in?',
    inPan > 0 ? [`${inPan} weighed in`] : [],
    left.length > 0
      ? `Not recorded as in or left out: ${left.join(', ')}.`
      : inPan === 0
        ? 'Nothing is recorded as in.'
        : null,
  );
}

function acid(lot: LotRecord): Gate {
  const question = `Is its pH at or under ${lot.criticalPh}?`;
  const governing = governingPh(lot);
  const ignored = standing(lot.readings).filter(
    (r) => r.kind === 'ph' && r.sample === 'finished' && !r.counts,
  );
  const evidence = ignored.map((r) => `pH ${r.value?.toFixed(2)} does not count: ${r.whyNot}`);
  if (!governing)
    return gate(
      'acid',
      question,
      evidence,
      'Measure the finished, cooled product with a meter calibrated that day.',
    );
  const { ph, readings, margin } = governing;
  evidence.unshift(...readings.map((r) => `pH ${r.value!.toFixed(2)} measured, ${r.instrument}`));
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

function heat(lot: LotRecord): Gate {
  const question = 'Is it processed, or kept cold?';
  if (lot.storage === 'frozen') return gate('heat', question, ['frozen: no heat process is asked'], null);
  if (lot.storage === 'cold') return coldKept(lot, question);
  const processes = standing(lot.heatProcesses);
  const evidence = processes.map((p) => `${p.name}, ${p.minutes} of ${p.requiredMinutes} min, ${p.source}`);
  if (processes.length === 0)
    return gate('heat', question, evidence, 'Record a heat process with its source.');
  const good = processes.find((p) => p.mismatches.length === 0 && p.minutes >= p.requiredMinutes);
  if (good && standing(lot.bottlings).some((b) => b.closing !== 'hot'))
    return gate('heat', question, evidence, 'A bottle cooled open is not for the shelf.');
  if (good) return gate('heat', question, evidence, null);
  const last = processes.at(-1)!;
  return gate(
    'heat',
    question,
    evidence,
    last.mismatches.length > 0
      ? `The process does not match: ${last.mismatches.join('; ')}.`
      : `${last.minutes} min is short of the ${last.requiredMinutes} min its source asks for here.`,
  );
}

function coldKept(lot: LotRecord, question: string): Gate {
  const bottlings = standing(lot.bottlings);
  const evidence = bottlings.map((b) =>
    b.closing === 'hot'
      ? 'closed hot'
      : b.hoursToCold === null
        ? 'time to 5 °C not recorded'
        : `at 5 °C after ${b.hoursToCold} h`,
  );
  if (bottlings.length === 0)
    return gate('heat', question, evidence, 'Fill, chill, and record the hours to 5 °C.');
  if (bottlings.some((b) => b.closing === 'hot'))
    return gate('heat', question, evidence, 'What is kept cold is not closed hot.');
  const slow = bottlings.some((b) => b.hoursToCold === null || b.hoursToCold > 6);
  return gate(
    'heat',
    question,
    evidence,
    slow ? 'It has to reach 5 °C within 6 hours, and that has to be recorded.' : null,
  );
}

const HOUR = 3_600_000;

function seal(lot: LotRecord): Gate {
  const question = 'Are the seals checked?';
  const bottlings = standing(lot.bottlings);
  if (bottlings.length === 0) return gate('seal', question, [], 'Nothing is filled yet.');
  const filledAt = Date.parse(bottlings.at(-1)!.at);
  const wait = lot.storage === 'shelf' ? 12 * HOUR : 0;
  const checks = standing(lot.sealChecks);
  const counted = checks.filter((c) => Date.parse(c.at) >= filledAt + wait);
  const evidence = checks.map((c) => `${c.checked} pressed, ${c.failed} failed`);
  const filled = bottlings.reduce((sum, b) => sum + b.count, 0);
  const checked = counted.reduce((sum, c) => sum + c.checked, 0);
  if (checked >= filled) return gate('seal', question, evidence, null);
  if (checks.length > counted.length)
    return gate('seal', question, evidence, 'The bottles had not stood 12 hours: press the lids again.');
  return gate(
    'seal',
    question,
    evidence,
    wait > 0 ? `Press all ${filled} lids after 12 to 24 hours undisturbed.` : `Check all ${filled} caps.`,
  );
}

function label(lot: LotRecord, missing: readonly string[]): Gate {
  const evidence = lot.prints.map((p) => `${p.copies} printed`);
  return gate(
    'label',
    'Has the label what it must have?',
    evidence,
    missing.length > 0 ? missing.join(' ') : null,
  );
}

function count(lot: LotRecord): Gate {
  const { filled } = lotBottles(lot);
  return gate(
    'count',
    'Are the bottles counted?',
    filled > 0 ? [`${filled} counted`] : [],
    filled > 0 ? null : 'Count the bottles by size.',
  );
}

/** Every gate of a lot with its evidence and what is missing. A lot is released only when all are open. */
export function gates(lot: LotRecord, setting: GateSetting): Gate[] {
  return [everythingIn(lot), acid(lot), heat(lot), seal(lot), label(lot, setting.labelMissing), count(lot)];
}

/** Whether all gates are open: the only way to a release. */
export const allOpen = (list: readonly Gate[]): boolean => list.length > 0 && list.every((g) => g.open);

export interface LotKeeping extends KeepingTime {
  madeOn: Day;
  readyOn: Day;
  bestBy: Day | null;
  dateWord: 'use by' | 'best by';
  hurdles: Hurdle[];
  carriedBy: string;
}

/** Date, class and hurdles of a lot as measured; day of filling, or of beginning before that, is day 1. */
export function lotKeeping(lot: LotRecord, setting: Pick<GateSetting, 'timeZone'>): LotKeeping {
  const facts = keepingFacts(lot, boilingPointOfWater(lot.elevationMetres));
  const time = keepingLimit(facts);
  const madeOn = dayOf(standing(lot.bottlings)[0]?.at ?? lot.begunAt, setting.timeZone);
  const ready = new Date(
    Date.parse(`${madeOn}T00:00:00Z`) + (lot.product.content.readyDays ?? 0) * 24 * HOUR,
  );
  return {
    ...time,
    madeOn,
    readyOn: ready.toISOString().slice(0, 10),
    bestBy: bestBy(madeOn, time),
    dateWord: dateWord(time),
    hurdles: hurdles(facts),
    carriedBy: carriedBy(facts),
  };
}
