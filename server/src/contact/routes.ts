import {
  Contact,
  type ContactChange,
  type ContactQuery,
  contactRoutes,
  type NewContact,
} from '@inch/contract/kitchen/contact';
import type { z } from 'zod';
import { type Database, insert, rows, update } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { retire } from '../journal/retire.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { notFound } from '../problem/problem.ts';
import { OF_SPREADSHEET, withSpreadsheet } from '../spreadsheet/list.ts';

const { broughtIn: _, ...KEPT } = Contact.shape;

async function contactsOf(db: Database, kitchenId: string, { q, before, limit }: ContactQuery) {
  const words = `${(q ?? '').replace(/[\\%_]/g, '\\$&')}%`;
  const found = await read(
    db,
    { ...KEPT, ...OF_SPREADSHEET },
    `SELECT STRAIGHT_JOIN c.id, c.name, c.email, c.phone, c.address, c.note, c.retired_at IS NOT NULL AS retired, c.sheet_row, s.file_name, s.at AS brought_at
     FROM contact c FORCE INDEX (contact_name) LEFT JOIN spreadsheet s ON s.id = c.spreadsheet_id
     WHERE c.kitchen_id = ? AND s.withdrawn_at IS NULL ${q ? 'AND (c.name LIKE ? OR c.name LIKE ?)' : ''}
     ${before === undefined ? '' : 'AND (c.name, c.id) > (SELECT b.name, b.id FROM contact b WHERE b.id = ? AND b.kitchen_id = c.kitchen_id)'}
     ORDER BY c.name, c.id LIMIT ${limit}`,
    [kitchenId, ...(q ? [words, `% ${words}`] : []), ...(before === undefined ? [] : [before])],
  );
  return {
    contacts: found.map(withSpreadsheet),
    next: found.length === limit ? found.at(-1)!.id : null,
  };
}

async function addContact(w: Writing, { id, ...said }: z.output<typeof NewContact>): Promise<{ id: string }> {
  await insert(w.tx, 'contact', { id, kitchen_id: w.kitchen.id, ...said });
  await journal(w, 'contact', id, 'add', said);
  return { id };
}

async function changeContact(
  w: Writing,
  id: string,
  said: z.output<typeof ContactChange>,
): Promise<{ id: string }> {
  const [known] = await rows(
    w.tx,
    'SELECT c.id FROM contact c LEFT JOIN spreadsheet s ON s.id = c.spreadsheet_id WHERE c.id = ? AND c.kitchen_id = ? AND s.withdrawn_at IS NULL',
    [id, w.kitchen.id],
  );
  if (!known) throw notFound('contact');
  await update(w.tx, 'contact', id, said);
  await journal(w, 'contact', id, 'change', said);
  return { id };
}

export function contactRouter(app: AppContext): void {
  serve(app, contactRoutes.list, ({ pool, kitchen, query }) => contactsOf(pool, kitchen.id, query));
  serve(app, contactRoutes.add, (call) => call.write((w) => addContact(w, call.body)));
  serve(app, contactRoutes.change, (call) => call.write((w) => changeContact(w, call.params.id, call.body)));
  serve(app, contactRoutes.retire, (call) =>
    call.write((w) => retire(w, 'contact', call.params.id, call.body.retired)),
  );
}
