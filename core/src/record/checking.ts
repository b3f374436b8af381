import { numbers, place } from './bottling.ts';
import { choice, count, list, nullable, number, reference, text } from './field.ts';
import { kind } from './kind.ts';
import { why } from './making.ts';

/** What became of bottles whose seal failed. */
export const SEAL_FATES = ['chilled', 'processed-again', 'discarded'] as const;

export const sealCheck = kind({
  noun: 'seal-check',
  table: 'seal_check',
  path: 'seal-checks',
  summary: 'Record a seal check',
  verb: 'check',
  strikeable: true,
  said: {
    checked: count('How many were checked?'),
    /** Which of them, by number; the first so many where it is not said. */
    numbers: numbers('Which were checked, by number?'),
    failed: number(0, 10_000, 'How many failed?', { whole: true }),
    /** The numbers of those that failed, where each was pressed by itself. */
    failedBottles: list(count('Which bottle?'), { max: 1000 }, 'Which bottles failed?').default([]),
    /** Ids of signs that were seen. */
    signs: list(text(40, 'Which sign?', 1), { max: 10 }, 'What was seen?').default([]),
  },
});

export const fate = kind({
  noun: 'fate',
  table: 'fate',
  path: 'fates',
  summary: 'Say what became of bottles whose seal failed',
  verb: 'say',
  said: {
    checkId: reference('seal_check', 'Of which seal check?'),
    fate: choice(SEAL_FATES, 'What became of them?'),
    count: count('How many?'),
  },
  /** Where those processed again stand. */
  asked: { place: place.default('cellar') },
});

/** Something out of its limits: open until its cause and what was done are recorded. */
export const deviation = kind({
  noun: 'deviation',
  table: 'deviation',
  path: 'deviations',
  summary: 'Open a deviation',
  verb: 'open',
  said: { what: why('What is out of its limits?') },
  kept: {
    kind: text(40, 'Of which kind?'),
    /** The entry it is of, whatever its kind; null where somebody saw it. */
    entryId: nullable(text(36, 'Of which entry?')),
  },
});

export const closing = kind({
  noun: 'closing',
  table: 'deviation_closing',
  path: 'closings',
  summary: 'Close a deviation with its cause and what was done',
  verb: 'close',
  said: {
    deviationId: reference('deviation', 'Which deviation?'),
    cause: why('What was the cause?'),
    done: why('What was done about it?'),
  },
});
