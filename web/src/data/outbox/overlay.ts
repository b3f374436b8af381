import type { LotView } from '@inch/contract/making/lot';
import { lotLines } from '@inch/core/lot';
import { correctRefractometer } from '@inch/core/sugar';
import type { Waiting } from './waiting.ts';

/** Who wrote what is still on this device. */
export const NOT_SENT = 'you, not sent yet';

type Body = Record<string, unknown>;
const entryOf = (body: Body) => ({
  id: body.id as string,
  at: body.at as string,
  recordedAt: body.at as string,
  by: NOT_SENT,
  struck: null,
});

/** A °Bx as the server will correct it; as read where it cannot be corrected, which the server will refuse with a reason. */
function correctedBrix(reading: number, celsius: number, compensated: boolean): number {
  try {
    return correctRefractometer({ reading, celsius, compensated }).brix;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return reading;
  }
}

function readingOf(body: Body, compensated: boolean): LotView['readings'][number] {
  const raw = (body.raw as number | null) ?? null;
  const celsius = (body.celsius as number | null) ?? null;
  const kind = body.kind as LotView['readings'][number]['kind'];
  const value =
    kind === 'brix' && raw !== null && celsius !== null ? correctedBrix(raw, celsius, compensated) : raw;
  return {
    ...entryOf(body),
    stepId: (body.stepId as string | null) ?? null,
    kind,
    sample: (body.sample as 'pan' | 'finished') ?? 'pan',
    taken: (body.taken as 'as-it-is') ?? 'as-it-is',
    said: (body.said as string) ?? '',
    raw,
    celsius,
    value: kind === 'note' ? null : value,
    instrument: null,
    counts: false,
    whyNot: 'waiting to be sent',
    simulated: body.simulated === true,
    diluted: body.diluted === true,
    heldMinutes: (body.heldMinutes as number | null) ?? null,
    because: (body.because as string | null) ?? null,
    instrumentId: (body.instrumentId as string | null) ?? null,
  };
}

function withMark(lot: LotView, body: Body): LotView {
  const mark = {
    kind: body.mark as LotView['steps'][number]['marks'][number]['kind'],
    at: body.at as string,
    by: NOT_SENT,
  };
  return {
    ...lot,
    steps: lot.steps.map((s) => (s.id === body.stepId ? { ...s, marks: [...s.marks, mark] } : s)),
  };
}

/** What the overlay has to know of the kitchen's instruments. */
type Compensating = readonly { id: string; compensated: boolean }[];

function withOne(lot: LotView, { noun, body }: Waiting, instruments: Compensating): LotView {
  const compensated = instruments.some((i) => i.id === body.instrumentId && i.compensated);
  if (noun === 'mark') return withMark(lot, body);
  if (noun === 'reading')
    return lot.readings.some((r) => r.id === body.id)
      ? lot
      : { ...lot, readings: [...lot.readings, readingOf(body, compensated)] };
  if (noun === 'addition')
    return lot.additions.some((a) => a.id === body.id)
      ? lot
      : {
          ...lot,
          additions: [
            ...lot.additions,
            {
              ...entryOf(body),
              stepId: (body.stepId as string | null) ?? null,
              lineId: (body.lineId as string | null) ?? null,
              ingredientId: body.ingredientId as string,
              grams: body.grams as number,
              more: body.more === true,
              why: (body.why as string | null) ?? null,
              from: (body.from as string | null) ?? null,
              beforeTrimming: (body.beforeTrimming as number | null) ?? null,
              entry: null,
              withdrawals: [],
            },
          ],
        };
  return lot;
}

/** A lot as it is once what waits on this device has arrived: its steps, readings and amounts; gates stay as the server judged them. */
export function withWaiting(
  lot: LotView,
  waiting: readonly Waiting[],
  instruments: Compensating = [],
): LotView {
  const own = waiting.filter((w) => w.lotId === lot.id && w.problem === null);
  if (own.length === 0) return lot;
  const laid = own.reduce((laid, entry) => withOne(laid, entry, instruments), lot);
  return { ...laid, lines: lotLines(laid, laid.cupSchool) };
}
