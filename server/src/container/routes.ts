import { type Container, containerRoutes, type NewContainer } from '@inch/contract/container';
import type { z } from 'zod';
import { type Database, insert, rows, toSql } from '../database/pool.ts';
import { isReplay } from '../database/transaction.ts';
import { type House, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';

const COLUMNS =
  'id, name, nominal_ml AS nominalMl, height_mm AS heightMm, diameter_mm AS diameterMm, closure';

export const containersOf = (db: Database, kitchenId: string): Promise<Container[]> =>
  rows<Container>(db, `SELECT ${COLUMNS} FROM container WHERE kitchen_id = ? ORDER BY nominal_ml, name`, [
    kitchenId,
  ]);

export async function addContainer(w: Writing, c: z.output<typeof NewContainer>): Promise<{ id: string }> {
  await insert(w.tx, 'container', {
    id: c.id,
    kitchen_id: w.kitchen.id,
    name: c.name,
    nominal_ml: c.nominalMl,
    height_mm: c.heightMm,
    diameter_mm: c.diameterMm,
    closure: c.closure,
    created_at: toSql(w.now),
  });
  await journal(w, 'container', c.id, 'add', c);
  return { id: c.id };
}

export function containerRoom(house: House): void {
  serve(house, containerRoutes.list, ({ pool, kitchen }) => containersOf(pool, kitchen.id));
  serve(house, containerRoutes.add, (call) =>
    call
      .write((w) => addContainer(w, call.body))
      .catch((error) => {
        if (isReplay(error)) return { id: call.body.id };
        throw error;
      }),
  );
}
