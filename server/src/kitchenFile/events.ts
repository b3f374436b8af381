import { type FileEvent, OWN_TABLES, type ToldNoun } from '@inch/contract/kitchen/kitchenFile';
import { bodyOf, type EntrySaid } from '@inch/contract/route/entry';
import { dayOf } from '@inch/core/calendar';
import {
  type EntryKind,
  entries,
  mayBeNull,
  type Noun,
  type PostedNoun,
  referenceOf,
  type StrikeableNoun,
} from '@inch/core/record';
import { v7 as newId } from 'uuid';
import { recordTemperature } from '../ageing/temperatures.ts';
import { rows } from '../database/pool.ts';
import { calibrate, checkInstrument } from '../instrument/routes.ts';
import { takeIn } from '../inventory/keep.ts';
import type { Writing } from '../journal/writing.ts';
import { invalid } from '../problem/problem.ts';
import { strike } from '../record/deciding.ts';
import { record } from '../record/record.ts';

type Ids = Map<string, string>;

/** What an event of a kitchen file is played into. */
export interface Stage {
  w: Writing;
  at: string;
  lotId: string;
  /** Ids of rows by the file's keys, by table: the kitchen's things, the lot's steps and its entries so far. */
  ids: Record<string, Ids>;
  /** A time of the file, "2026-11-03 09:10", moved as the lot's are. */
  when: (wall: string) => string;
  /** A day of the file, moved as its times are. */
  moved: (day: string) => string;
}

const CALLED: Record<string, string> = { lot_step: 'step', vessel: 'vessel' };

function found(ids: Ids | undefined, key: string, table: string): string {
  const id = ids?.get(key);
  const what = CALLED[table] ?? table.replace(/_/g, ' ');
  if (!id) throw invalid('file', `The file names the ${what} "${key}" and has none of that name.`);
  return id;
}

/** The last entry of a kind that stands: what an event is of that names none. */
async function lastOf({ w, lotId }: Stage, noun: Noun): Promise<string> {
  const { table, strikeable }: EntryKind = entries[noun];
  const open = noun === 'deviation' ? 'AND id NOT IN (SELECT deviation_id FROM deviation_closing)' : '';
  const [last] = await rows<{ id: string }>(
    w.tx,
    `SELECT id FROM ${table} WHERE lot_id = ? ${strikeable ? 'AND struck_at IS NULL' : ''} ${open} ORDER BY at DESC, id DESC LIMIT 1`,
    [lotId],
  );
  if (!last) throw invalid('file', `It is of a ${noun.replace(/-/g, ' ')}, and the lot has none yet.`);
  return last.id;
}

async function withIds(stage: Stage, kind: EntryKind, event: Record<string, unknown>) {
  const said: Record<string, unknown> = {};
  for (const [name, f] of Object.entries({ ...kind.said, ...kind.asked })) {
    const value = event[name];
    const table = referenceOf(f)?.table;
    if (!table) said[name] = value;
    else if (typeof value === 'string') said[name] = found(stage.ids[table], value, table);
    else said[name] = table in OWN_TABLES && !mayBeNull(f) ? await lastOf(stage, OWN_TABLES[table]!) : null;
  }
  // A process of the kitchen's own goes by the file's key, one that ships by its own id.
  if (typeof said.processId === 'string')
    said.processId = stage.ids.process?.get(said.processId) ?? said.processId;
  return said;
}

async function checkInto(
  stage: Stage,
  noun: 'calibration' | 'check' | 'place-temperature',
  event: Record<string, unknown>,
) {
  const { w, at } = stage;
  const instrumentId = found(stage.ids.instrument, String(event.instrument), 'instrument');
  const said = { id: newId(), at, ...(await withIds(stage, entries[noun], event)) };
  if (noun === 'place-temperature') {
    const body = bodyOf('place-temperature').parse(said) as EntrySaid<'place-temperature'>;
    const samples = body.samples.map((s) => ({ ...s, at: stage.when(s.at) }));
    await recordTemperature(w, instrumentId, { ...body, samples });
  } else if (noun === 'check')
    await checkInstrument(w, instrumentId, bodyOf('check').parse(said) as EntrySaid<'check'>);
  else await calibrate(w, instrumentId, bodyOf('calibration').parse(said) as EntrySaid<'calibration'>);
}

async function takeInto({ w, at, lotId, moved }: Stage, event: Extract<FileEvent, { do: 'by-product' }>) {
  await takeIn(w, {
    id: newId(),
    kind: 'ingredient',
    thing: event.ingredientId,
    quantity: event.grams,
    said: '',
    words: event.words,
    supplier: '',
    costMinor: null,
    gotOn: dayOf(at, w.kitchen.timeZone),
    bestBy: event.bestBy && moved(event.bestBy),
    measured: null,
    leftBy: lotId,
  });
}

const isByProduct = (event: FileEvent): event is Extract<FileEvent, { do: 'by-product' }> =>
  event.do === 'by-product';

/** Plays one event through the very code that the API calls. */
export async function play(stage: Stage, event: FileEvent): Promise<void> {
  if (isByProduct(event)) return takeInto(stage, event);
  const noun: ToldNoun = event.do;
  if (noun === 'calibration' || noun === 'check' || noun === 'place-temperature')
    return checkInto(stage, noun, event);
  const { lotId, at } = stage;
  const id = newId();
  const kind: EntryKind = entries[noun];
  // What only an owner decides is decided by the owner who brings the file in, whoever made the lot.
  const w = kind.who === 'owner' ? { ...stage.w, account: stage.w.entered.by } : stage.w;
  await record(w, noun as PostedNoun, lotId, { id, at, ...(await withIds(stage, kind, event)) });
  if (event.key) {
    stage.ids[kind.table] ??= new Map();
    stage.ids[kind.table]!.set(event.key, id);
  }
  if (event.struck) await strike(w, lotId, { noun: noun as StrikeableNoun, entryId: id, why: event.struck });
}
