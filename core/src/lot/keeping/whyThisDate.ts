import { z } from 'zod';
import type { AgeingEvidence, Excursion, StoreQuality } from '../../ageing/index.ts';
import { dayOf, spokenDay } from '../../calendar/index.ts';
import { inWords, plural, temperature } from '../../quantity/index.ts';
import { governingPh } from '../gate/governingPh.ts';
import { type LotRecord, standing } from '../record.ts';
import type { LotKeeping } from './lotKeeping.ts';

/** How it was where bottles of a lot stood. */
export interface StoodIn {
  place: string;
  quality: StoreQuality;
  excursions: Excursion[];
  limit: number | null;
}

export const WhyPart = z.object({ heading: z.string(), lines: z.array(z.string()) });
export type WhyPart = z.infer<typeof WhyPart>;

const counted = ({ time }: Pick<LotKeeping, 'time'>): string =>
  time ? `${time.count} ${time.unit}${time.count === 1 ? '' : 's'}` : '';

function theDate(keeping: LotKeeping, lot: LotRecord): WhyPart {
  const own = lot.datings.at(-1);
  return {
    heading: keeping.bestBy
      ? `${inWords(keeping.dateWord)} ${spokenDay(keeping.bestBy)}`.replace(/^./, (c) => c.toUpperCase())
      : 'No date yet',
    lines: [
      keeping.reason,
      ...(keeping.time
        ? [
            `The keeping table gives ${counted(keeping)} at the longest, counted from ${spokenDay(keeping.keptFrom)}, which is day 1.`,
          ]
        : []),
      ...(own
        ? [`Set by its owner on ${spokenDay(dayOf(own.at, lot.timeZone))}: ${own.why} ${own.evidence}`.trim()]
        : []),
      ...(keeping.openedDays === null
        ? []
        : [
            `Once opened, at ${temperature(5)}: ${plural(keeping.openedDays, 'day')} at the most, and never past the date.`,
          ]),
    ],
  };
}

function preserves(keeping: LotKeeping): WhyPart {
  return {
    heading: 'What preserves it',
    lines: [
      keeping.carriedBy,
      ...keeping.hurdles.map(
        (h) =>
          `${h.name}: ${h.level} (${h.limit}), ${h.met ? 'met' : 'not met'}${h.carries ? ', carries it' : ''}.`,
      ),
    ],
  };
}

function measured(lot: LotRecord): WhyPart {
  const ph = governingPh(lot);
  const seals = standing(lot.sealChecks);
  return {
    heading: 'What was measured',
    lines: [
      ph
        ? `pH ${(ph.ph - ph.margin).toFixed(2)} of the finished product, by a meter within its checks; the limit of this lot is ${lot.criticalPh}.`
        : 'No pH of the finished product counts.',
      ...standing(lot.heatProcesses).map(
        (p) => `${p.name}, ${p.minutes} of ${p.requiredMinutes} min. Source: ${p.source}.`,
      ),
      ...(seals.length > 0
        ? [
            `${plural(
              seals.reduce((sum, s) => sum + s.checked, 0),
              'seal',
            )} checked, ${seals.reduce((sum, s) => sum + s.failed, 0)} failed.`,
          ]
        : []),
    ],
  };
}

function keptBack(lot: LotRecord, evidence: AgeingEvidence): WhyPart {
  const looks = standing(lot.looks);
  return {
    heading: 'Bottles kept back',
    lines: [
      looks.length > 0
        ? `Of this lot ${plural(looks.length, 'look')}: ${looks.map((l) => `${l.ageDays} days old, ${l.findings.length > 0 ? l.findings.join(', ').replaceAll('-', ' ') : 'nothing found'}`).join('; ')}.`
        : 'No bottle of this lot was looked at yet.',
      `Of its formula ${plural(evidence.looks, 'look')} at ${plural(evidence.lots, 'lot')}, the oldest good one at ${plural(evidence.oldestGood, 'day')}.`,
      evidence.longer,
      ...(evidence.shorter ? [evidence.shorter] : []),
    ],
  };
}

const storeLine = ({ place, quality, excursions, limit }: StoodIn, timeZone: string): string[] => [
  `${place}: ${quality.days.toFixed(0)} days with readings, ${temperature(quality.mean, 1)} on the average. For browning and aroma that comes to ${quality.asDaysAt15.low.toFixed(0)} to ${quality.asDaysAt15.high.toFixed(0)} days at ${temperature(15)}${quality.inverted === null ? '' : `; ${(100 * quality.inverted).toFixed(0)} % of the sucrose inverted`}.`,
  ...(limit === null
    ? []
    : excursions.length === 0
      ? [`${place} was never over ${temperature(limit)} in its readings.`]
      : excursions.map(
          (e) =>
            `${place} was over ${temperature(limit)} for ${e.hours.toFixed(1)} h, up to ${temperature(e.highest)}, from ${spokenDay(dayOf(e.from, timeZone))}.`,
        )),
];

/**
 * Why a lot has the date that it has, in sentences and figures: for an inspector or a stockist.
 * @param lot its record; @param keeping its date and hurdles; @param evidence of bottles kept back of its formula; @param stores where it stood
 * @example whyThisDate(lot, lotKeeping(lot, { timeZone: 'UTC' }), ageingEvidence([], { row: 'shelf', time: null, aceticPercent: 0, criticalPh: 4.2, ph: 3.4 }), []).length // 4
 */
export const whyThisDate = (
  lot: LotRecord,
  keeping: LotKeeping,
  evidence: AgeingEvidence,
  stores: readonly StoodIn[],
): WhyPart[] => [
  theDate(keeping, lot),
  preserves(keeping),
  measured(lot),
  keptBack(lot, evidence),
  ...(stores.length > 0
    ? [
        {
          heading: 'Where it stood',
          lines: [
            ...stores.flatMap((store) => storeLine(store, lot.timeZone)),
            'Warmth ages the taste sooner; these figures say nothing of safety.',
          ],
        },
      ]
    : []),
];
