import { z } from 'zod';
/** What a piece of evidence rests on: an entry of the lot's record, an instrument, or a stock lot by its code. */
export const EvidenceOf = z.object({
  noun: z.enum([
    'addition',
    'stock',
    'reading',
    'instrument',
    'bottling',
    'tick',
    'tally',
    'weighing',
    'heat-process',
    'load',
    'cooling',
    'seal-check',
    'print',
    'deviation',
  ]),
  id: z.string(),
});
export type EvidenceOf = z.infer<typeof EvidenceOf>;

const Evidence = z.object({ words: z.string(), of: EvidenceOf.nullable() });
export type Evidence = z.infer<typeof Evidence>;

export const Gate = z.object({
  id: z.enum(['everything-in', 'trace', 'making', 'acid', 'count', 'heat', 'seal', 'label', 'deviations']),
  question: z.string(),
  open: z.boolean(),
  /** What was found, whether it opens the gate or not. */
  evidence: z.array(Evidence),
  /** What is still to be done; null when open. */
  missing: z.string().nullable(),
  /** Whether the record shows that it is not so: measured and over its limit, and not only wanting. */
  failed: z.boolean(),
});
export type Gate = z.infer<typeof Gate>;
export type GateId = Gate['id'];

/** One piece of evidence with what it rests on. */
export const shown = (words: string, noun?: EvidenceOf['noun'], id?: string): Evidence => ({
  words,
  of: noun && id ? { noun, id } : null,
});

export const gate = (id: GateId, question: string, evidence: Evidence[], missing: string | null): Gate => ({
  id,
  question,
  open: missing === null,
  evidence,
  missing,
  failed: false,
});

/** A release check that what was recorded speaks against: it does not only want something. */
export const failed = (of: Gate): Gate => ({ ...of, failed: true });
