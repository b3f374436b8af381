import type { NewLot } from '@inch/contract/making/lot';
import { type FormulaContent, kills } from '@inch/core/formula';
import { lotCode } from '@inch/core/lot';
import { v7 as newId } from 'uuid';
import type { z } from 'zod';
import { insert, rows, toSql } from '../database/pool.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { takeLotNumber } from '../kitchen/store.ts';
import { invalid, notFound, Problem } from '../problem/problem.ts';

/** Begins a lot of a formula's newest version: its own code, and the version's steps copied so that they can be marked. */
export async function beginLot(
  w: Writing,
  body: z.output<typeof NewLot>,
): Promise<{ id: string; code: string }> {
  const [version] = await rows<{ id: string; content: string; archived_at: string | null }>(
    w.tx,
    'SELECT v.id, v.content, f.archived_at FROM formula f JOIN formula_version v ON v.formula_id = f.id AND v.number = f.current_version WHERE f.id = ? AND f.kitchen_id = ?',
    [body.formulaId, w.kitchen.id],
  );
  if (!version) throw notFound('formula');
  if (version.archived_at !== null)
    throw new Problem(409, 'That formula is archived. Restore it before a lot of it is begun.');
  const content = JSON.parse(version.content) as FormulaContent;
  if (content.steps.length === 0)
    throw invalid('formulaId', 'The formula has no steps yet. Write its method first.');
  if (content.lines.length === 0)
    throw invalid('formulaId', 'The formula has no lines yet. Write what goes in first.');
  const begunAt = happenedAt(w, body.at);
  const code = lotCode(await takeLotNumber(w.tx, w.kitchen.id));
  await insert(w.tx, 'lot', {
    id: body.id,
    kitchen_id: w.kitchen.id,
    code,
    version_id: version.id,
    scale: body.scale,
    cup_school: w.kitchen.cupSchool,
    critical_ph: w.kitchen.criticalPh,
    elevation_metres: w.kitchen.elevationMetres,
    storage: content.storage,
    time_zone: w.kitchen.timeZone,
    rule_pack: w.kitchen.rulePack,
    brought_in_at: w.entered.fromFile ? toSql(w.entered.at) : null,
    begun_at: toSql(begunAt),
    written_at: w.entered.fromFile ? null : toSql(w.entered.at),
    begun_by: w.account.id,
    state: 'making',
    held_from: null,
  });
  for (const [i, step] of content.steps.entries())
    await insert(w.tx, 'lot_step', {
      id: newId(),
      lot_id: body.id,
      position: i + 1,
      formula_step_id: step.id,
      kind: step.kind,
      title: step.title,
      minutes: step.minutes ?? null,
      kill_step: kills(step),
    });
  await journal(
    w,
    'lot',
    body.id,
    'begin',
    { code, formulaId: body.formulaId, versionId: version.id, scale: body.scale, begunAt },
    body.id,
  );
  return { id: body.id, code };
}
