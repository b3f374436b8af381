import type {
  NewBottling,
  NewDecision,
  NewHeatProcess,
  NewRuling,
  NewSealCheck,
  NewStrike,
} from '@inch/contract/lotEntry';
import { heatProcesses, processMismatches, processTime } from '@inch/core/heat';
import { catalogueOf, gates, linesNotRecorded, lotBottles, standing } from '@inch/core/lot';
import { v7 as newId } from 'uuid';
import type { z } from 'zod';
import { containersOf } from '../container/routes.ts';
import { insert, rows, run, toSql } from '../database/pool.ts';
import { invalid, notFound, Problem } from '../http/problem.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { takePackaging } from '../stock/draw.ts';
import { decideLot, holdWhereAsked, lockedLot, refuseEnded } from './change.ts';
import { readLot, type StoredLot } from './store.ts';
import { judgeLot } from './view.ts';

/** Counts bottles into a place; the lot then rests until its seals are checked, or is held where its record asks for it. */
export async function bottleLot(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewBottling>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  const at = happenedAt(w, body.at, lot.begunAt);
  const untold = lot.state === 'making' ? linesNotRecorded(lot) : [];
  if (untold.length > 0)
    throw new Problem(
      409,
      `Is everything in? Not told yet: ${untold.join(', ')}. Weigh it in, or leave it out with a word why; then fill.`,
    );
  const container = (await containersOf(w.tx, w.kitchen.id)).find((c) => c.id === body.containerId);
  if (!container) throw invalid('containerId', 'Choose a kind of bottle or jar of this kitchen.');
  await insert(w.tx, 'bottling', {
    id: body.id,
    lot_id: lot.id,
    container_id: body.containerId,
    count: body.count,
    fill_celsius: body.fillCelsius,
    closing: body.closing,
    hours_to_cold: body.hoursToCold,
    at: toSql(at),
    account_id: w.account.id,
  });
  await insert(w.tx, 'movement', {
    id: newId(),
    lot_id: lot.id,
    bottling_id: body.id,
    kind: 'stored',
    from_place: null,
    to_place: body.place,
    count: body.count,
    price_minor: null,
    note: null,
    at: toSql(at),
    account_id: w.account.id,
  });
  await takePackaging(w, container, body.count, { kind: 'filled', lotId: lot.id, entryId: body.id, at });
  const { id: _, ...said } = body;
  await journal(w, 'bottling', body.id, 'fill', { ...said, at }, lot.id);
  await decideLot(w, lot, 'fill', { at });
  await holdWhereAsked(w, lot.id, at);
  return { id: body.id };
}

/** Fruits and other flavourings of a lot, for matching a process against. */
const flavoursOf = (lot: StoredLot): string[] =>
  [
    ...new Set(
      standing(lot.additions)
        .filter((a) => a.grams > 0)
        .map((a) => a.ingredientId),
    ),
  ].filter(
    (id) =>
      !['sugar', 'water', 'acid'].includes(catalogueOf(lot).get(id).family) && !id.endsWith('lemon-juice'),
  );

function shippedProcess(w: Writing, lot: StoredLot, id: string) {
  const process = heatProcesses.find((p) => p.id === id);
  if (!process)
    throw invalid('processId', 'There is no such process. Choose one, or give your own with its source.');
  const bottle = standing(lot.bottlings).at(-1);
  if (!bottle) throw invalid('processId', 'Count the bottles first: the process depends on them.');
  const mismatches = processMismatches(process, {
    kind: lot.product.kind,
    fruits: flavoursOf(lot),
    closure: bottle.closure,
    nominalMl: bottle.nominalMl,
  });
  return {
    name: process.name,
    source: process.source,
    requiredMinutes: processTime(process, w.kitchen.elevationMetres),
    mismatches,
  };
}

/** Records a heat process: one that ships, matched line by line, or the kitchen's own with its source. */
export async function processLot(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewHeatProcess>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const at = happenedAt(w, body.at, lot.begunAt);
  if (!body.processId && (body.source === '' || body.requiredMinutes === null))
    throw invalid(
      'source',
      'Your own process needs its source (an authority’s letter, a tested book with its edition) and its minutes.',
    );
  const process = body.processId
    ? shippedProcess(w, lot, body.processId)
    : {
        name: body.name || 'Own process',
        source: body.source,
        requiredMinutes: body.requiredMinutes!,
        mismatches: [],
      };
  await insert(w.tx, 'heat_process', {
    id: body.id,
    lot_id: lot.id,
    process_id: body.processId,
    name: process.name,
    source: process.source,
    required_minutes: process.requiredMinutes,
    minutes: body.minutes,
    mismatches: JSON.stringify(process.mismatches),
    at: toSql(at),
    account_id: w.account.id,
  });
  await journal(
    w,
    'heat-process',
    body.id,
    'process',
    {
      processId: body.processId,
      minutes: body.minutes,
      ...process,
      elevationMetres: w.kitchen.elevationMetres,
      at,
    },
    lot.id,
  );
  return { id: body.id };
}

/** Takes bottles whose seal failed out of the groups they stand in, first group first. */
async function takeFailed(w: Writing, lot: StoredLot, failed: number, at: string): Promise<void> {
  let left = failed;
  for (const group of lotBottles(lot).groups) {
    const count = Math.min(left, group.count);
    if (count <= 0) break;
    await insert(w.tx, 'movement', {
      id: newId(),
      lot_id: lot.id,
      bottling_id: group.bottlingId,
      kind: 'failed seal',
      from_place: group.place,
      to_place: null,
      count,
      price_minor: null,
      note: null,
      at: toSql(at),
      account_id: w.account.id,
    });
    left -= count;
  }
}

/** Records a seal check; failed bottles leave the shelf, and the lot is bottled once every lid was pressed in its time. */
export async function checkSeals(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewSealCheck>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  if (lot.sealChecks.some((check) => check.id === body.id)) return { id: body.id };
  refuseEnded(lot);
  const { left } = lotBottles(lot);
  if (left === 0) throw invalid('checked', 'There are no bottles to check.');
  if (body.failed > body.checked) throw invalid('failed', 'More failed than were pressed.');
  if (body.checked > left) throw invalid('checked', `There are only ${left} bottles.`);
  const at = happenedAt(w, body.at, lot.begunAt);
  await insert(w.tx, 'seal_check', {
    id: body.id,
    lot_id: lot.id,
    checked: body.checked,
    failed: body.failed,
    at: toSql(at),
    account_id: w.account.id,
  });
  await takeFailed(w, lot, body.failed, at);
  await journal(
    w,
    'seal-check',
    body.id,
    'check seals',
    { checked: body.checked, failed: body.failed, at },
    lot.id,
  );
  const after = await lockedLot(w, lot.id);
  const seal = gates(after, { ...w.kitchen, labelMissing: [] }).find((g) => g.id === 'seal')!;
  if (seal.open && after.state === 'resting') await decideLot(w, after, 'check-seals', { at });
  return { id: body.id };
}

/** Release, hold, take up again, discard, recall or close; a refused release says what is missing. */
export async function decide(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewDecision> | z.output<typeof NewRuling>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  if (lot.decisions.some((d) => d.id === body.id)) return { id: body.id };
  if (body.event === 'hold' && !body.why) throw invalid('why', 'Say why it is held.');
  const at = happenedAt(w, body.at, lot.begunAt);
  const shut = judgeLot(lot, w.kitchen).gates.filter((g) => !g.open);
  if (body.event === 'release' && shut.length > 0 && lot.state !== 'held')
    throw new Problem(
      409,
      `${shut.length === 1 ? 'A gate is' : `${shut.length} gates are`} still shut: ${shut.map((g) => g.missing).join(' ')}`,
      {
        errors: shut.map((g) => ({ path: `gates.${g.id}`, message: g.missing! })),
      },
    );
  await decideLot(w, lot, body.event, { id: body.id, why: body.why ?? null, at });
  return { id: body.id };
}

const TABLES = {
  addition: 'addition',
  reading: 'reading',
  bottling: 'bottling',
  'heat-process': 'heat_process',
  'seal-check': 'seal_check',
  photograph: 'photograph',
} as const;

/** Strikes an entry: it stays as it was, with who, when and why. */
export async function strike(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewStrike>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const table = TABLES[body.noun];
  const [found] = await rows<{ struck_at: string | null }>(
    w.tx,
    `SELECT struck_at FROM ${table} WHERE id = ? AND lot_id = ? FOR UPDATE`,
    [body.entryId, lot.id],
  );
  if (!found) throw notFound(body.noun.replace('-', ' '));
  if (found.struck_at) return { id: body.entryId };
  if (
    body.noun === 'bottling' &&
    lot.movements.some((m) => m.bottlingId === body.entryId && m.kind !== 'stored')
  )
    throw new Problem(
      409,
      'Bottles of this filling were already moved or sold. Bring them back in the count before striking it.',
    );
  if (lot.state === 'released')
    await decideLot(w, lot, 'hold', {
      why: `A ${body.noun.replace('-', ' ')} was struck after release: ${body.why}`,
    });
  await run(w.tx, `UPDATE ${table} SET struck_at = ?, struck_by = ?, struck_why = ? WHERE id = ?`, [
    toSql(w.now),
    w.account.id,
    body.why,
    body.entryId,
  ]);
  await journal(w, body.noun, body.entryId, 'strike', { why: body.why }, lot.id);
  return { id: body.entryId };
}

/** The lot as everyone may read it. */
export async function requireLot(
  db: Parameters<typeof readLot>[0],
  kitchen: Parameters<typeof readLot>[1],
  idOrCode: string,
): Promise<StoredLot> {
  const lot = await readLot(db, kitchen, idOrCode);
  if (!lot) throw notFound('lot');
  return lot;
}
