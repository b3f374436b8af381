import {
  type BottleLife,
  bottleLives,
  keepsShort,
  type LotRecord,
  lotKeeping,
  type Movement,
  openedInCount,
  thawedGroups,
  tooWarm,
} from '@inch/core/lot';
import { kindByName, placeKey } from '@inch/core/place';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { chilled, entry, T } from './support/lot.ts';

const HOUR = 3_600_000;
const hoursOf = (at: string): number => (Date.parse(at) - Date.parse(T(0))) / HOUR;

/** A lot of raw juice that came to 5 °C seven hours after it was begun, in a place. */
function juice(place = 'cold room'): LotRecord {
  const lot = chilled();
  return {
    ...lot,
    readings: lot.readings.filter((r) => r.kind === 'ph'),
    movements: lot.movements.map((m) => ({ ...m, to: place })),
  };
}
/** When its bottles are cold, hours. */
const COLD_AT = 7;

let count = 0;
const move = (
  from: string,
  to: string,
  at: number,
  more: Partial<Movement> = {},
  written = at,
): Movement => ({
  id: `m-${count++}`,
  at: T(at),
  recordedAt: T(written),
  by: 'Wren',
  bottlingId: 'b1',
  kind: 'moved',
  from,
  to,
  count: 3,
  priceMinor: null,
  note: null,
  struck: null,
  ...more,
});
const read = (place: string, at: number, celsius: number) => ({ place, at: T(at), celsius });
const inPlace = (lives: readonly BottleLife[], place: string): BottleLife | undefined =>
  lives.find((life) => placeKey(life.place) === placeKey(place));
const warmIn = (lot: LotRecord, place: string, asOf: number): number =>
  inPlace(bottleLives(lot, T(asOf)), place)!.hours.warm;

describe('the hours of a bottle', () => {
  it('are those of its places, summed: 1.9 h in each of two is 3.8 h', () => {
    const lot = juice();
    lot.movements.push(
      move('cold room', 'stall', 20),
      move('stall', 'cold room', 21.9, { count: 3 }),
      move('cold room', 'kitchen shelf', 40),
      move('kitchen shelf', 'north fridge', 41.9),
    );
    expect(warmIn(lot, 'north fridge', 60)).toBeCloseTo(3.8, 6);
    expect(warmIn(lot, 'cold room', 60)).toBeCloseTo(1.9, 6);
  });
  it('are summed over stretches, a gap after a warm reading among them', () => {
    const lot = juice();
    lot.stores = [
      read('cold room', 20, 6),
      read('cold room', 21, 6),
      read('cold room', 21.5, 4),
      read('cold room', 30, 4),
      read('cold room', 31, 6),
      read('cold room', 41, 6),
      read('cold room', 42, 4),
    ];
    // 20 to 21.25; 30.5 to 41.5: a line between what is near, all of a longer gap that was warm.
    expect(warmIn(lot, 'cold room', 60)).toBeCloseTo(1.25 + 11, 6);
  });
  it('stay warm after the last reading that says so, until another does not', () => {
    const lot = juice();
    lot.stores = [read('cold room', 20, 8)];
    expect(warmIn(lot, 'cold room', 44)).toBeCloseTo(24, 6);
  });
  it.each(['kitchen shelf', 'market table', 'stall 3', 'by the fridge', 'crate 7'])(
    'are warm in what is no fridge: %s',
    (place) => {
      const lot = juice();
      lot.movements.push(move('cold room', place, 20));
      expect(warmIn(lot, place, 25)).toBeCloseTo(5, 6);
    },
  );
  it('are cold on a market table for six hours after a reading that says so', () => {
    const lot = juice();
    lot.movements.push(move('cold room', 'market table', 20));
    lot.stores = [read('market table', 20, 3)];
    expect(warmIn(lot, 'market table', 26)).toBeCloseTo(0, 6);
    expect(warmIn(lot, 'market table', 28)).toBeCloseTo(2, 6);
  });
  it('are warm by a thermometer in the bottles themselves, whatever their place', () => {
    const lot = juice();
    lot.coolings.push({ ...entry('c9', T(30)), bottlingId: 'b1', celsius: 9 });
    expect(warmIn(lot, 'cold room', 33)).toBeCloseTo(3, 6);
    lot.coolings.push({ ...entry('c10', T(34)), bottlingId: 'b1', celsius: 9 });
    lot.coolings.push({ ...entry('c11', T(35)), bottlingId: 'b1', celsius: 1 });
    expect(warmIn(lot, 'cold room', 60)).toBeCloseTo(4.5, 6);
  });
  it('are of the worse of what nobody can tell apart', () => {
    const lot = juice();
    lot.movements.push(move('cold room', 'stall', 20), move('stall', 'cold room', 23));
    expect(warmIn(lot, 'cold room', 60)).toBeCloseTo(3, 6);
    expect(tooWarm(lot, T(60))).toHaveLength(1);
  });
  it('know a place however it is spelt, and by another name that was said of it', () => {
    const lot = juice();
    lot.movements.push(move('Cold-Room', 'the STALL ', 20), move('Stall', 'cold  room', 21));
    lot.movements.push(move('COLD ROOM', 'Saturday pitch', 30));
    lot.places = [{ name: 'stall', kind: null, alsoCalled: 'Saturday pitch', recordedAt: T(1) }];
    lot.stores = [read('stall', 20, 2), read('stall', 40, 2)];
    expect(bottleLives(lot, T(40)).map((l) => l.place)).toEqual(['cold room', 'Saturday pitch']);
  });
  it('are cold in a place that is said to be a fridge only from then on, and warm for good in one said to be warm', () => {
    const lot = juice();
    lot.movements.push(move('cold room', 'crate 7', 20));
    lot.places = [{ name: 'crate 7', kind: 'fridge', alsoCalled: null, recordedAt: T(24) }];
    expect(warmIn(lot, 'crate 7', 40)).toBeCloseTo(4, 6);
    lot.places = [{ name: 'cold room', kind: 'warm', alsoCalled: null, recordedAt: T(24) }];
    expect(warmIn(lot, 'cold room', 40)).toBeCloseTo(40 - COLD_AT, 6);
  });
  it('are won by no move that is written down late', () => {
    const lot = juice();
    lot.movements.push(move('cold room', 'stall', 20));
    const before = warmIn(lot, 'stall', 30);
    // Dated back to the minute after it was carried out: it counts from when it was written.
    lot.movements.push(move('stall', 'north fridge', 20.1, {}, 30));
    expect(warmIn(lot, 'north fridge', 30)).toBeCloseTo(before, 6);
    // And one into the warm is warm from its own hour.
    const other = juice();
    other.movements.push(move('cold room', 'stall', 20, {}, 30));
    expect(warmIn(other, 'stall', 30)).toBeCloseTo(10, 6);
  });
  it('are won by no move that is dated before its bottles came', () => {
    const lot = juice();
    lot.movements.push(move('cold room', 'stall', 20), move('stall', 'north fridge', 19, {}, 25));
    const lives = bottleLives(lot, T(25));
    expect(lives.map((l) => [l.place, l.count])).toEqual([
      ['cold room', 9],
      ['north fridge', 3],
    ]);
    // The lot is written down as it happens: they were warm until the move was written.
    expect(inPlace(lives, 'north fridge')!.hours.warm).toBeCloseTo(5, 6);
    // And where all of it is written down afterwards, until they had come at all.
    const after = { ...lot, writtenAt: T(30) };
    expect(bottleLives(after, T(25)).reduce((sum, l) => sum + l.count, 0)).toBe(12);
  });
  it('go with what comes back, and with what is kept back', () => {
    const lot = juice();
    lot.movements.push(
      move('cold room', 'stall', 20),
      move('stall', '', 21, { kind: 'sold', to: null, count: 2 }),
      move('', 'cold room', 24, { kind: 'returned', from: null, count: 1 }),
      move('cold room', 'retained shelf', 25, { kind: 'retained', count: 2 }),
    );
    const [cold, stall, kept] = bottleLives(lot, T(26));
    expect(cold).toMatchObject({ place: 'cold room', cameBack: 1, keptBack: 0 });
    expect(stall).toMatchObject({ place: 'stall', count: 1 });
    expect(kept).toMatchObject({ place: 'retained shelf', keptBack: 2, hours: { warm: 1 } });
  });
});

describe('what was opened to be measured', () => {
  const out = (at: number) => ({
    ...chilled().readings[1]!,
    ...entry(`o${at}`, T(at)),
    taken: 'opened-jar' as const,
  });
  it.each<[string, number[], Partial<Movement>[], number]>([
    ['nothing', [], [], 0],
    ['one jar, read twice', [20, 21], [], 1],
    ['two jars, days apart', [20, 80], [], 2],
    ['one that left the count as tasted', [20], [{ kind: 'tasted', to: null, count: 1 }], 0],
    ['before the filling', [1], [], 0],
  ])('stands in the count until it is recorded: %s', (_, read_, moves, count_) => {
    const lot = chilled();
    lot.readings.push(...read_.map(out));
    lot.movements.push(...moves.map((m) => move('cellar', '', 90, m)));
    expect(openedInCount(lot)).toBe(count_);
  });
});

describe('what is kept back or came back', () => {
  it.each([
    ['kept back', { kind: 'retained' as const, from: 'cold room' }, 'keptBack' as const],
    ['came back', { kind: 'returned' as const, from: null }, 'cameBack' as const],
  ])('stays so wherever it is moved: %s', (_, how, field) => {
    const lot = juice();
    lot.movements.push(
      move('cold room', '', 19, { kind: 'sold', to: null }),
      move('', 'box', 20, { ...how, count: 2 }),
      move('box', 'cold room', 21, { count: 2 }),
      move('cold room', 'stall', 22, { count: 99 }),
    );
    const total = bottleLives(lot, T(30)).reduce((sum, life) => sum + life[field], 0);
    expect(total).toBe(2);
  });
});

/** A random kitchen: places, moves between them, readings of them and of the bottles. */
const PLACES = ['cold room', 'north fridge', 'stall', 'kitchen shelf', 'crate 7'];
const place = fc.constantFrom(...PLACES);
const at = fc.integer({ min: 8 * 20, max: 80 * 20 }).map((n) => n / 20);
const kitchens = fc.record({
  moves: fc.array(fc.record({ from: place, to: place, at, count: fc.integer({ min: 1, max: 12 }) }), {
    maxLength: 9,
  }),
  stores: fc.array(fc.record({ place, at, celsius: fc.integer({ min: 0, max: 12 }) }), { maxLength: 14 }),
});
type Kitchen = typeof kitchens extends fc.Arbitrary<infer K> ? K : never;

/** The kitchen as a lot's record: a move of what is not there is left out. */
function recordOf({ moves, stores }: Kitchen): LotRecord {
  const lot = juice();
  const counts = new Map([['cold room', 12]]);
  for (const m of [...moves].sort((a, b) => a.at - b.at)) {
    const there = counts.get(m.from) ?? 0;
    if (there === 0 || m.from === m.to) continue;
    const moved = Math.min(there, m.count);
    counts.set(m.from, there - moved);
    counts.set(m.to, (counts.get(m.to) ?? 0) + moved);
    lot.movements.push(move(m.from, m.to, m.at, { count: moved }));
  }
  return { ...lot, stores: stores.map((s) => read(s.place, s.at, s.celsius)) };
}

/** Whether a place is warm at an hour, said once more from its rules. */
function isWarm(name: string, stores: NonNullable<LotRecord['stores']>, hour: number): boolean {
  const own = stores
    .filter((s) => s.place === name)
    .map((s) => ({ hour: hoursOf(s.at), celsius: s.celsius }))
    .sort((a, b) => a.hour - b.hour || a.celsius - b.celsius);
  const table = kindByName(name) === 'warm' || kindByName(name) === null;
  const before = own.filter((s) => s.hour <= hour).at(-1);
  const after = own.find((s) => s.hour > hour);
  if (!before) return table;
  if (!after) return before.celsius > 5 || (table && hour - before.hour >= 6);
  const near = after.hour - before.hour <= 6;
  if (before.celsius > 5 && !near) return true;
  if (table && !near && before.celsius <= 5) return hour - before.hour >= 6;
  const share = (hour - before.hour) / (after.hour - before.hour);
  return before.celsius + share * (after.celsius - before.celsius) > 5;
}

const STEP = 1 / 240;

/** A replay in small steps: in each place the hours of every bottle that may stand there, each carried on by itself. */
function replayed(lot: LotRecord, until: number): Map<string, number> {
  const standing = new Map<string, { count: number; may: Set<number> }>();
  const moves = [...lot.movements].sort((a, b) => a.at.localeCompare(b.at));
  let next = 0;
  for (let hour = 0; hour <= until + 1e-9; hour += STEP) {
    for (; next < moves.length && hoursOf(moves[next]!.at) <= hour + 1e-9; next++) {
      const { from, to, count: moved } = moves[next]!;
      const source = from === null ? { count: moved, may: new Set([0]) } : standing.get(from)!;
      const into = standing.get(to!) ?? { count: 0, may: new Set<number>() };
      for (const hours of source.may) into.may.add(hours);
      into.count += moved;
      source.count -= moved;
      if (source.count <= 0 && from !== null) standing.delete(from);
      standing.set(to!, into);
    }
    if (hour < COLD_AT) continue;
    for (const [name, group] of standing)
      if (isWarm(name, lot.stores!, hour + STEP / 2))
        group.may = new Set([...group.may].map((hours) => hours + STEP));
  }
  return new Map([...standing].map(([name, { may }]) => [name, Math.max(...may)]));
}

describe('in a random kitchen the hours of a bottle', () => {
  it('are those of a replay in small steps', () => {
    fc.assert(
      fc.property(kitchens, (kitchen) => {
        const lot = recordOf(kitchen);
        const expected = replayed(lot, 90);
        const lives = bottleLives(lot, T(90));
        expect(lives.map((l) => l.place).sort()).toEqual([...expected.keys()].sort());
        for (const { place: name, hours } of lives)
          expect(Math.abs(hours.warm - expected.get(name)!)).toBeLessThan(0.2);
      }),
      { numRuns: draws(60) },
    );
  });
  it('are the same in whichever order its entries were written', () => {
    fc.assert(
      fc.property(kitchens, fc.integer(), (kitchen, seed) => {
        // Of two moves in one instant the one that was written first came first.
        fc.pre(new Set(kitchen.moves.map((m) => m.at)).size === kitchen.moves.length);
        const lot = recordOf(kitchen);
        const shuffled = <X>(list: readonly X[]): X[] =>
          list
            .map((x, i) => ({ x, key: Math.sin(seed + i * 7919) }))
            .sort((a, b) => a.key - b.key)
            .map(({ x }) => x);
        const other = { ...lot, movements: shuffled(lot.movements), stores: shuffled(lot.stores!) };
        const sorted = (l: LotRecord) => bottleLives(l, T(90)).sort((a, b) => a.place.localeCompare(b.place));
        expect(sorted(other)).toEqual(sorted(lot));
      }),
      { numRuns: draws(200) },
    );
  });
  it('add up to its age, whatever happened', () => {
    fc.assert(
      fc.property(kitchens, (kitchen) => {
        const lives = bottleLives(recordOf(kitchen), T(90));
        // Of those that were put together each figure is that of the worst, so that they come to at least their age.
        for (const { hours } of lives)
          expect(hours.warm + hours.cold + hours.frozen).toBeGreaterThan(90 - COLD_AT - 1e-6);
        expect(lives.reduce((sum, life) => sum + life.count, 0)).toBe(12);
      }),
      { numRuns: draws(200) },
    );
  });
  it('never shrink by another move, whenever it is said to have been', () => {
    fc.assert(
      fc.property(kitchens, place, at, fc.boolean(), (kitchen, to, said, late) => {
        const lot = recordOf(kitchen);
        const now = 90;
        for (const life of bottleLives(lot, T(now))) {
          const from = life.place;
          if (from === to) continue;
          const more = move(from, to, late ? said : now, { count: 1 }, now);
          const after = bottleLives({ ...lot, movements: [...lot.movements, more] }, T(now));
          expect(inPlace(after, to)!.hours.warm).toBeGreaterThan(life.hours.warm - 1e-6);
          if (life.count > 1)
            expect(inPlace(after, from)!.hours.warm).toBeGreaterThan(life.hours.warm - 1e-6);
        }
      }),
      { numRuns: draws(120) },
    );
  });
  it('never shrink by another spelling of a place, nor by another name of it', () => {
    const spelt = (name: string, n: number) =>
      [name.toUpperCase(), ` ${name} `, name.replace(/ /g, '-'), `The ${name}`][n % 4]!;
    fc.assert(
      fc.property(kitchens, fc.nat(), place, (kitchen, n, renamed) => {
        const lot = recordOf(kitchen);
        const other: LotRecord = {
          ...lot,
          movements: lot.movements.map((m, i) => ({
            ...m,
            from: m.from && spelt(m.from, i + n),
            to: m.to && spelt(m.to, i + n + 1),
          })),
          places: [{ name: renamed, kind: null, alsoCalled: 'new fridge', recordedAt: T(89) }],
        };
        const before = bottleLives(lot, T(90));
        const after = bottleLives(other, T(90));
        expect(after).toHaveLength(before.length);
        for (const life of before)
          expect(inPlace(after, life.place)!.hours.warm).toBeGreaterThan(life.hours.warm - 1e-6);
      }),
      { numRuns: draws(120) },
    );
  });
  it('are too many from the instant at which they pass two, as seen at any time after', () => {
    fc.assert(
      fc.property(kitchens, (kitchen) => {
        const lot = recordOf(kitchen);
        expect(keepsShort(lot)).toBe(true);
        for (const life of bottleLives(lot, T(90))) {
          const now = life.tooWarmAt !== null && life.tooWarmAt <= T(90);
          expect(now).toBe(life.hours.warm > 2 + 1e-4);
        }
      }),
      { numRuns: draws(200) },
    );
  });
});

describe('what was frozen', () => {
  const frozen = (): LotRecord => {
    const lot = juice('freezer');
    return { ...lot, storage: 'frozen' };
  };
  it('is thawed by leaving the freezer, however that is called, and stays so', () => {
    for (const kind of ['moved', 'thawed', 'retained'] as const) {
      const lot = frozen();
      lot.movements.push(move('freezer', 'north fridge', 100, { kind }));
      lot.movements.push(move('north fridge', 'stall', 110), move('stall', 'freezer', 120));
      const lives = bottleLives(lot, T(130));
      expect(lives).toHaveLength(1);
      expect(lives[0]!.thawedAt).toBe(T(100));
    }
  });
  it('is not thawed by what came back and was put to it', () => {
    const lot = frozen();
    lot.movements.push(move('freezer', '', 50, { kind: 'sold', to: null, count: 2 }));
    const before = inPlace(bottleLives(lot, T(80)), 'freezer')!;
    lot.movements.push(move('', 'freezer', 60, { kind: 'returned', from: null, count: 1 }));
    const after = inPlace(bottleLives(lot, T(80)), 'freezer')!;
    expect(after).toEqual({ ...before, count: before.count + 1, cameBack: 1 });
  });
  it('is thawed in a freezer that was over −12 °C for more than two hours, from when it began', () => {
    const lot = frozen();
    lot.stores = [
      read('freezer', 50, -18),
      read('freezer', 51, -6),
      read('freezer', 54, -6),
      read('freezer', 55, -18),
    ];
    expect(inPlace(bottleLives(lot, T(60)), 'freezer')!.thawedAt).toBe(T(50.5));
    lot.stores = [read('freezer', 50, -18), read('freezer', 51, -6), read('freezer', 52, -18)];
    expect(inPlace(bottleLives(lot, T(60)), 'freezer')!.thawedAt).toBeNull();
  });
  it('has its last day from its thawing, wherever it was moved since', () => {
    const lot = frozen();
    lot.movements.push(move('freezer', 'north fridge', 100, { kind: 'thawed' }));
    lot.movements.push(move('north fridge', 'stall', 110), move('stall', 'cold room', 24 * 40));
    const keeping = lotKeeping(lot, { timeZone: 'UTC' });
    const [thawed, ...others] = thawedGroups(lot, keeping, T(24 * 41));
    expect(others).toEqual([]);
    expect(thawed).toMatchObject({ place: 'cold room', thawedOn: '2026-11-28' });
    // Raw, three days in the cold, the first of which went before it was frozen.
    expect(thawed!.until <= '2026-11-30').toBe(true);
  });
  it('has no more time for going in later: hours before count', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 60 }), fc.integer({ min: 1, max: 40 }), (at, later) => {
        const lastDay = (hour: number) => {
          const lot = frozen();
          lot.movements[0]!.to = 'cold room';
          lot.movements.push(move('cold room', 'freezer', hour, { count: 12 }));
          lot.movements.push(move('freezer', 'north fridge', 1000, { kind: 'thawed', count: 12 }));
          const keeping = { keptFrom: '2026-11-24', keptFromAt: T(3), bestBy: null };
          return thawedGroups(lot, keeping, T(1001))[0]!.until;
        };
        expect(lastDay(at + later) <= lastDay(at)).toBe(true);
      }),
      { numRuns: draws(60) },
    );
  });
});
