import { HEATED_IN } from '../heat/index.ts';
import { numbers } from './bottling.ts';
import { choice, count, group, list, nullable, number, reference, text } from './field.ts';
import { kind } from './kind.ts';

export const LOAD_MARKS = ['boil', 'stopped', 'off', 'lifted'] as const;

const processKey = text(60, 'Which process?', 1);
const processName = text(120, 'What is the process called?');
const processSource = text(300, 'Where is the process from?');
const mismatches = list(text(500, 'What does not match?'), { max: 60 }, 'What does not match?');
/** What the process asks of the product as it is measured. */
const limits = group(
  {
    brix: nullable(
      group(
        { from: number(0, 100, 'From how many °Bx?'), to: number(0, 100, 'To how many °Bx?') },
        'Which °Bx?',
      ),
    ),
    highestPh: nullable(number(0, 14, 'Up to which pH?')),
  },
  'Within which limits?',
);
/** In what it is heated. */
const heatedIn = choice(HEATED_IN, 'In what is it heated?');
const minutes = (ask: string, over = false) => number(0, 240, ask, { over });

export const heatProcess = kind({
  noun: 'heat-process',
  table: 'heat_process',
  path: 'heat-processes',
  summary: 'Record a heat process with its source',
  verb: 'process',
  strikeable: true,
  said: {
    processId: nullable(processKey),
    name: processName.default(''),
    source: processSource.default(''),
    requiredMinutes: nullable(minutes('How many minutes does the source ask for?', true)),
    minutes: minutes('How many minutes at a full boil?', true),
    /** Bottles that were in it; null where all filled till then were. */
    bottles: nullable(count('How many bottles were in it?')),
    /** Which of them, by number; the first so many where it is not said. */
    numbers: numbers('Which bottles were in it?'),
    /** Hot fill: seconds held lid down. */
    invertedSeconds: nullable(number(0, 3600, 'How many seconds lid down?')),
    /** In what it was heated; by the process's own method where it is not said. */
    method: nullable(heatedIn),
  },
  kept: {
    name: processName,
    source: processSource,
    method: heatedIn,
    requiredMinutes: minutes('How many minutes does the source ask for?'),
    /** Of the kitchen when it was done. */
    elevationMetres: nullable(number(-500, 9000, 'How high is the kitchen, m?')),
    /** Why it does not match, line by line; empty where it does. What is measured is held against its limits as it stands. */
    mismatches,
    limits,
    loadId: nullable(reference('canner_load', 'Of which load?')),
  },
});

/** One load of the canner, with the process as its source and the elevation had it that day. */
export const load = kind({
  noun: 'load',
  table: 'canner_load',
  path: 'loads',
  summary: 'Put jars into the canner',
  verb: 'load',
  strikeable: true,
  said: {
    processId: processKey,
    bottles: count('How many jars?'),
    /** Water, or steam; water where it is not said. */
    method: nullable(heatedIn),
    /** Which of them, by number; those not yet in a load where it is not said. */
    numbers: numbers('Which jars, by number?'),
  },
  kept: {
    numbers: numbers('Which jars, by number?'),
    number: count('Which load?'),
    method: heatedIn,
    name: processName,
    source: processSource,
    requiredMinutes: minutes('How many minutes does the source ask for?'),
    restMinutes: minutes('How many minutes does it rest?'),
    mismatches,
    limits,
  },
});

export const loadMark = kind({
  noun: 'load-mark',
  table: 'load_mark',
  path: 'load-marks',
  summary: 'The full boil, a boil that stopped, fire off, lifted',
  verb: 'mark',
  said: { loadId: reference('canner_load', 'Which load?'), mark: choice(LOAD_MARKS, 'What of the load?') },
});

/** A temperature curve of a logger in a bottle or bath. */
export const curve = kind({
  noun: 'curve',
  table: 'curve',
  path: 'curves',
  summary: 'Keep the temperature curve of a logger',
  verb: 'keep',
  strikeable: true,
  said: {
    loadId: nullable(reference('canner_load', 'Of which load?')),
    name: text(120, 'Which logger, in which bottle?', 1),
    samples: list(
      group(
        { seconds: number(0, 172_800, 'At which second?'), celsius: number(-20, 130, 'How warm, °C?') },
        'When, and how warm?',
      ),
      { min: 2, max: 3000 },
      'Which readings? Two at least.',
    ),
  },
  /** Equivalent minutes at 93.3 °C, z 8.9 °C. */
  kept: { minutes: number(0, 1e9, 'How many equivalent minutes?') },
});
