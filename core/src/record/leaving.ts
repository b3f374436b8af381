import { z } from 'zod';
import { choice, count, exactly, flag, list, nullable, number, reference, text } from './field.ts';
import { kind } from './kind.ts';
import { why } from './making.ts';

export const LOT_STATES = [
  'planned',
  'making',
  'resting',
  'bottled',
  'released',
  'closed',
  'held',
  'discarded',
  'recalled',
] as const;

/** How bottles move by hand, and how the program moves them itself. */
export const MOVED_BY_HAND = [
  'moved',
  'sold',
  'given',
  'broken',
  'retained',
  'thawed',
  /** Drunk at home, tasted, brought back by whoever had it. */
  'drunk',
  'tasted',
  'returned',
  /** Past its date, too warm, spoiled; or destroyed, with a witness. */
  'thrown-away',
  'destroyed',
] as const;
export const MOVEMENTS = [
  ...MOVED_BY_HAND,
  'stored',
  'failed-seal',
  'processed-again',
  'taken-back',
  'opened',
] as const;

export const movement = kind({
  noun: 'movement',
  table: 'movement',
  path: 'movements',
  summary: 'Move, sell or give bottles',
  verb: 'move',
  strikeable: true,
  said: {
    bottlingId: reference('bottling', 'Which filling?'),
    kind: choice(MOVED_BY_HAND, 'What happens to them?'),
    from: text(60, 'From where?', 1),
    to: nullable(text(60, 'Where to?')),
    count: count('How many bottles?'),
    priceMinor: nullable(number(0, 10_000_000, 'For how much?', { whole: true })),
    note: nullable(text(200, 'What is there to note?')),
  },
  kept: {
    kind: choice(MOVEMENTS, 'What happens to them?'),
    from: nullable(text(60, 'From where?')),
    to: nullable(text(60, 'Where to?')),
  },
});

/** Somebody who has bottles of a lot was told that they are called back. */
export const telling = kind({
  noun: 'telling',
  table: 'telling',
  path: 'tellings',
  summary: 'Say that whoever has bottles of a recalled lot was told',
  verb: 'tell',
  said: {
    movementId: reference('movement', 'Who was told: by which sale or gift?'),
    how: text(200, 'How were they told?', 2),
  },
});

/** How a lot may be kept instead of as it was begun: never for longer. */
export const KEPT_INSTEAD = ['cold', 'frozen'] as const;

/** Another way to keep a lot than it was begun for: meant for the shelf, it goes cold, or it is frozen. */
export const storageChange = kind({
  noun: 'storage-change',
  table: 'storage_change',
  path: 'storage-changes',
  summary: 'Keep a lot another way: cold, or frozen',
  verb: 'change',
  said: {
    to: choice(KEPT_INSTEAD, 'How is it kept from now on?'),
    why: why('Write a reason of two letters or more.'),
  },
  kept: { from: choice(['shelf', 'cold', 'frozen'], 'How was it kept until now?') },
});

/** What anybody who makes may decide of a lot, and what its owner alone does. */
export const DECISIONS = ['release', 'hold', 'close'] as const;
export const RULINGS = ['resume', 'discard', 'recall'] as const;
export const LOT_EVENTS = ['begin', 'fill', 'check-seals', ...DECISIONS, ...RULINGS] as const;

const state = choice(LOT_STATES, 'In which state?');
const decided = {
  event: choice(LOT_EVENTS, 'What was decided?'),
  from: state,
  to: state,
  /** Whether the account's password was asked for it again. */
  signed: flag('Was it signed?'),
  /** What the signature means, as in "released by"; null where nobody signed. */
  meaning: nullable(text(60, 'What does the signature mean?')),
  /** SHA-256 of the record as it stood when it was signed; null where nobody signed. */
  recordHash: nullable(text(64, 'Of which record?')),
  /** By which rules it was released; null of other decisions, and of releases before rules had a version. */
  ruleSet: nullable(text(40, 'By which rules?')),
};

export const decision = kind({
  noun: 'decision',
  table: 'decision',
  path: 'decisions',
  summary: 'Release, hold or close',
  verb: 'decide',
  said: {
    event: choice(DECISIONS, 'Release, hold or close?'),
    why: nullable(why('Write a reason of two letters or more.')),
  },
  /** A release is signed: the account's own password, again. */
  asked: { password: nullable(exactly(200, 'What is your password?')) },
  kept: decided,
});

/** What only the owner decides; kept with the other decisions. */
export const ruling = kind({
  noun: 'ruling',
  table: 'decision',
  path: 'rulings',
  summary: 'Resume a held lot, discard it, or recall it',
  who: 'owner',
  verb: 'decide',
  said: {
    event: choice(RULINGS, 'Resume, discard or recall?'),
    why: why('Write a reason of two letters or more.'),
  },
  /** Resuming closes what holds the lot: what was done about its cause. */
  asked: {
    done: nullable(why('What was done about it?')),
    /** A recall is signed: the account's own password, again. */
    password: nullable(exactly(200, 'What is your password?')),
  },
  kept: decided,
});

/** A lot that was released under earlier rules is kept as it is, though today's would ask for more: somebody answers for that. */
export const settling = kind({
  noun: 'settling',
  table: 'settling',
  path: 'settlings',
  summary: 'Keep a lot that was released under earlier rules, with the reason, signed',
  who: 'owner',
  verb: 'settle',
  said: { why: why('Write a reason of two letters or more.') },
  /** It is signed: the account's own password, again. */
  asked: { password: nullable(exactly(200, 'What is your password?')) },
  kept: {
    ruleSet: text(40, 'By which rules?'),
    signed: flag('Was it signed?'),
    recordHash: nullable(text(64, 'Of which record?')),
  },
});

/** What is kept of a print is what its label said that day. */
export const print = kind({
  noun: 'print',
  table: 'label_print',
  path: 'prints',
  summary: 'Record a print of the label',
  verb: 'print',
  strikeable: true,
  said: {
    copies: count('How many labels?'),
    sheetId: nullable(reference('label_sheet', 'On which sheet?')),
    /** Place of the first on its first sheet, 1 for the upper left. */
    firstLabel: nullable(number(1, 500, 'From which label of the sheet on?', { whole: true })),
    /** Number of the bottle that the first is for, where they are numbered. */
    firstBottle: nullable(number(1, 10_000, 'From which bottle on?', { whole: true })),
    /** The print whose spoilt or lost labels it makes good. */
    reprintOf: nullable(reference('label_print', 'Of which print?')),
    why: nullable(why('Write a reason of two letters or more.')),
  },
  asked: { differencesSeen: flag('Were the differences from the formula looked at?') },
  kept: {
    statement: text(20_000, 'Which ingredients?'),
    /** What differed from the formula, as it was seen. */
    differences: list(text(500, 'What differs?'), { max: 200 }, 'What differs?'),
    /** Its date, and the warnings on it; null of prints before that was kept. */
    bestBy: nullable(text(10, 'Until which day?')),
    says: nullable(list(text(1000, 'Which warning?'), { max: 60 }, 'Which warnings?')),
  },
  stored: { label: z.unknown() },
});

/** Labels of a print that did not go onto a bottle: torn, smeared, left over. */
export const spoilt = kind({
  noun: 'spoilt-label',
  table: 'label_spoilt',
  path: 'spoilt-labels',
  summary: 'Say how many labels of a print were spoilt',
  verb: 'spoil',
  said: {
    printId: reference('label_print', 'Of which print?'),
    count: count('How many were spoilt?'),
    why: why('Write a reason of two letters or more.'),
  },
});
