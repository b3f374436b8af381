import { choice, flag, list, nullable, number, reference, text } from './field.ts';
import { kind } from './kind.ts';
import { why } from './making.ts';

/** What may be found of a bottle that was kept back. */
export const LOOK_FINDINGS = [
  'haze',
  'sediment',
  'separation',
  'crystals',
  'browner',
  'paler',
  'film',
  'gas',
  'mould',
  'off-smell',
  'lid-lifted',
  'leak',
] as const;

const score = (ask: string) => nullable(number(0, 10, ask));

/** A look at a bottle that was kept back of a released lot: how it ages. */
export const look = kind({
  noun: 'look',
  table: 'bottle_look',
  path: 'looks',
  summary: 'Look at a bottle that was kept back',
  verb: 'look',
  strikeable: true,
  said: {
    bottlingId: reference('bottling', 'Of which filling?'),
    /** Whether it was opened for this look, was open already, or stays closed. */
    opened: choice(
      ['closed', 'opened', 'open-already'],
      'Is the bottle closed, opened now, or open already?',
    ),
    /** Days since it was opened, of one that was open already. */
    daysOpen: nullable(number(0, 60, 'How many days has it been open?', { whole: true })),
    findings: list(choice(LOOK_FINDINGS, 'What was found?'), { max: 12 }, 'What was found?').default([]),
    /** 10 as on the day of release. */
    colour: score('How is its colour, 10 as on the day of release?'),
    smell: score('How does it smell, 10 as on the day of release?'),
    taste: score('How does it taste, 10 as on the day of release?'),
    ph: nullable(number(0.5, 12, 'Which pH?')),
    phInstrumentId: nullable(reference('instrument', 'Which pH meter?')),
    brix: nullable(number(0, 85, 'How many °Bx at 20 °C?')),
    note: nullable(text(500, 'What is there to note?')),
  },
  /** Where the opened one stood. */
  asked: { place: nullable(text(60, 'Where did it stand?')) },
  kept: {
    /** Days since the lot was filled. */
    ageDays: number(0, 40_000, 'How old is it, days?', { whole: true }),
    /** Whether the meter bore its pH that day. */
    phCounts: flag('Does the pH count?'),
    /** Faults that hold a lot: none where it aged well. */
    faults: list(text(60, 'Which fault?'), { max: 12 }, 'Which faults?'),
  },
});

/** The owner's own date for a lot: shorter as they like, longer only where the keeping table and their evidence allow it. */
export const dating = kind({
  noun: 'dating',
  table: 'dating',
  path: 'datings',
  summary: 'Set the date of a lot: shorter, or longer where own retained bottles support it',
  who: 'owner',
  verb: 'date',
  said: {
    /** Last day; null where the longer row of the keeping table is taken. */
    until: nullable(text(10, 'Until which day? As 2027-06-30.')),
    longer: flag('Is the longer row of the keeping table taken?'),
    why: why('Write a reason of two letters or more.'),
  },
  kept: {
    /** What supports it, in words. */
    evidence: text(2000, 'What supports it?'),
  },
});
