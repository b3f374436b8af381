import type { NewAddition, NewMark, NewOrigin, NewPlacing, NewReading } from '@inch/contract/lotEntry';
import { parseJot } from '@inch/core/jot';
import { judgeReading } from '@inch/core/lot';
import { asDrawn } from '@inch/core/stock';
import { correctRefractometer } from '@inch/core/sugar';
import type { z } from 'zod';
import { fromSql, insert, rows, toSql } from '../database/pool.ts';
import { invalid, notFound, Problem } from '../http/problem.ts';
import { catalogueNow } from '../ingredient/store.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { chooseStock, type Drawn, take } from '../stock/draw.ts';
import { holdWhereAsked } from './change.ts';

interface LotRow {
  id: string;
  code: string;
  state: string;
  begun_at: string;
  content: string;
}

/** The few columns that an entry is held against: a reading does not wait for the whole record. */
async function openLot(w: Writing, idOrCode: string): Promise<LotRow> {
  const [lot] = await rows<LotRow>(
    w.tx,
    'SELECT l.id, l.code, l.state, l.begun_at, v.content FROM lot l JOIN formula_version v ON v.id = l.version_id WHERE l.kitchen_id = ? AND (l.id = ? OR l.code = ?) LOCK IN SHARE MODE',
    [w.kitchen.id, idOrCode, idOrCode],
  );
  if (!lot) throw notFound('lot');
  if (['closed', 'discarded', 'recalled'].includes(lot.state))
    throw new Problem(409, `Lot ${lot.code} is ${lot.state}; nothing more is written to it.`);
  return lot;
}

async function requireStep(w: Writing, lotId: string, stepId: string | null): Promise<void> {
  if (stepId === null) return;
  const [step] = await rows(w.tx, 'SELECT id FROM lot_step WHERE id = ? AND lot_id = ?', [stepId, lotId]);
  if (!step) throw invalid('stepId', 'That step is not one of this lot.');
}

/** Says afterwards, in words, where something that went in came from. */
export async function tellOrigin(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewOrigin>,
): Promise<{ id: string }> {
  const lot = await openLot(w, lotId);
  const [addition] = await rows<{ taken_from: string | null }>(
    w.tx,
    'SELECT taken_from FROM addition WHERE id = ? AND lot_id = ?',
    [body.additionId, lot.id],
  );
  if (!addition) throw invalid('additionId', 'That did not go into this lot.');
  if (addition.taken_from) throw new Problem(409, 'Where it came from was said when it went in.');
  const at = happenedAt(w, body.at, fromSql(lot.begun_at));
  const { id, additionId, words } = body;
  await insert(w.tx, 'origin', {
    id,
    lot_id: lot.id,
    addition_id: additionId,
    words,
    at: toSql(at),
    account_id: w.account.id,
  });
  await journal(w, 'addition', additionId, 'origin', { words, at }, lot.id);
  return { id };
}

/** Starts, pauses, finishes or reopens a step. */
export async function markStep(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewMark>,
): Promise<{ id: string }> {
  const lot = await openLot(w, lotId);
  await requireStep(w, lot.id, body.stepId);
  const at = happenedAt(w, body.at, fromSql(lot.begun_at));
  await insert(w.tx, 'step_mark', {
    id: body.id,
    lot_id: lot.id,
    step_id: body.stepId,
    kind: body.mark,
    at: toSql(at),
    account_id: w.account.id,
  });
  await journal(w, 'step', body.stepId, body.mark, { at }, lot.id);
  return { id: body.id };
}

/** Closed bottles take nothing more; what is to be worked over again is held first. */
function refuseClosed(lot: LotRow): void {
  if (['resting', 'bottled', 'released'].includes(lot.state))
    throw new Problem(
      409,
      `Lot ${lot.code} is in its bottles, so nothing goes in any more. Hold it first if it is to be worked over.`,
    );
}

/** The stock lots that an addition comes from; so much leaves them as was weighed, before trimming where that was. */
const stockFor = (w: Writing, body: z.output<typeof NewAddition>, at: string): Promise<Drawn[]> =>
  chooseStock(
    w,
    {
      thing: body.ingredientId,
      amount: body.grams === 0 ? 0 : (body.beforeTrimming ?? body.grams),
      chosen: body.stock,
      why: body.why,
    },
    at,
  );

/** Records what went in, or that it was left out and why. */
export async function addToLot(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewAddition>,
): Promise<{ id: string }> {
  const lot = await openLot(w, lotId);
  refuseClosed(lot);
  await requireStep(w, lot.id, body.stepId);
  const entry = (await catalogueNow(w.tx, w.kitchen.id)).find(body.ingredientId);
  if (!entry) throw invalid('ingredientId', 'Choose an ingredient of the catalogue.');
  const lines = (JSON.parse(lot.content) as { lines: { id: string }[] }).lines;
  if (body.lineId !== null && !lines.some((line) => line.id === body.lineId))
    throw invalid('lineId', 'That line is not one of this formula.');
  if (body.grams === 0 && !body.why) throw invalid('why', 'Left out: say why, in a word or two.');
  if (body.beforeTrimming !== null && body.beforeTrimming < body.grams)
    throw invalid('beforeTrimming', 'Before trimming it weighed at least as much. Weigh again.');
  const at = happenedAt(w, body.at, fromSql(lot.begun_at));
  const drawn = entry.family === 'water' ? [] : await stockFor(w, body, at);
  const asItIs = drawn.reduce((own, { stock }) => asDrawn(own, stock), entry);
  await insert(w.tx, 'addition', {
    id: body.id,
    lot_id: lot.id,
    step_id: body.stepId,
    line_id: body.lineId,
    ingredient_id: body.ingredientId,
    entry: asItIs.own || asItIs !== entry ? JSON.stringify(asItIs) : null,
    grams: body.grams,
    before_grams: body.beforeTrimming,
    why: body.why,
    taken_from: body.from,
    at: toSql(at),
    account_id: w.account.id,
  });
  const cause = { kind: 'used', lotId: lot.id, entryId: body.id, at } as const;
  for (const { stock, amount } of drawn) await take(w, { stockId: stock.id, amount }, cause);
  const { id: _, ...said } = body;
  const stock = drawn.map((d) => ({ code: d.stock.code, amount: d.amount }));
  await journal(
    w,
    'addition',
    body.id,
    body.grams === 0 ? 'leave out' : 'add',
    { ...said, stock, at },
    lot.id,
  );
  return { id: body.id };
}

/** Says which vessel the lot is in from now on. */
export async function placeLot(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewPlacing>,
): Promise<{ id: string }> {
  const lot = await openLot(w, lotId);
  await requireStep(w, lot.id, body.stepId);
  const [vessel] = await rows<{ name: string }>(
    w.tx,
    'SELECT name FROM vessel WHERE id = ? AND kitchen_id = ?',
    [body.vesselId, w.kitchen.id],
  );
  if (!vessel) throw invalid('vesselId', 'Choose a pan of this kitchen.');
  const at = happenedAt(w, body.at, fromSql(lot.begun_at));
  await insert(w.tx, 'placing', {
    id: body.id,
    lot_id: lot.id,
    step_id: body.stepId,
    vessel_id: body.vesselId,
    at: toSql(at),
    account_id: w.account.id,
  });
  await journal(
    w,
    'placing',
    body.id,
    'place',
    { stepId: body.stepId, vesselId: body.vesselId, vessel: vessel.name, at },
    lot.id,
  );
  return { id: body.id };
}

async function instrumentFor(w: Writing, id: string | null, kind: string): Promise<{ compensated: boolean }> {
  if (id === null) return { compensated: false };
  const [instrument] = await rows<{ kind: string; compensated: number }>(
    w.tx,
    'SELECT kind, compensated FROM instrument WHERE id = ? AND kitchen_id = ?',
    [id, w.kitchen.id],
  );
  if (!instrument) throw invalid('instrumentId', 'That instrument is not one of this kitchen.');
  const measures: Record<string, string> = {
    refractometer: 'brix',
    'ph-meter': 'ph',
    thermometer: 'temperature',
    scale: 'mass',
  };
  if (measures[instrument.kind] !== kind)
    throw invalid('instrumentId', 'That instrument does not measure this.');
  return { compensated: instrument.compensated === 1 };
}

function targetBrixOf(content: string): number | null {
  const steps = (JSON.parse(content) as { steps: { toBrix?: number }[] }).steps;
  return steps.filter((s) => s.toBrix !== undefined).at(-1)?.toBrix ?? null;
}

/** Acidity in g/L as citric of a titration as it was said: worked out here, whatever the device made of it. */
function titrated(said: string): number | null {
  const jot = parseJot(said);
  return jot.kind === 'ta' ? jot.raw : null;
}

/** Keeps a reading as read and as corrected; what cannot be is refused, what is unlikely asks for a word why. */
export async function measureLot(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewReading>,
): Promise<{ id: string }> {
  const lot = await openLot(w, lotId);
  await requireStep(w, lot.id, body.stepId);
  const { compensated } = await instrumentFor(w, body.instrumentId, body.kind);
  const raw = body.kind === 'ta' ? titrated(body.said) : body.raw;
  const judged = judgeReading(body.kind, raw, {
    sample: body.sample,
    targetBrix: targetBrixOf(lot.content),
    celsius: compensated ? null : body.celsius,
  });
  if (judged.verdict === 'impossible') throw invalid('raw', judged.sentence!);
  if (judged.verdict === 'doubtful' && !body.because)
    throw invalid('because', judged.sentence!, 'urn:inch:doubtful-reading');
  if (body.kind === 'note' && body.said === '') throw invalid('said', 'Write the note.');
  const at = happenedAt(w, body.at, fromSql(lot.begun_at));
  const value =
    body.kind === 'brix' && body.celsius !== null
      ? correctRefractometer({ reading: raw!, celsius: body.celsius, compensated }).brix
      : raw;
  await insert(w.tx, 'reading', {
    id: body.id,
    lot_id: lot.id,
    step_id: body.stepId,
    kind: body.kind,
    sample: body.sample,
    taken: body.taken,
    said: body.said,
    raw,
    celsius: body.celsius,
    value,
    instrument_id: body.instrumentId,
    note: body.because,
    at: toSql(at),
    account_id: w.account.id,
  });
  const { id: _, ...said } = body;
  await journal(w, 'reading', body.id, 'measure', { ...said, value, at }, lot.id);
  if (body.kind === 'ph' && body.sample === 'finished' && lot.state !== 'making')
    await holdWhereAsked(w, lot.id, at);
  return { id: body.id };
}
