import { FormulaContent, FormulaKind, MeasuredLot } from '@inch/core/formula';
import { LotPairs } from '@inch/core/lot';
import { Colour, Id, Name, Words } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';

export const FormulaHead = z.object({
  id: z.string(),
  name: z.string(),
  kind: FormulaKind,
  colour: z.string(),
  version: z.number().int(),
  versionId: z.string(),
  savedAt: z.string(),
  savedBy: z.string(),
  content: FormulaContent,
  lots: z.number().int(),
  archived: z.boolean(),
});
export type FormulaHead = z.infer<typeof FormulaHead>;

export const FormulaVersion = z.object({
  id: z.string(),
  number: z.number().int(),
  savedAt: z.string(),
  savedBy: z.string(),
  note: z.string(),
  content: FormulaContent,
});
export const Formula = FormulaHead.extend({ versions: z.array(FormulaVersion) });
export type Formula = z.infer<typeof Formula>;

const saved = {
  versionId: Id,
  name: Name,
  kind: FormulaKind,
  colour: Colour,
  note: Words.default(''),
  content: FormulaContent,
};
export const NewFormula = z.object({ id: Id, ...saved });
export const NewVersion = z.object({ ...saved, after: z.number().int().min(1) });
const byId = z.object({ id: z.string().max(40) });

export const formulaRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/formulas',
    access: 'reader',
    summary:
      'Formulas in use, each with its newest version; with `archived` a page of the archived ones, where `before` is the last of the page before',
    query: z.object({
      archived: z.enum(['true', 'false']).default('false'),
      before: z.string().max(40).optional(),
      limit: z.coerce.number().int().min(1).max(200).default(50),
    }),
    response: z.array(FormulaHead),
  }),
  read: route({
    method: 'GET',
    path: '/api/formulas/:id',
    access: 'reader',
    summary: 'A formula with all its versions',
    params: byId,
    response: Formula,
  }),
  measured: route({
    method: 'GET',
    path: '/api/formulas/:id/measured',
    access: 'reader',
    summary: 'The last lots of a formula whose finished product was measured, the newest first',
    params: byId,
    response: z.array(MeasuredLot),
  }),
  pairs: route({
    method: 'GET',
    path: '/api/formulas/:id/pairs',
    access: 'reader',
    summary: 'The last lots of a formula, as forecast and as measured, the newest first',
    params: byId,
    response: z.array(LotPairs),
  }),
  inquiry: route({
    method: 'GET',
    path: '/api/formulas/:id/inquiry.pdf',
    access: 'reader',
    summary: 'What to send to a process authority about a formula that no listed process covers, on one page',
    params: byId,
    response: z.unknown(),
    media: 'application/pdf',
  }),
  create: route({
    method: 'POST',
    path: '/api/formulas',
    access: 'maker',
    summary: 'Save a new formula as version 1',
    body: NewFormula,
    response: Written,
  }),
  save: route({
    method: 'POST',
    path: '/api/formulas/:id/versions',
    access: 'maker',
    summary: 'Save a new version; refused with 409 when another came first',
    params: byId,
    body: NewVersion,
    response: z.object({ id: z.string(), number: z.number().int() }),
  }),
  archive: route({
    method: 'POST',
    path: '/api/formulas/:id/archive',
    status: 200,
    access: 'maker',
    summary: 'Archive a formula, or restore it; its lots and versions stay',
    params: byId,
    body: z.object({ archived: z.boolean() }),
    response: z.object({ id: z.string(), archived: z.boolean() }),
  }),
};
