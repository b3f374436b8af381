import {
  checkDue,
  checkStanding,
  type InstrumentLine,
  instrumentLine,
  judgeCheck,
  orderLine,
  readInstrumentLine,
  readLogger,
  readOrder,
  SPOKEN_UNITS,
  type SpeakingKind,
  thinned,
} from '@inch/core/instrument';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const kinds = Object.keys(SPOKEN_UNITS) as SpeakingKind[];

describe('the line protocol', () => {
  it('reads the lines that its page documents', () => {
    expect(readInstrumentLine('inch/1 scale Counter scale')).toEqual({
      say: 'hello',
      kind: 'scale',
      compensated: false,
      name: 'Counter scale',
    });
    expect(readInstrumentLine('inch/1 refractometer compensated Bright one')).toMatchObject({
      kind: 'refractometer',
      compensated: true,
    });
    expect(readInstrumentLine('is 31.4 Bx at 27.0 steady\r')).toEqual({
      say: 'reading',
      kind: 'refractometer',
      value: 31.4,
      celsius: 27,
      millivolts: null,
      steady: true,
    });
    expect(readInstrumentLine('is 3.42 pH at 22.5 mv 211.7 moving')).toMatchObject({
      kind: 'ph-meter',
      millivolts: 211.7,
      steady: false,
    });
    expect(readInstrumentLine('fault electrode dry')).toEqual({ say: 'fault', words: 'electrode dry' });
  });

  it('what is written is read as it was, for any instrument', () => {
    const line = fc.record({
      say: fc.constant('reading' as const),
      kind: fc.constantFrom(...kinds),
      value: fc.integer({ min: 0, max: 99_999 }).map((n) => n),
      celsius: fc.option(fc.integer({ min: -100, max: 1100 }).map((n) => n / 10)),
      millivolts: fc.option(fc.integer({ min: -5000, max: 5000 }).map((n) => n / 10)),
      steady: fc.boolean(),
    });
    fc.assert(
      fc.property(line, (said) => {
        expect(readInstrumentLine(instrumentLine(said as InstrumentLine))).toEqual(said);
      }),
    );
  });

  it('never throws and loses nothing of a line it cannot read', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const heard = readInstrumentLine(text);
        if (heard.say === 'unread') expect(heard.text).toBe(text);
      }),
    );
  });

  it('orders go out and are understood on the other side', () => {
    for (const order of [{ order: 'who' }, { order: 'tare' }, { order: 'run', ml: 0.5 }] as const)
      expect(readOrder(orderLine(order))).toEqual(order);
    expect(readOrder('dance')).toBeNull();
  });
});

describe('checks of instruments without buffers', () => {
  const upland = { elevationMetres: 719 };
  it('distilled water reads nothing, within three tenths', () => {
    expect(judgeCheck({ kind: 'water', read: 0.3, ...upland }).accepted).toBe(true);
    const off = judgeCheck({ kind: 'water', read: 0.6, ...upland });
    expect(off.accepted).toBe(false);
    expect(off.reason).toMatch(/Set its zero/);
  });

  it('boiling water is right at the kitchen’s own boiling point, not at 100', () => {
    // 719 m: 101.325 (1 − 2.25577e-5 · 719)^5.25588 = 92.99 kPa, where water boils at 97.6 °C by the steam tables.
    const boil = judgeCheck({ kind: 'boil', read: 100, ...upland });
    expect(boil.expected).toBeCloseTo(97.6, 1);
    expect(boil.accepted).toBe(false);
    expect(judgeCheck({ kind: 'boil', read: 97.2, ...upland }).accepted).toBe(true);
  });

  it('a scale is held to half a percent of its weight and a gram at least', () => {
    const weigh = (weightGrams: number, read: number) =>
      judgeCheck({ kind: 'weight', read, weightGrams, ...upland }).accepted;
    expect([weigh(1000, 1004.9), weigh(1000, 1005.2), weigh(50, 51), weigh(50, 51.2)]).toEqual([
      true,
      false,
      true,
      false,
    ]);
    expect(() => judgeCheck({ kind: 'weight', read: 50, ...upland })).toThrow(/how heavy/);
  });

  const day = (n: number) => new Date(Date.UTC(2026, 0, n, 9)).toISOString();
  const good = (kind: 'water' | 'ice' | 'boil', n: number, accepted = true) => ({
    kind,
    at: day(n),
    accepted,
  });

  it('a refractometer counts for the week of its zero, and not on the eighth day', () => {
    const checks = [good('water', 1)];
    expect(checkStanding('refractometer', day(7), checks, 'UTC').counts).toBe(true);
    expect(checkStanding('refractometer', day(8), checks, 'UTC')).toMatchObject({
      counts: false,
      whyNot: expect.stringMatching(/over 7 days/),
    });
    expect(checkDue('refractometer', checks, 'UTC')).toBe('2026-01-08');
  });

  it('a thermometer wants ice and boiling water both', () => {
    expect(checkStanding('thermometer', day(3), [good('ice', 1)], 'UTC').whyNot).toMatch(/boiling water/);
    expect(checkStanding('thermometer', day(3), [good('ice', 1), good('boil', 1)], 'UTC').counts).toBe(true);
  });

  it('a check that fails later voids what was read since the last good one', () => {
    const checks = [good('water', 1), good('water', 4, false)];
    expect(checkStanding('refractometer', day(3), checks, 'UTC').whyNot).toMatch(/next check.*failed/);
    expect(checkStanding('refractometer', day(5), checks, 'UTC').whyNot).toMatch(/refused/);
    expect(checkDue('refractometer', checks, 'UTC')).toBeNull();
  });
});

describe('a temperature logger’s file', () => {
  it('finds its columns and turns Fahrenheit', () => {
    const file = readLogger([
      ['Logger 12', ''],
      ['Date', 'Probe temp (°F)'],
      ['2026-11-25T09:00:00Z', '194'],
      ['2026-11-25T09:00:30Z', '212'],
      ['', 'low battery'],
    ]);
    expect(file.samples.map((s) => s.celsius)).toEqual([90, 100]);
    expect(file.skipped).toBe(1);
    expect(file.understood).toMatch(/hottest 100\.0/);
  });

  it('takes times as the device wrote them, a comma for a point, and no headings at all', () => {
    const file = readLogger([
      ['1', '2026-11-25 09:00:00', '88,5'],
      ['2', '2026-11-25 09:01:00', '89,0'],
    ]);
    expect(file.samples).toHaveLength(2);
    expect(Date.parse(file.samples[1]!.at) - Date.parse(file.samples[0]!.at)).toBe(60_000);
  });

  it('says what it misses', () => {
    expect(() => readLogger([['a', 'b']])).toThrow(/No column of times/);
    expect(() => readLogger([['2026-11-25 09:00:00', 'warm']])).toThrow(/No column of temperatures/);
  });

  it('thinned, it keeps the hottest, the coldest, the last, and nothing it had not', () => {
    const samples = fc
      .array(fc.integer({ min: 0, max: 110 }), { minLength: 1, maxLength: 300 })
      .map((list) =>
        list.map((celsius, i) => ({ at: new Date(Date.UTC(2026, 0, 1) + i * 7000).toISOString(), celsius })),
      );
    fc.assert(
      fc.property(samples, (all) => {
        const kept = thinned(all);
        const warm = (list: typeof all) => list.map((s) => s.celsius);
        expect(Math.max(...warm(kept))).toBe(Math.max(...warm(all)));
        expect(Math.min(...warm(kept))).toBe(Math.min(...warm(all)));
        expect(kept.at(-1)).toBe(all.at(-1));
        expect(kept.every((s) => all.includes(s))).toBe(true);
        expect(kept.length).toBeLessThanOrEqual(Math.ceil((all.length * 7) / 60) + 4);
      }),
    );
  });
});
