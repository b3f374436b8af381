import { FacedContainer, LabelCheck, LabelContent, LabelDesign, Nutrition } from '@inch/core/label';
import { RulePackId } from '@inch/core/lot';
import { z } from 'zod';
import { route } from '../route/route.ts';

const byId = z.object({ id: z.string().max(40) });

/** The kind of bottle that a label is for. */
const LabelledContainer = FacedContainer.required().extend({
  name: z.string(),
  closure: z.string(),
  depthMm: z.number().nullable(),
  wallMm: z.number().nullable(),
});

export const LabelView = z.object({
  content: LabelContent,
  /** In the kitchen's second language; null without one. */
  second: LabelContent.nullable(),
  checks: z.array(LabelCheck),
  differences: z.array(z.string()),
  /** Calculated; null before anything is in. */
  nutrition: Nutrition.nullable(),
  /** Whether its figures are printed on the label. */
  nutritionPrinted: z.boolean(),
  netHeightMm: z.number(),
  /** Least height of small letters, mm. */
  leastXMm: z.number(),
  allCm2: z.number(),
  principalCm2: z.number(),
  rulePack: RulePackId,
  /** The newest filling's kind of bottle; null before anything is filled. */
  container: LabelledContainer.nullable(),
  design: LabelDesign,
  /** Of the design as it is saved; 0 before it is. */
  revision: z.number().int(),
  /** Blank labels in stock. */
  blanks: z.number().int(),
  printable: z.boolean(),
  refusal: z.string().nullable(),
});
export type LabelView = z.infer<typeof LabelView>;

const Flag = z.enum(['true', 'false']).default('false');
const Drawn = {
  /** Number of the bottle that the first is for. */
  firstBottle: z.coerce.number().int().min(1).max(10_000).optional(),
  /** Whether what differs from the formula was looked at, where no print said so yet. */
  differencesSeen: Flag,
};
const FaceId = z.enum(['front', 'back']);

export const labelRoutes = {
  read: route({
    method: 'GET',
    path: '/api/lots/:id/label',
    access: 'reader',
    summary: 'The label of the lot as made, with its check and its design',
    params: byId,
    response: LabelView,
  }),
  pdf: route({
    method: 'GET',
    path: '/api/lots/:id/label.pdf',
    access: 'reader',
    summary: 'The label at true size: one a page, or on a sheet from a place on',
    params: byId,
    query: z.object({
      copies: z.coerce.number().int().min(1).max(500).default(1),
      /** A sheet by its id; one label a page without it. */
      sheet: z.string().max(40).optional(),
      first: z.coerce.number().int().min(1).max(500).default(1),
      /** The front, the back, or both in turn where the look has two. */
      face: z.enum(['front', 'back', 'both']).default('both'),
      cutMarks: Flag,
      ...Drawn,
    }),
    response: z.unknown(),
    media: 'application/pdf',
  }),
  svg: route({
    method: 'GET',
    path: '/api/lots/:id/label.svg',
    access: 'reader',
    summary: 'One label as SVG, letters as outlines',
    params: byId,
    query: z.object({ face: FaceId.default('front'), ...Drawn }),
    response: z.unknown(),
    media: 'image/svg+xml',
  }),
  png: route({
    method: 'GET',
    path: '/api/lots/:id/label.png',
    access: 'reader',
    summary: 'One label, or a whole sheet of it, as PNG',
    params: byId,
    query: z.object({
      face: FaceId.default('front'),
      dpi: z.coerce.number().int().min(50).max(600).default(300),
      sheet: z.string().max(40).optional(),
      first: z.coerce.number().int().min(1).max(500).default(1),
      copies: z.coerce.number().int().min(1).max(500).default(1),
      ...Drawn,
    }),
    response: z.unknown(),
    media: 'image/png',
  }),
  design: route({
    method: 'PATCH',
    path: '/api/formulas/:id/label-design',
    access: 'maker',
    summary: 'Draw the label of a product; a stale revision is refused with 409',
    params: byId,
    body: z.strictObject({ design: LabelDesign, revision: z.int().min(0) }),
    response: z.object({ revision: z.number().int() }),
  }),
};
