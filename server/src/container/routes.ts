import {
  Container,
  type ContainerMeasures,
  containerRoutes,
  type NewContainer,
} from '@inch/contract/making/container';
import { tooSmall } from '@inch/core/bottling';
import { z } from 'zod';
import { type Database, insert, toSql, update } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { retire } from '../journal/retire.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { invalid, notFound } from '../problem/problem.ts';

const KEPT = { ...Container.shape, rated: z.string() };

export async function containersOf(db: Database, kitchenId: string): Promise<Container[]> {
  const found = await read(
    db,
    KEPT,
    `SELECT id, name, nominal_ml, height_mm, diameter_mm, closure, brimful_ml, tare_grams, headspace_inches, rated, shape, depth_mm, wall_mm,
     retired_at IS NOT NULL AS retired FROM container WHERE kitchen_id = ? ORDER BY retired_at IS NOT NULL, nominal_ml, name`,
    [kitchenId],
  );
  return found.map(({ rated, ...c }) => ({
    ...c,
    rated: (rated === '' ? [] : rated.split('|')) as Container['rated'],
  }));
}

type Measures = z.output<typeof ContainerMeasures>;
const measured = (c: Measures) => ({
  brimful_ml: c.brimfulMl,
  tare_grams: c.tareGrams,
  headspace_inches: c.headspaceInches,
  rated: c.rated.join('|'),
  shape: c.shape,
  depth_mm: c.depthMm,
  wall_mm: c.wallMm,
});

/** Enters what was measured of a kind of bottle; what was recorded with it stays as it was. */
async function measureContainer(w: Writing, id: string, c: Measures): Promise<{ id: string }> {
  const container = (await containersOf(w.tx, w.kitchen.id)).find((known) => known.id === id);
  if (!container) throw notFound('kind of bottle');
  if (c.brimfulMl !== null && c.brimfulMl <= container.nominalMl)
    throw invalid('brimfulMl', 'Filled to the brim it holds more than what is sold in it.');
  const why = tooSmall({ ...container, shape: c.shape, depthMm: c.depthMm }, container.nominalMl);
  if (why) throw invalid(c.depthMm === null ? 'shape' : 'depthMm', why);
  await update(w.tx, 'container', id, measured(c));
  await journal(w, 'container', id, 'measure', c);
  return { id };
}

export async function addContainer(w: Writing, c: z.output<typeof NewContainer>): Promise<{ id: string }> {
  await insert(w.tx, 'container', {
    id: c.id,
    kitchen_id: w.kitchen.id,
    name: c.name,
    nominal_ml: c.nominalMl,
    height_mm: c.heightMm,
    diameter_mm: c.diameterMm,
    closure: c.closure,
    ...measured(c),
    created_at: toSql(w.now),
  });
  await journal(w, 'container', c.id, 'add', c);
  return { id: c.id };
}

export function containerRouter(app: AppContext): void {
  serve(app, containerRoutes.list, ({ pool, kitchen }) => containersOf(pool, kitchen.id));
  serve(app, containerRoutes.retire, (call) =>
    call.write((w) => retire(w, 'container', call.params.id, call.body.retired)),
  );
  serve(app, containerRoutes.add, (call) => call.write((w) => addContainer(w, call.body)));
  serve(app, containerRoutes.measure, (call) =>
    call.write((w) => measureContainer(w, call.params.id, call.body)),
  );
}
