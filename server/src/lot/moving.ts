import type { NewMovement } from '@inch/contract/lotEntry';
import { lotBottles } from '@inch/core/lot';
import type { z } from 'zod';
import { insert, toSql } from '../database/pool.ts';
import { invalid, Problem } from '../http/problem.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { lockedLot } from './change.ts';

/** Moves, sells, gives, breaks or retains bottles of one filling; never more than stand there, never a sale before release. */
export async function moveBottles(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewMovement>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  if (lot.movements.some((m) => m.id === body.id)) return { id: body.id };
  const group = lotBottles(lot).groups.find((g) => g.bottlingId === body.bottlingId && g.place === body.from);
  if (!group) throw invalid('from', `No bottles of lot ${lot.code} stand in "${body.from}".`);
  if (body.count > group.count) throw invalid('count', `Only ${group.count} stand in ${body.from}.`);
  if ((body.kind === 'sold' || body.kind === 'given') && lot.state !== 'released')
    throw new Problem(
      409,
      `Lot ${lot.code} is ${lot.state}, not released. Nothing of it leaves the kitchen yet.`,
    );
  const stays = body.kind === 'moved' || body.kind === 'retained';
  if (stays && !body.to) throw invalid('to', 'Where do they go?');
  const at = happenedAt(w, body.at, lot.begunAt);
  await insert(w.tx, 'movement', {
    id: body.id,
    lot_id: lot.id,
    bottling_id: body.bottlingId,
    kind: body.kind,
    from_place: body.from,
    to_place: stays ? body.to : null,
    count: body.count,
    price_minor: body.priceMinor,
    note: body.note,
    at: toSql(at),
    account_id: w.account.id,
  });
  const { id: _, ...said } = body;
  await journal(w, 'movement', body.id, body.kind, { ...said, at }, lot.id);
  return { id: body.id };
}
