import { type Contact, type ContactChange, contactRoutes, type NewContact } from '@inch/contract/contact';
import type { z } from 'zod';
import { type Database, insert, rows, update } from '../database/pool.ts';
import { notFound } from '../http/problem.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { retire } from '../journal/retire.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { broughtIn, type OfSpreadsheet } from '../spreadsheet/list.ts';

interface ContactRow extends OfSpreadsheet {
  id: string;
  name: string;
  email: string | null;
  phone: string | null;
  address: string | null;
  note: string | null;
  retired_at: string | null;
}

async function contactsOf(db: Database, kitchenId: string): Promise<Contact[]> {
  const found = await rows<ContactRow>(
    db,
    `SELECT STRAIGHT_JOIN c.id, c.name, c.email, c.phone, c.address, c.note, c.retired_at, c.sheet_row, s.file_name, s.at AS brought_at
     FROM contact c LEFT JOIN spreadsheet s ON s.id = c.spreadsheet_id
     WHERE c.kitchen_id = ? AND s.withdrawn_at IS NULL ORDER BY c.retired_at IS NOT NULL, c.name, c.id`,
    [kitchenId],
  );
  return found.map(({ retired_at, file_name, sheet_row, brought_at, ...said }) => ({
    ...said,
    retired: retired_at !== null,
    broughtIn: broughtIn({ file_name, sheet_row, brought_at }),
  }));
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
  const known = (await contactsOf(w.tx, w.kitchen.id)).some((contact) => contact.id === id);
  if (!known) throw notFound('contact');
  await update(w.tx, 'contact', id, said);
  await journal(w, 'contact', id, 'change', said);
  return { id };
}

export function contactRouter(app: AppContext): void {
  serve(app, contactRoutes.list, ({ pool, kitchen }) => contactsOf(pool, kitchen.id));
  serve(app, contactRoutes.add, (call) => call.write((w) => addContact(w, call.body)));
  serve(app, contactRoutes.change, (call) => call.write((w) => changeContact(w, call.params.id, call.body)));
  serve(app, contactRoutes.retire, (call) =>
    call.write((w) => retire(w, 'contact', call.params.id, call.body.retired)),
  );
}
