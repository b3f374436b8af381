import { z } from 'zod';
import { type Day, dayOf, daysBetween, instantOf, spokenDay } from '../calendar/index.ts';
import {
  isWaiting,
  type LotStanding,
  presentStep,
  printsOf,
  stepClock,
  stepLeft,
  stepPrompt,
} from '../lot/index.ts';
import { inWords, plural } from '../quantity/index.ts';
import { type DueItem, type DueWhen, LotTag, type LotToday, tag } from './due.ts';
import { bottlingItems } from './todayBottling.ts';
import { lookItems } from './todayLooks.ts';

/** Something that stands in the way of a lot. */
export const Obstacle = z.object({
  lot: LotTag,
  level: z.enum(['hold', 'stop']),
  title: z.string(),
  detail: z.string(),
});
export type Obstacle = z.infer<typeof Obstacle>;

export interface MeterToday {
  name: string;
  kind: string;
  calibratedAt: string | null;
  /** Day from which it needs checking again; null where it never was, or was refused. */
  dueOn?: Day | null;
  /** Why a reading with it would not count now; null where it would. */
  whyNot?: string | null;
}

/** The recurring prompt of the step in hand, while it is due. */
function promptItem({ record }: LotToday, now: string): DueItem | null {
  const step = presentStep(record.steps, now);
  if (!step) return null;
  const said = record.product.content.steps.find((s) => s.id === step.formulaStepId);
  const prompt = stepPrompt(step, said, now);
  if (!prompt?.due) return null;
  return {
    id: `prompt ${record.code}`,
    when: 'now',
    at: prompt.dueAt,
    lot: tag(record),
    title: prompt.words.charAt(0).toUpperCase() + prompt.words.slice(1),
    detail: `${record.product.name} · ${step.title}, every ${plural(prompt.everyMinutes, 'minute')}`,
    action: { label: 'Go to step', place: 'stove' },
  };
}

function makingItem({ record, left }: LotToday, now: string): DueItem | null {
  const step = presentStep(record.steps, now);
  const base = { id: `make ${record.code}`, lot: tag(record) };
  if (!step)
    return {
      ...base,
      when: 'now',
      at: null,
      title: 'Fill the bottles',
      detail: `${record.product.name}: every step is done`,
      action: { label: 'Fill', place: 'bottling' },
    };
  const clock = stepClock(step, now);
  const where = `${record.product.name} · step ${step.position} of ${record.steps.length}`;
  const action = { label: clock.state === 'waiting' ? 'Start' : 'Go to step', place: 'stove' } as const;
  const goesOn = left?.get(step.id) ?? stepLeft(step, null, now);
  if (clock.state === 'running' && goesOn !== null) {
    const due = new Date(Date.parse(now) + goesOn.low * 1000).toISOString();
    const over = goesOn.low <= 0;
    const far = goesOn.low > 36 * 3600;
    const wait = isWaiting(step) ? ` · it waits, no hand needed` : '';
    return {
      ...base,
      when: over ? 'now' : far ? 'later' : 'next',
      at: due,
      title: step.title,
      detail: over
        ? `${where} · ${goesOn.by === 'pan' ? 'it may be at its mark: measure it' : 'its time is up'}`
        : `${where}${wait}`,
      action,
    };
  }
  return { ...base, when: 'now', at: clock.startedAt, title: step.title, detail: where, action };
}

const labelItem = (lot: LotTag): DueItem => ({
  id: `label ${lot.code}`,
  when: 'later',
  at: null,
  lot: { code: lot.code, name: lot.name, colour: lot.colour },
  title: 'Print labels',
  detail: `${lot.name} · none printed yet`,
  action: { label: 'Labels', place: 'labels' },
});

/** What a lot between its beginning and its release asks for. */
function lotItems(lot: LotToday, now: string): DueItem[] {
  const { record } = lot;
  const items: DueItem[] = bottlingItems(lot, now);
  if (record.state === 'making' || record.state === 'planned') {
    for (const item of [promptItem(lot, now), makingItem(lot, now)]) if (item) items.push(item);
  }
  if (record.state === 'bottled' && printsOf(record).length === 0) items.push(labelItem(tag(record)));
  return items;
}

/** What a released lot with bottles left asks for, by its standing. */
function releasedItems(lot: LotStanding, now: string, timeZone: string): DueItem[] {
  const today = dayOf(now, timeZone);
  const items: DueItem[] = lot.printed ? [] : [labelItem(lot)];
  if (lot.readyOn > today && daysBetween(today, lot.readyOn) < 30)
    items.push({
      id: `ready ${lot.code}`,
      when: 'later',
      at: instantOf(`${lot.readyOn} 08:00`, timeZone),
      lot: { code: lot.code, name: lot.name, colour: lot.colour },
      title: 'Ready to drink',
      detail: `${lot.name} · ${plural(lot.bottles.left, 'bottle')}`,
      action: { label: 'Shelf', place: 'shelf' },
    });
  return items;
}

/** Instruments other than the pH meter that are due, while anything is on the stove that they would measure. */
function checkItems(
  meters: readonly MeterToday[],
  lots: readonly LotToday[],
  now: string,
  timeZone: string,
): DueItem[] {
  if (!lots.some((l) => l.record.state === 'making')) return [];
  const today = dayOf(now, timeZone);
  return meters
    .filter((m) => m.kind !== 'ph-meter' && m.whyNot != null)
    .map((m) => ({
      id: `check ${m.name}`,
      when: 'later' as const,
      at: null,
      lot: null,
      title: `${m.name} needs checking`,
      detail:
        m.dueOn && m.dueOn <= today
          ? `due since ${spokenDay(m.dueOn)}; a reading today would not count`
          : `${m.whyNot}; a reading today would not count`,
      action: { label: 'Check it', place: 'bench' as const },
    }));
}

function meterItems(
  meters: readonly MeterToday[],
  lots: readonly LotToday[],
  now: string,
  timeZone: string,
): DueItem[] {
  const wanting = lots.filter(
    (l) =>
      ['making', 'resting', 'bottled'].includes(l.record.state) &&
      l.gates.some((g) => g.id === 'acid' && !g.open),
  );
  if (wanting.length === 0) return [];
  const today = dayOf(now, timeZone);
  return meters
    .filter(
      (m) => m.kind === 'ph-meter' && (m.calibratedAt === null || dayOf(m.calibratedAt, timeZone) !== today),
    )
    .map((m) => ({
      id: `meter ${m.name}`,
      when: 'now' as const,
      at: null,
      lot: null,
      title: `${m.name} needs calibrating`,
      detail: `${m.calibratedAt ? `last calibrated ${spokenDay(dayOf(m.calibratedAt, timeZone))}` : 'never calibrated'}; a reading today would not count for release`,
      action: { label: 'Calibrate', place: 'bench' as const },
    }));
}

/**
 * Everything that needs a hand, most urgent first. @param lots not released yet, with their records; @param released those with bottles left
 * @param now ISO 8601 UTC; @param timeZone of the kitchen; @param others what plans and stock ask for
 * @example dueItems([], [], [], T(0), 'UTC') // []
 */
export function dueItems(
  lots: readonly LotToday[],
  released: readonly LotStanding[],
  meters: readonly MeterToday[],
  now: string,
  timeZone: string,
  others: readonly DueItem[] = [],
): DueItem[] {
  const order: Record<DueWhen, number> = { now: 0, next: 1, later: 2 };
  const items = [
    ...lots.flatMap((lot) => lotItems(lot, now)),
    ...released.filter((lot) => lot.state === 'released').flatMap((lot) => releasedItems(lot, now, timeZone)),
    ...lookItems(released, now, timeZone),
    ...meterItems(meters, lots, now, timeZone),
    ...checkItems(meters, lots, now, timeZone),
    ...others,
  ];
  return items.sort((a, b) => order[a.when] - order[b.when] || (a.at ?? '~').localeCompare(b.at ?? '~'));
}

const heldObstacle = ({ record }: LotToday): Obstacle[] =>
  record.state === 'held'
    ? [
        {
          lot: tag(record),
          level: 'hold',
          title: 'Held',
          detail: record.decisions.filter((d) => d.to === 'held').at(-1)?.why ?? 'Held without a word why.',
        },
      ]
    : [];

/** A recalled lot: how many of its bottles are here still, and that whoever has the others is told. */
const recalledObstacle = ({ code, name, colour, bottles, away }: LotStanding): Obstacle[] => [
  {
    lot: { code, name, colour },
    level: 'stop',
    title: 'Recalled',
    detail: [
      ...(bottles.left > 0 ? [`${plural(bottles.left, 'bottle')} here to take away or destroy`] : []),
      ...(away.untold > 0 ? [`${plural(away.untold, 'bottle')} with somebody who was not told yet`] : []),
    ].join('; '),
  },
];

/** Bottles that were warm for too long, or are past the last day that they have since they were thawed. */
function spentObstacles(lot: LotStanding, now: string, timeZone: string): Obstacle[] {
  const { code, name, colour } = lot;
  return lot.stands.flatMap(({ place, count, tooWarmAt, until }) => {
    const warm = tooWarmAt !== null && tooWarmAt <= now;
    const past = until !== null && until < dayOf(now, timeZone);
    if (!warm && !past) return [];
    return [
      {
        lot: { code, name, colour },
        level: 'stop' as const,
        title: warm ? `Too warm in ${place}` : `Past its last day in ${place}`,
        detail: `${plural(count, 'bottle')} to throw away: ${warm ? 'over two hours above the cold' : 'not frozen any more'}`,
      },
    ];
  });
}

/** A released lot past its date, or within a fortnight of it. */
function datedObstacle(lot: LotStanding, today: Day): Obstacle[] {
  if (!lot.bestBy) return [];
  const { code, name, colour } = lot;
  // What is kept back is past its date without being in the way: it is looked at.
  const count = lot.bottles.left - lot.retained;
  if (count <= 0) return [];
  const days = daysBetween(today, lot.bestBy);
  if (days > 14) return [];
  const of = { code, name, colour };
  return days < 0
    ? [
        {
          lot: of,
          level: 'stop',
          title: `Past ${inWords(lot.dateWord)}`,
          detail: `${plural(count, 'bottle')} to take off the shelf`,
        },
      ]
    : [
        {
          lot: of,
          level: 'hold',
          title: `${lot.dateWord === 'use-by' ? 'Use' : 'Best'} by ${spokenDay(lot.bestBy)}`,
          detail: `${plural(count, 'bottle')} left`,
        },
      ];
}

/**
 * Lots that something stands in the way of: held, recalled, past their date or close to it, too warm. @param released those with bottles left, and recalled ones
 * @example obstacles([], [], T(0), 'UTC') // []
 */
export function obstacles(
  lots: readonly LotToday[],
  released: readonly LotStanding[],
  now: string,
  timeZone: string,
): Obstacle[] {
  const today = dayOf(now, timeZone);
  const recalled = released.filter((lot) => lot.state === 'recalled');
  const onSale = released.filter((lot) => lot.state === 'released');
  const found = [
    ...lots.flatMap(heldObstacle),
    ...recalled.filter((lot) => lot.bottles.left > 0 || lot.away.untold > 0).flatMap(recalledObstacle),
    ...onSale.flatMap((lot) => spentObstacles(lot, now, timeZone)),
    ...onSale.flatMap((lot) => datedObstacle(lot, today)),
  ];
  return found.sort((a, b) =>
    a.level === b.level ? a.lot.code.localeCompare(b.lot.code) : a.level === 'stop' ? -1 : 1,
  );
}
