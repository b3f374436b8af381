export type GateId =
  | 'everything-in'
  | 'trace'
  | 'making'
  | 'acid'
  | 'count'
  | 'heat'
  | 'seal'
  | 'label'
  | 'deviations';

/** What a piece of evidence rests on: an entry of the lot's record, an instrument, or a stock lot by its code. */
export interface EvidenceOf {
  noun:
    | 'addition'
    | 'stock'
    | 'reading'
    | 'instrument'
    | 'bottling'
    | 'tick'
    | 'tally'
    | 'weighing'
    | 'heat-process'
    | 'load'
    | 'cooling'
    | 'seal-check'
    | 'print'
    | 'deviation';
  id: string;
}

export interface Evidence {
  words: string;
  of: EvidenceOf | null;
}

export interface Gate {
  id: GateId;
  question: string;
  open: boolean;
  /** What was found, whether it opens the gate or not. */
  evidence: Evidence[];
  /** What is still to be done; null when open. */
  missing: string | null;
  /** Whether the record shows that it is not so: measured and over its limit, and not only wanting. */
  failed: boolean;
}

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
