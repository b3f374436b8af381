import { z } from 'zod';
import { Kitchen } from './kitchen.ts';
import { route } from './route.ts';
import { Id, Name, Words } from './values.ts';

export const Role = z.enum(['owner', 'maker', 'reader']);
export type Role = z.infer<typeof Role>;

const Password = z
  .string()
  .min(10, 'A password has at least 10 characters.')
  .max(200, 'At most 200 characters.');

export const Account = z.object({ id: z.string(), name: z.string(), role: Role });
export type Account = z.infer<typeof Account>;

export const Session = z.object({ account: Account, kitchen: Kitchen });
export type Session = z.infer<typeof Session>;

export const Setup = z.object({
  kitchenName: Name,
  place: Words.default(''),
  elevationMetres: z.number().min(-400, 'Not under −400 m.').max(5000, 'At most 5,000 m.').default(0),
  timeZone: z.string().default('UTC'),
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
    response: z.object({ needed: z.boolean() }),
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
  list: route({
    method: 'GET',
    path: '/api/accounts',
    access: 'owner',
    summary: 'Accounts of the kitchen',
    response: z.array(Account),
  }),
  add: route({
    method: 'POST',
    path: '/api/accounts',
    access: 'owner',
    summary: 'Add an account',
    body: NewAccount,
    response: Account,
  }),
};
