import { Id, Name, Words } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Kitchen, TimeZone } from './kitchen.ts';

export const Role = z.enum(['owner', 'maker', 'reader']);
export type Role = z.infer<typeof Role>;

const Password = z
  .string()
  .min(10, 'A password has at least 10 characters.')
  .max(200, 'At most 200 characters.');

export const Account = z.object({ id: z.string(), name: z.string(), role: Role });
export type Account = z.infer<typeof Account>;

/** An account as its kitchen's owner sees it. */
export const Person = Account.extend({ disabled: z.boolean() });
export type Person = z.infer<typeof Person>;

export const Session = z.object({ account: Account, kitchen: Kitchen });
export type Session = z.infer<typeof Session>;

export const Setup = z.object({
  kitchenName: Name,
  place: Words.default(''),
  elevationMetres: z.number().min(-400, 'Not under −400 m.').max(5000, 'At most 5,000 m.').default(0),
  timeZone: TimeZone.default('UTC'),
  name: Name,
  password: Password,
});

export const NewAccount = z.object({ id: Id, name: Name, role: Role, password: Password });

export const accountRoutes = {
  setupNeeded: route({
    method: 'GET',
    path: '/api/setup',
    access: 'anyone',
    summary: 'Whether the kitchen has no owner yet',
    response: z.object({
      needed: z.boolean(),
      /** Of a kitchen that came in from an export, while nobody in it has a password: who may take it over by setting one. */
      owners: z.array(z.string()).optional(),
    }),
  }),
  takeOver: route({
    method: 'POST',
    path: '/api/setup/owner',
    access: 'anyone',
    summary: 'Set the first password in a kitchen that came in from an export, as one of its owners',
    body: z.object({ name: Name, password: Password }),
    response: Session,
  }),
  setup: route({
    method: 'POST',
    path: '/api/setup',
    access: 'anyone',
    summary: 'Name the kitchen and its owner, once',
    body: Setup,
    response: Session,
  }),
  signIn: route({
    method: 'POST',
    path: '/api/session',
    access: 'anyone',
    summary: 'Sign in',
    body: z.object({
      name: z.string().min(1, 'Who are you?').max(120),
      password: z.string().min(1, 'Your password?').max(200),
    }),
    response: Session,
  }),
  session: route({
    method: 'GET',
    path: '/api/session',
    access: 'reader',
    summary: 'Who is signed in',
    response: Session,
  }),
  signOut: route({
    method: 'DELETE',
    path: '/api/session',
    access: 'reader',
    summary: 'Sign out',
    response: z.object({}),
  }),
  changePassword: route({
    method: 'POST',
    path: '/api/session/password',
    status: 200,
    access: 'reader',
    summary: 'Change one’s own password; every other session of the account ends',
    body: z.object({ current: z.string().min(1, 'Your password now?').max(200), password: Password }),
    response: z.object({}),
  }),
  endOthers: route({
    method: 'DELETE',
    path: '/api/session/others',
    access: 'reader',
    summary: 'End every other session of one’s own account',
    response: z.object({ ended: z.number().int() }),
  }),
  list: route({
    method: 'GET',
    path: '/api/accounts',
    access: 'owner',
    summary: 'Accounts of the kitchen',
    response: z.array(Person),
  }),
  add: route({
    method: 'POST',
    path: '/api/accounts',
    access: 'owner',
    summary: 'Add an account',
    body: NewAccount,
    response: Account,
  }),
  change: route({
    method: 'PATCH',
    path: '/api/accounts/:id',
    access: 'owner',
    summary: 'Change a role, or disable an account: it can no longer sign in; what it wrote stays',
    params: z.object({ id: z.string().max(40) }),
    body: z.object({ role: Role.optional(), disabled: z.boolean().optional() }),
    response: Person,
  }),
  resetPassword: route({
    method: 'POST',
    path: '/api/accounts/:id/password',
    status: 200,
    access: 'owner',
    summary: 'Give a maker or reader a new password; their sessions end',
    params: z.object({ id: z.string().max(40) }),
    body: z.object({ password: Password }),
    response: z.object({}),
  }),
};
