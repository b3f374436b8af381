import { coolingClock, loadClock } from '../bottling/index.ts';
import { allOpen, failuresOpen, lotBottles, sealsFrom, standing } from '../lot/index.ts';
import { plural, temperature } from '../quantity/index.ts';
import { type DueItem, type LotToday, tag } from './due.ts';

function restingItem({ record }: LotToday, now: string): DueItem {
  const { filled } = lotBottles(record);
  const due = sealsFrom(record) ?? record.begunAt;
  const ready = due <= now;
  return {
    id: `seals ${record.code}`,
    when: ready ? 'now' : 'next',
    at: due,
    lot: tag(record),
    title: record.storage === 'shelf' ? `Press ${plural(filled, 'lid')}` : `Check ${plural(filled, 'cap')}`,
    detail: `${record.product.name} · ${record.storage === 'shelf' ? '12 to 24 hours undisturbed' : 'filled and chilled'}`,
    action: { label: 'Check seals', place: 'bottling' },
  };
}

function bottledItem({ record, gates }: LotToday): DueItem {
  const shut = gates.filter((g) => !g.open);
  const open = allOpen(gates);
  return {
    id: `release ${record.code}`,
    when: open ? 'now' : 'later',
    at: null,
    lot: tag(record),
    title: open
      ? `Release ${plural(lotBottles(record).left, 'bottle')}`
      : `${plural(shut.length, 'release check')} missing`,
    detail: open
      ? `${record.product.name} · every release check is passed`
      : `${record.product.name} · ${shut[0]!.missing}`,
    action: { label: open ? 'Release' : 'See release checks', place: 'bottling' },
  };
}

/** Loads in the canner: what each waits for. */
function loadItems({ record }: LotToday, now: string): DueItem[] {
  return standing(record.loads).flatMap((load) => {
    const clock = loadClock(load, now);
    if (clock.phase === 'lifted') return [];
    const left = clock.phase === 'at the boil' ? clock.leftSeconds : (clock.restLeftSeconds ?? 0);
    const timed = clock.phase === 'at the boil' || clock.phase === 'resting';
    const titles = {
      'coming to the boil': `Load ${load.number}: mark the full boil`,
      'at the boil': left > 0 ? `Load ${load.number}: fire off` : `Load ${load.number}: fire off now`,
      'boil stopped': `Load ${load.number}: bring it back to the boil`,
      resting: left > 0 ? `Load ${load.number}: lift` : `Load ${load.number}: lift now`,
    };
    return [
      {
        id: `load ${load.id}`,
        when: timed && left > 0 ? ('next' as const) : ('now' as const),
        at: timed ? new Date(Date.parse(now) + left * 1000).toISOString() : load.at,
        lot: tag(record),
        title: titles[clock.phase],
        detail: `${record.product.name} · ${plural(load.bottles, 'bottle')}, ${load.name}`,
        action: { label: 'Canner', place: 'bottling' as const },
      },
    ];
  });
}

/** Bottles that cool open: the next of their two stages. */
function coolingItems({ record }: LotToday, now: string): DueItem[] {
  if (!['resting', 'bottled'].includes(record.state)) return [];
  return standing(record.bottlings).flatMap((b) => {
    if (b.closing !== 'cooled' || (b.hoursTo21 !== null && b.hoursToCold !== null)) return [];
    const read = standing(record.coolings).filter((c) => c.bottlingId === b.id);
    const next = coolingClock(b.at, read, now).find((stage) => stage.took === null);
    if (!next) return [];
    return [
      {
        id: `cool ${b.id}`,
        when: next.verdict === 'overdue' ? ('now' as const) : ('next' as const),
        at: next.by,
        lot: tag(record),
        title: `Down to ${temperature(next.celsius)}`,
        detail: `${record.product.name} · within ${next.hours} hours of filling; take its temperature`,
        action: { label: 'Read it', place: 'bottling' as const },
      },
    ];
  });
}

function openItems({ record }: LotToday): DueItem[] {
  const items: DueItem[] = [];
  const failed = failuresOpen(record);
  if (failed > 0 && ['resting', 'bottled'].includes(record.state))
    items.push({
      id: `failed ${record.code}`,
      when: 'now',
      at: null,
      lot: tag(record),
      title: `Say what became of ${plural(failed, 'failed-seal')}`,
      detail: `${record.product.name} · chilled, processed again within a day, or discarded`,
      action: { label: 'Record it', place: 'bottling' },
    });
  const open = record.deviations.filter((d) => !d.closed).length;
  if (open > 0 && ['making', 'resting', 'bottled'].includes(record.state))
    items.push({
      id: `deviations ${record.code}`,
      when: 'later',
      at: null,
      lot: tag(record),
      title: `Close ${plural(open, 'deviation')}`,
      detail: `${record.product.name} · cause, and what was done`,
      action: { label: 'See them', place: 'bottling' },
    });
  return items;
}

/** What a lot between the pan and the shelf asks for. @param now ISO 8601 UTC */
export function bottlingItems(lot: LotToday, now: string): DueItem[] {
  const items = [...loadItems(lot, now), ...coolingItems(lot, now), ...openItems(lot)];
  if (lot.record.state === 'resting') items.push(restingItem(lot, now));
  if (lot.record.state === 'bottled') items.push(bottledItem(lot));
  return items;
}
