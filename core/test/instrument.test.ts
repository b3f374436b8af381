import {
  checkDue,
  checkStanding,
  delimiterOf,
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
  thinnedTo,
} from '@inch/core/instrument';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LONG } from '../../scripts/src/draws.mjs';

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
    recordedAt: day(n),
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

  it('a good one dated back before a failure, and written down after it, saves nothing', () => {
    const failure = good('water', 4, false);
    const between = { ...good('water', 3), recordedAt: day(5) };
    expect(checkStanding('refractometer', day(2), [good('water', 1), between, failure], 'UTC').counts).toBe(
      false,
    );
    const inTime = { ...between, recordedAt: day(3) };
    expect(checkStanding('refractometer', day(2), [good('water', 1), inTime, failure], 'UTC').counts).toBe(
      true,
    );
  });

  it('no entry of a failed check ever makes a reading count', () => {
    const check = fc.record({
      n: fc.integer({ min: 1, max: 9 }),
      late: fc.integer({ min: 0, max: 5 }),
      accepted: fc.boolean(),
    });
    fc.assert(
      fc.property(
        fc.array(check, { maxLength: 6 }),
        check,
        fc.integer({ min: 1, max: 9 }),
        (had, more, n) => {
          const kept = (c: typeof more) => ({
            ...good('water', c.n, c.accepted),
            recordedAt: day(c.n + c.late),
          });
          const before = checkStanding('refractometer', day(n), had.map(kept), 'UTC').counts;
          const failed = kept({ ...more, accepted: false });
          const after = checkStanding('refractometer', day(n), [...had.map(kept), failed], 'UTC').counts;
          expect(after && !before).toBe(false);
        },
      ),
    );
  });
});

describe('a temperature logger’s file', () => {
  const read = (rows: string[][], zone = 'UTC', unit?: 'C' | 'F') => {
    const reading = readLogger(rows, zone, unit);
    if (reading.asks) throw new Error('it asks for the unit');
    return reading;
  };
  const celsius = (rows: string[][], zone?: string, unit?: 'C' | 'F') =>
    read(rows, zone, unit).samples.map((s) => s.celsius);

  it('finds its columns and turns Fahrenheit', () => {
    const file = read([
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

  it.each([
    'Temp F',
    'Temp(F)',
    'Temp [F]',
    'temp_f',
    'TempF',
    'Temperature, deg F',
    'Temp. degF',
    'Fahrenheit',
    'Temp ºF',
    'Temp ˚F',
    'Temp ℉',
    'Temp degrees Fahrenheit',
  ])('reads "%s" as Fahrenheit', (heading) => {
    expect(
      celsius([
        ['Time', heading],
        ['2026-11-25 09:00:00', '212'],
      ]),
    ).toEqual([100]);
  });

  it.each(['Temp C', 'Temp(C)', 'temp_c', 'TempC', 'Celsius', 'Temp ℃', 'Temp deg C'])(
    'reads "%s" as Celsius',
    (heading) => {
      expect(
        celsius([
          ['Time', heading],
          ['2026-11-25 09:00:00', '88,5'],
        ]),
      ).toEqual([88.5]);
    },
  );

  it('takes the unit from the row under the heading, from a cell, or from a line above; asks where none names it', () => {
    const at = '2026-11-25 09:00:00';
    expect(
      celsius([
        ['Time', 'Temp'],
        ['', '°F'],
        [at, '212'],
      ]),
    ).toEqual([100]);
    expect(
      celsius([
        ['Time', 'Temp'],
        [at, '212 °F'],
      ]),
    ).toEqual([100]);
    expect(celsius([['Units: Temp F'], ['Time', 'Temp'], [at, '212']])).toEqual([100]);
    expect(
      readLogger(
        [
          ['Time', 'Temp'],
          [at, '212'],
        ],
        'UTC',
      ),
    ).toMatchObject({ asks: 'unit', first: 212, says: expect.stringMatching(/unit/) });
    expect(
      celsius(
        [
          ['Time', 'Temp'],
          [at, '212'],
        ],
        'UTC',
        'F',
      ),
    ).toEqual([100]);
    expect(() =>
      readLogger(
        [
          ['Time', 'Temp °C'],
          [at, '212 °F'],
        ],
        'UTC',
      ),
    ).toThrow(/both/);
    expect(() =>
      readLogger(
        [
          ['Time', 'Temp (K)'],
          [at, '373'],
        ],
        'UTC',
      ),
    ).toThrow(/kelvin/);
  });

  it('takes the temperature, and not the number of the row, where there are no headings', () => {
    const rows = [
      ['1', '2026-11-25 09:00:00', '88,5 C'],
      ['2', '2026-11-25 09:01:00', '89,0 C'],
    ];
    expect(celsius(rows)).toEqual([88.5, 89]);
    expect(readLogger([['2026-11-25 09:00:00', '88', '5']], 'UTC')).toMatchObject({
      asks: 'column',
      columns: [
        { column: 1, first: 88 },
        { column: 2, first: 5 },
      ],
    });
  });

  it.each([
    [
      ['Time', 'Setpoint', 'Ambient', 'Probe'],
      [1, 2, 3],
    ],
    [
      ['Time', 'T1 (C)', 'T2 (C)'],
      [1, 2],
    ],
    [
      ['Time', 'Set °C', 'Temp °C', 'RH %'],
      [1, 2],
    ],
    [
      ['Date/Time', 'Ch1', 'Ch2', 'Battery V'],
      [1, 2],
    ],
  ])('asks which of several temperatures: %j', (head, columns) => {
    const rows = [head, ['2026-11-25 09:00:00', '85', '21', '84.5'].slice(0, head.length)];
    const asked = readLogger(rows, 'UTC', 'C');
    expect(asked).toMatchObject({ asks: 'column', columns: columns.map((column) => ({ column })) });
    const column = columns.at(-1)!;
    const read = readLogger(rows, 'UTC', { unit: 'C', column });
    expect(read).toMatchObject({ samples: [{ celsius: Number(rows[1]![column]) }] });
  });

  it.each([
    [['Time', 'Temp (C)', 'RH %', 'Battery V'], 1],
    [['No.', 'Time', 'T1 (C)'], 2],
    [['#', 'Time', 'Probe °C', 'Humidity'], 2],
  ])('takes the one temperature of %j', (head, column) => {
    const row: string[] = head.map((name) => (name === 'Time' ? '2026-11-25 09:00:00' : '12'));
    row[column] = '84.5';
    expect(celsius([head, row])).toEqual([84.5]);
  });

  it.each([
    ['24-Nov-2026 08:00', '2026-11-24T08:00:00.000Z'],
    ['24 Nov 2026 08:00:30', '2026-11-24T08:00:30.000Z'],
    ['Nov 24, 2026 8:00 PM', '2026-11-24T20:00:00.000Z'],
    ['24.11.26 08.00', '2026-11-24T08:00:00.000Z'],
    ['24.11.2026 08.00.15', '2026-11-24T08:00:15.000Z'],
    ['1795507200', '2026-11-24T08:00:00.000Z'],
    ['1795507200000', '2026-11-24T08:00:00.000Z'],
  ])('reads the time “%s”', (time, at) => {
    expect(
      read([
        ['Time', 'Temp C'],
        [time, '85'],
      ]).samples,
    ).toEqual([{ at, celsius: 85 }]);
  });

  it('passes over what is written above its headings, though it names a time', () => {
    const rows = [
      ['Report date', 'by Wren'],
      ['Time', 'Temp C', 'RH %'],
      ['2026-11-25 09:00:00', '85', '40'],
    ];
    expect(celsius(rows)).toEqual([85]);
  });

  it('asks in which order a short date stands, where its figures leave it open', () => {
    const rows = [
      ['Time', 'Temp C'],
      ['10/11/12 08:00', '85'],
    ];
    expect(readLogger(rows, 'UTC')).toMatchObject({
      asks: 'order',
      orders: ['day-first', 'month-first', 'year-first'],
    });
    // The 24th is no month, and the 26th of the 24th year could be: two are left.
    expect(readLogger([rows[0]!, ['24/11/26 08:00', '85']], 'UTC')).toMatchObject({
      asks: 'order',
      orders: ['day-first', 'year-first'],
    });
    expect(readLogger([rows[0]!, ['24/11/26 08:00', '85']], 'UTC', { order: 'day-first' })).toMatchObject({
      samples: [{ at: '2026-11-24T08:00:00.000Z' }],
    });
  });

  it('asks when a count of seconds began, and of which day times of day are', () => {
    const rows = [
      ['Elapsed (s)', 'Temp C'],
      ['0', '85'],
      ['90', '86'],
    ];
    expect(readLogger(rows, 'UTC')).toMatchObject({ asks: 'start', by: 'elapsed' });
    const counted = readLogger(rows, 'America/Denver', { start: '2026-11-24 08:00' });
    expect(counted).toMatchObject({
      samples: [{ at: '2026-11-24T15:00:00.000Z' }, { at: '2026-11-24T15:01:30.000Z' }],
    });
    const clocks = [
      ['Time', 'Temp C'],
      ['23:59:00', '85'],
      ['00:01:00', '84'],
    ];
    expect(readLogger(clocks, 'UTC')).toMatchObject({ asks: 'start', by: 'clock' });
    expect(readLogger(clocks, 'UTC', { start: '2026-11-24' })).toMatchObject({
      samples: [{ at: '2026-11-24T23:59:00.000Z' }, { at: '2026-11-25T00:01:00.000Z' }],
    });
    expect(() =>
      readLogger(
        [
          ['Elapsed', 'Temp C'],
          ['0', '85'],
        ],
        'UTC',
      ),
    ).toThrow(/does not say in what/);
  });

  it('follows the order of the file through an hour that comes twice', () => {
    // Clocks in Berlin went back from 03:00 to 02:00 on 25 October 2026: 02:30 was at 00:30 and at 01:30 UTC.
    const walls = ['01:50', '02:10', '02:50', '02:10', '02:50', '03:10'];
    const rows = walls.map((wall, i) => [`2026-10-25 ${wall}:00`, `${80 + i} C`]);
    const hours = ['23:50', '00:10', '00:50', '01:10', '01:50', '02:10'];
    const at = (of: string[][]) =>
      read(of, 'Europe/Berlin').samples.map((s) => [s.at.slice(11, 16), s.celsius]);
    expect(at(rows)).toEqual(hours.map((hour, i) => [hour, 80 + i]));
    expect(at([...rows].reverse())).toEqual(hours.map((hour, i) => [hour, 80 + i]));
  });

  it('takes times in the kitchen’s zone, with the date and the clock apart, and with the day or the month first', () => {
    const at = (rows: string[][], zone: string) => read(rows, zone, 'C').samples.map((s) => s.at);
    expect(at([['2026-11-25 09:00:07', '88']], 'America/Denver')).toEqual(['2026-11-25T16:00:07.000Z']);
    expect(
      at(
        [
          ['Date', 'Time', 'Temp'],
          ['25.11.2026', '9:31:30 PM', '88'],
        ],
        'Europe/Berlin',
      ),
    ).toEqual(['2026-11-25T20:31:30.000Z']);
    expect(
      at(
        [
          ['03/11/2026 09:00', '88'],
          ['13/11/2026 09:00', '87'],
        ],
        'UTC',
      )[0],
    ).toBe('2026-11-03T09:00:00.000Z');
    expect(
      at(
        [
          ['03/11/2026 09:00', '88'],
          ['03/13/2026 09:00', '87'],
        ],
        'UTC',
      )[0],
    ).toBe('2026-03-11T09:00:00.000Z');
    const open = [['03/11/2026 09:00', '88']];
    expect(readLogger(open, 'UTC', 'C')).toMatchObject({
      asks: 'order',
      orders: ['day-first', 'month-first'],
    });
    expect(readLogger(open, 'UTC', { unit: 'C', order: 'month-first' })).toMatchObject({
      samples: [{ at: '2026-03-11T09:00:00.000Z' }],
    });
  });

  it('refuses dates and times that cannot be, and says what it misses', () => {
    const of = (time: string) => () =>
      readLogger(
        [
          ['Time', 'Temp C'],
          [time, '88'],
        ],
        'UTC',
      );
    expect(of('2026-02-30 09:00:00')).toThrow(/not a date/);
    expect(of('2026-13-01 09:00:00')).toThrow(/not a date/);
    expect(of('2026-11-25 25:00:00')).toThrow(/time of day/);
    expect(() => readLogger([['a', 'b']], 'UTC')).toThrow(/No column of times/);
    expect(() => readLogger([['2026-11-25 09:00:00', 'warm']], 'UTC')).toThrow(/No column of temperatures/);
  });

  it('parts columns by what its heading shows, so that a comma stays the decimal sign', () => {
    expect(delimiterOf('Logger, cellar\nTime;Temp C\n2026-11-25 09:00:00;88,5')).toBe(';');
    expect(delimiterOf('Time\tTemp, C\n')).toBe('\t');
    expect(delimiterOf('Time,Temp C\n2026-11-25 09:00:00,88.5')).toBe(',');
    expect(delimiterOf('2026-11-25 09:00:00;88,5')).toBe(';');
    expect(() =>
      readLogger(
        [
          ['Time', 'Temp C'],
          ['2026-11-25 09:00:00', '88', '5'],
        ],
        'UTC',
      ),
    ).toThrow(/more columns/);
  });

  it('reads a long file, and thins it to what can be kept', () => {
    const length = LONG ? 1_000_000 : 50_000;
    const from = Date.UTC(2026, 10, 1);
    const rows = Array.from({ length }, (_, i) => {
      const wall = new Date(from + i * 1000).toISOString();
      return [`${wall.slice(0, 10)} ${wall.slice(11, 19)}`, i === length - 12_345 ? '99' : '20'];
    });
    const file = read([['Time', 'Temp C'], ...rows], 'America/St_Johns');
    expect(file.samples).toHaveLength(length);
    const { samples, everySeconds } = thinnedTo(file.samples, 600);
    expect(samples.length).toBeLessThanOrEqual(600);
    expect(everySeconds * 600).toBeGreaterThanOrEqual(length);
    expect(samples.some((s) => s.celsius === 99)).toBe(true);
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
