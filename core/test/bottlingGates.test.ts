import { signs } from '@inch/core/bottling';
import { heatProcesses } from '@inch/core/heat';
import {
  bottlesNotTicked,
  failuresOpen,
  gates,
  type LotRecord,
  lotBottles,
  matchLot,
  outOfLimits,
  samplesAsked,
  sealsFrom,
} from '@inch/core/lot';
import { describe, expect, it } from 'vitest';
import { entry, letter, releasable, T } from './support/lot.ts';

const shut = (lot: LotRecord) =>
  gates(lot, { timeZone: 'UTC', labelMissing: [] })
    .filter((g) => !g.open)
    .map((g) => g.id);

describe('what a process holds of measurements', () => {
  it('may be measured after it, and is asked of the gate until it is', () => {
    const lot = releasable();
    lot.processes = [{ ...letter, brix: { from: 48, to: 56 }, highestPh: 3.5 }];
    // Sugar that nobody measured is not the sugar it was tested with.
    expect(shut(lot)).toEqual(['heat']);
    lot.readings.push({ ...lot.readings[1]!, id: 'r8', kind: 'brix', value: 52 });
    expect(shut(lot)).toEqual([]);
    lot.readings[1]!.value = 3.6;
    expect(shut(lot)).toEqual(['heat']);
    lot.readings[1]!.value = 3.4;
    lot.readings.push({ ...lot.readings[1]!, id: 'r9', kind: 'brix', value: 60 });
    expect(shut(lot)).toEqual(['heat']);
  });
});

describe('a lot filled with something in each bottle', () => {
  const perBottle = (): LotRecord => {
    const lot = releasable();
    const [fruit, sugar] = lot.product.content.lines;
    const lines = [fruit!, { ...sugar!, basis: { per: 'bottle' as const } }];
    // A jar is opened once it is filled.
    Object.assign(lot.readings[1]!, entry('r2', T(3.05)));
    return { ...lot, product: { ...lot.product, content: { ...lot.product.content, lines } } };
  };
  const tick = (bottle: number) => ({ ...entry(`k${bottle}`, T(3.1)), lineId: 'sugar', bottle });
  it('wants a tick for every bottle, and its pH from an opened jar', () => {
    const lot = perBottle();
    expect(samplesAsked(lot)).toEqual(['opened-jar']);
    expect(shut(lot)).toEqual(['acid', 'count']);
    lot.readings[1]!.taken = 'opened-jar';
    lot.ticks = Array.from({ length: 11 }, (_, i) => tick(i + 1));
    expect(bottlesNotTicked(lot)).toMatchObject([{ lineId: 'sugar', bottles: [12] }]);
    expect(shut(lot)).toEqual(['count']);
    lot.ticks.push(tick(12));
    expect(shut(lot)).toEqual([]);
  });
  it('names only the readings of another sample as not counting', () => {
    const words = (lot: LotRecord) =>
      gates(lot, { timeZone: 'UTC', labelMissing: [] })
        .find((g) => g.id === 'acid')!
        .evidence.map((e) => e.words)
        .filter((said) => /has to be/.test(said));
    const lot = perBottle();
    expect(words(lot)).toHaveLength(1);
    expect(words(lot)[0]).toMatch(/from an opened jar/);
    lot.readings[1]!.taken = 'opened-jar';
    expect(words(lot)).toEqual([]);
  });
  it('with its solids left in is measured blended with them', () => {
    const lot = releasable();
    const { content } = lot.product;
    const unstrained = { ...lot.product, content: { ...content, steps: content.steps.slice(0, 1) } };
    lot.processes = [{ ...letter, state: 'pieces' }];
    expect(shut({ ...lot, product: unstrained })).toEqual(['acid']);
    lot.readings[1]!.taken = 'blended';
    expect(shut({ ...lot, product: unstrained })).toEqual([]);
  });
});

describe('a lot in bottles of two kinds', () => {
  it('matches a process only where both do', () => {
    const lot = releasable();
    const berry = (l: LotRecord) =>
      matchLot(heatProcesses, l, 719).find((m) => m.process.id === 'berry-syrup')!;
    expect(berry(lot).reasons).toEqual([]);
    const swing = {
      containerId: 'swing',
      container: 'Swing-top',
      closure: 'swing-top',
      nominalMl: 250,
      rated: [],
    };
    lot.bottlings.push({ ...lot.bottlings[0]!, id: 'b2', ...swing });
    expect(berry(lot).reasons).toEqual([
      'it needs jars with a two-piece lid, not a swing top',
      'this glass is not made for boiling water',
    ]);
    expect(matchLot(heatProcesses, { ...lot, bottlings: [] }, 719)).toEqual([]);
  });
});

describe('seals that failed', () => {
  const failing = (): LotRecord => {
    const lot = releasable();
    lot.sealChecks[0] = { ...lot.sealChecks[0]!, failed: 2, failedBottles: [3, 9] };
    const gone = { ...lot.movements[0]!, id: 'm2', kind: 'failed-seal' as const, from: 'cellar', to: null };
    lot.movements.push({ ...gone, count: 2 });
    return lot;
  };
  const fate = (kind: LotRecord['fates'][number]['fate'], count: number) => ({
    id: kind,
    checkId: 's1',
    fate: kind,
    count,
    at: T(17),
    recordedAt: T(17),
    by: 'Wren',
  });
  it('each want their fate before anything is released', () => {
    const lot = failing();
    expect(failuresOpen(lot)).toBe(2);
    expect(shut(lot)).toEqual(['seal']);
    lot.fates = [fate('chilled', 1), fate('discarded', 1)];
    expect(shut(lot)).toEqual([]);
  });
  it('processed again come back to the count, and are pressed again twelve hours after', () => {
    const lot = failing();
    lot.fates = [fate('discarded', 1), fate('processed-again', 1)];
    lot.movements.push({ ...lot.movements[0]!, id: 'm3', kind: 'processed-again', count: 1, at: T(17) });
    expect(lotBottles(lot)).toMatchObject({ filled: 12, left: 11 });
    expect(shut(lot)).toEqual(['seal']);
    const check = { ...lot.sealChecks[0]!, id: 's2', checked: 1, failed: 0, failedBottles: [] };
    lot.sealChecks.push({ ...check, at: T(28.9) });
    expect(shut(lot)).toEqual(['seal']);
    lot.sealChecks[1]!.at = T(29);
    expect(shut(lot)).toEqual([]);
  });
  it('may be checked from twelve hours after the last bottle left the canner', () =>
    expect(sealsFrom(releasable())).toBe(T(16)));
  it('show signs, each with what it means and what to do, and spoilage holds', () => {
    expect(signs.every((s) => s.means !== '' && s.todo !== '')).toBe(true);
    expect(signs.filter((s) => s.holds).map((s) => s.id)).toEqual(['spoilage']);
  });
});

describe('what is out of its limits', () => {
  const kinds = (lot: LotRecord) => outOfLimits({ ...lot, rulePack: 'eu' }).map((d) => d.kind);
  it('is nothing in a lot that went well', () => expect(kinds(releasable())).toEqual([]));
  it('is glass filled too hot for it, a short process, and slow cooling', () => {
    const lot = releasable();
    lot.bottlings[0]!.glassCelsius = 20;
    lot.heatProcesses[0]!.minutes = 14;
    expect(kinds(lot)).toEqual(['thermal shock', 'process short']);
    Object.assign(lot.bottlings[0]!, {
      closing: 'cooled',
      glassCelsius: null,
      hoursTo21: 2.5,
      hoursToCold: 5,
    });
    expect(kinds(lot)).toEqual(['cooling', 'process short']);
  });
  it('is a load lifted before its rest was over, and bottles that hold too little', () => {
    const lot = releasable();
    const mark = (kind: 'boil' | 'off' | 'lifted', hours: number) => ({
      id: kind,
      kind,
      at: T(hours),
      by: 'Wren',
    });
    lot.loads = [
      {
        ...entry('l1', T(3.5)),
        number: 1,
        processId: 'berry-syrup',
        name: 'Berry syrup',
        method: 'boiling-water' as const,
        source: 'USDA',
        mismatches: [],
        limits: { brix: null, highestPh: null },
        requiredMinutes: 15,
        restMinutes: 5,
        bottles: 12,
        numbers: null,
        marks: [mark('boil', 3.6), mark('off', 3.85), mark('lifted', 3.9)],
      },
    ];
    lot.weighings = [{ ...entry('w1', T(3)), bottlingId: 'b1', grossGrams: 500, tareGrams: 250, netMl: 230 }];
    expect(kinds(lot)).toEqual(['lifted early', 'net contents']);
    lot.loads[0]!.marks[2]!.at = T(3.95);
    lot.weighings[0]!.netMl = 238;
    expect(kinds(lot)).toEqual([]);
  });
});
