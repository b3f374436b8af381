import type { LotView } from '@inch/contract/making/lot';
import { vesselVolume } from '@inch/core/pan';
import { depthSaid } from '@inch/core/quantity';
import { describe, expect, it } from 'vitest';
import { curveFrom } from '../src/bench/curve.ts';
import { shapeFrom } from '../src/bench/panShape.ts';
import { withWaiting } from '../src/data/outbox/overlay.ts';
import type { Waiting } from '../src/data/outbox/waiting.ts';
import { leftSaid } from '../src/parts/lot/pan.ts';

describe('a pan as it is measured', () => {
  const form = { kind: 'straight' as const, across: '', lower: '', high: '', poured: '' };
  const holds = (read: ReturnType<typeof shapeFrom>) =>
    'shape' in read ? vesselVolume(read.shape) : read.asks;

  it('in inches with fractions holds what its inches say', () => {
    // π · 5.5² · 5 cubic inches, of 16.387 mL each.
    const read = shapeFrom({ ...form, across: '11 in', high: '5' }, null);
    expect(holds(read)).toBeCloseTo(Math.PI * 5.5 ** 2 * 5 * 16.387064, 0);
    expect(holds(shapeFrom({ ...form, across: '10 1/2', high: '120 mm' }, null))).toBeCloseTo(
      (Math.PI * 133.35 ** 2 * 120) / 1000,
      1,
    );
  });

  it('tapered asks for its bottom as well', () => {
    const tapered = { ...form, kind: 'tapered' as const, across: '300 mm', high: '100 mm' };
    expect(shapeFrom(tapered, null)).toEqual({ asks: 'How wide and how high is it?' });
    // A frustum of radii 10 and 15 cm, 10 cm high: π/3 · 10 · (100 + 150 + 225) mL.
    expect(holds(shapeFrom({ ...tapered, lower: '200 mm' }, null))).toBeCloseTo(
      ((Math.PI * 10) / 3) * 475,
      0,
    );
  });

  it('by volumes poured in, a line each, in the kitchen’s own cups', () => {
    const poured = { ...form, kind: 'poured' as const, poured: '1 l, 7/8 in\n2 l at 1 3/4 in\n' };
    expect(holds(shapeFrom(poured, null))).toBeCloseTo(2000, 6);
    expect(holds(shapeFrom({ ...poured, poured: '4 cups, 40 mm' }, 'us'))).toBeCloseTo(4 * 236.588, 1);
  });

  it('says what it could not read', () => {
    expect(shapeFrom({ ...form, kind: 'poured', poured: 'a lot' }, null)).toEqual({
      asks: expect.stringMatching(/a volume, a comma and a depth/),
    });
    expect(shapeFrom({ ...form, across: 'wide', high: '5' }, null)).toEqual({ asks: expect.any(String) });
  });
});

describe('a depth on the ruler', () => {
  it.each([
    [25.4, '1 in'],
    [66.675, '2 5/8 in'],
    [12.7, '1/2 in'],
    [4.76, '3/16 in'],
    [0, '0 in'],
  ])('%d mm is read as %s', (mm, said) => expect(depthSaid(mm, 'in')).toBe(said));
  it('is whole millimetres where the ruler is', () => expect(depthSaid(66.7, 'mm')).toBe('67 mm'));
});

describe('minutes left', () => {
  const said = (low: number, high: number) => {
    const { from, to, unit } = leftSaid({ low, high: Number.isFinite(high) ? high : null });
    return `${from}${from && ' to '}${to} ${unit}`;
  };
  it('are told as they are known: a span, hours, or no less than', () => {
    expect(said(840, 1140)).toBe('14 to 19 min left');
    expect(said(3600 * 1.5, 3600 * 2)).toBe('1.5 to 2.0 h left');
    expect(said(600, Number.POSITIVE_INFINITY)).toBe('10 min or more');
    expect(said(0, 0)).toBe('Now it should be there: read it');
  });
});

describe('a titration as it is typed', () => {
  it('is pairs a line, in the order of the burette, and tells what it could not read', () => {
    expect(curveFrom('12,5 8,31\n0 3.12\n\nrinse\n5 4.2 7')).toEqual({
      points: [
        { ml: 0, ph: 3.12 },
        { ml: 12.5, ph: 8.31 },
      ],
      unread: ['rinse', '5 4.2 7'],
    });
  });
});

describe('what waits on the device', () => {
  const lot = {
    id: 'lot',
    cupSchool: null,
    scale: 1,
    elevationMetres: 0,
    product: {
      content: {
        lines: [
          { id: 'fruit', said: '2 kg', ingredientId: 'damson', stepId: 's' },
          {
            id: 'sugar',
            said: 'half',
            ingredientId: 'sugar',
            stepId: 's',
            basis: { per: 'line', lineId: 'fruit', by: 'weight' },
          },
        ],
        steps: [{ id: 's', kind: 'prepare', title: 'Stone' }],
        storage: 'cold',
        bottleMl: 250,
      },
    },
    steps: [
      {
        id: 'step',
        position: 1,
        formulaStepId: 's',
        kind: 'prepare',
        title: 'Stone',
        minutes: 10,
        marks: [],
      },
    ],
    readings: [],
    additions: [],
    ticks: [],
    bottlings: [],
    lines: [],
  } as unknown as LotView;
  const waiting = (noun: string, body: object, more: Partial<Waiting> = {}): Waiting => ({
    number: 1,
    noun,
    of: 'entry',
    address: `/api/lots/lot/${noun}`,
    since: '2026-11-25T10:00:00.000Z',
    lotId: 'lot',
    code: '7F4H',
    accountId: 'a',
    body: { id: `${noun} id`, at: '2026-11-25T10:00:00.000Z', ...body },
    words: '',
    problem: null,
    ...more,
  });

  it('is shown in its lot: the clock runs, a reading is corrected, what follows a weight follows it', () => {
    const seen = withWaiting(lot, [
      waiting('mark', { stepId: 'step', mark: 'start' }),
      waiting('reading', { kind: 'brix', raw: 31.4, celsius: 27, sample: 'pan' }),
      waiting('addition', { lineId: 'fruit', ingredientId: 'damson', grams: 1500, stepId: 'step' }),
    ]);
    expect(seen.steps[0]!.marks.map((m) => m.kind)).toEqual(['start']);
    // 31.4 at 27 °C by AOAC 932.14: half way between the rows of 26 and 28, +0.54.
    expect(seen.readings[0]!.value).toBeCloseTo(31.94, 1);
    expect(seen.readings[0]).toMatchObject({ counts: false, whyNot: 'waiting to be sent' });
    expect(seen.lines.find((l) => l.lineId === 'sugar')!.now).toBeCloseTo(750, 6);
  });

  it('is not corrected twice, and one that cannot be corrected is shown as read until the server says', () => {
    const value = (raw: number, celsius: number, instrumentId: string | null) =>
      withWaiting(
        lot,
        [waiting('reading', { kind: 'brix', raw, celsius, sample: 'pan', instrumentId })],
        [{ id: 'clever', compensated: true }],
      ).readings[0]!.value;
    expect(value(31.4, 27, 'clever')).toBe(31.4);
    expect(value(31.4, 60, null)).toBe(31.4);
    expect(value(99, 20, null)).toBe(99);
  });

  it('is not shown in another lot, nor once the server has refused it', () => {
    const mark = { stepId: 'step', mark: 'start' };
    expect(withWaiting(lot, [waiting('mark', mark, { lotId: 'other' })])).toBe(lot);
    expect(withWaiting(lot, [waiting('mark', mark, { problem: 'ended' })])).toBe(lot);
  });

  it('that the server has meanwhile got is not shown twice', () => {
    const entry = waiting('reading', { kind: 'temperature', raw: 88, sample: 'pan' });
    const once = withWaiting(lot, [entry]);
    expect(withWaiting(once, [entry]).readings).toHaveLength(1);
  });
});
