import { type NewPlaceSaid, placeRoutes } from '@inch/contract/kitchen/place';
import { kindByName, placeKey, placeNames } from '@inch/core/place';
import type { z } from 'zod';
import { insert, toSql } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { invalid } from '../problem/problem.ts';
import { placesSaid } from './store.ts';

/** Says what a place is, or another name of it. Two names that say different things are two places. */
async function say(w: Writing, { id, ...said }: z.output<typeof NewPlaceSaid>): Promise<{ id: string }> {
  if (said.alsoCalled !== null) {
    const of = placeNames(await placesSaid(w.tx, w.kitchen.id));
    if (placeKey(said.name) === placeKey(said.alsoCalled) || of(said.name) === of(said.alsoCalled))
      throw invalid('alsoCalled', 'That is the same name already. Write another one.');
  }
  if (said.kind !== null && said.kind !== 'warm' && kindByName(said.name) === 'warm')
    throw invalid(
      'kind',
      `“${said.name}” is not cooled by its name. Read a thermometer there, or give what is cooled in it a name of its own.`,
    );
  await insert(w.tx, 'place', {
    id,
    kitchen_id: w.kitchen.id,
    name: said.name,
    kind: said.kind,
    also_called: said.alsoCalled,
    at: toSql(w.now),
    account_id: w.account.id,
  });
  await journal(w, 'place', id, 'say', said);
  return { id };
}

export function placeRouter(app: AppContext): void {
  serve(app, placeRoutes.list, ({ pool, kitchen }) => placesSaid(pool, kitchen.id));
  serve(app, placeRoutes.say, (call) => call.write((w) => say(w, call.body)));
}
