import { Id, Name } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';
import { BroughtIn } from './spreadsheet.ts';

const text = (most: number) =>
  z.string().trim().min(1).max(most, `At most ${most} characters.`).nullable().default(null);

const fields = {
  name: Name,
  email: text(200),
  phone: text(60),
  address: text(300),
  note: text(500),
};

/** Somebody the kitchen buys from or sells to. */
export const Contact = z.object({
  id: z.string(),
  name: z.string(),
  email: z.string().nullable(),
  phone: z.string().nullable(),
  address: z.string().nullable(),
  note: z.string().nullable(),
  retired: z.boolean(),
  /** Null where it was entered here. */
  broughtIn: BroughtIn.nullable(),
});
export type Contact = z.infer<typeof Contact>;

export const NewContact = z.strictObject({ id: Id, ...fields });
export const ContactChange = z.strictObject(fields);

export const ContactQuery = z.object({
  /** The beginning of a word of the name. */
  q: z.string().trim().max(120).optional(),
  /** Id of the last one of the page before. */
  before: z.string().max(40).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(50),
});
export type ContactQuery = z.infer<typeof ContactQuery>;

const byId = z.object({ id: z.string().max(40) });

export const contactRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/contacts',
    access: 'reader',
    summary: 'People and businesses that the kitchen buys from or sells to, by name',
    query: ContactQuery,
    response: z.object({ contacts: z.array(Contact), next: z.string().nullable() }),
  }),
  add: route({
    method: 'POST',
    path: '/api/contacts',
    access: 'maker',
    summary: 'Add a contact',
    body: NewContact,
    response: Written,
  }),
  change: route({
    method: 'PATCH',
    path: '/api/contacts/:id',
    access: 'maker',
    summary: 'Correct a contact',
    params: byId,
    body: ContactChange,
    response: z.object({ id: z.string() }),
  }),
  retire: route({
    method: 'POST',
    status: 200,
    path: '/api/contacts/:id/retirement',
    access: 'maker',
    summary: 'Take a contact out of use, or back into it',
    params: byId,
    body: z.strictObject({ retired: z.boolean() }),
    response: z.object({ id: z.string() }),
  }),
};
