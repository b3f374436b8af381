import { loadClock, whyNotMarked } from '@inch/core/bottling';
import { type HEATED_IN, lethality, type MeasuredLimits } from '@inch/core/heat';
import { freeNumbers, lotBottles, matchLot, standing } from '@inch/core/lot';
import type { Entries, Kept } from '@inch/core/record';
import { v7 as newId } from 'uuid';
import { writeEntry } from '../entry/write.ts';
import { processOf } from '../heatProcess/store.ts';
import { refuseBefore } from '../journal/happened.ts';
import type { Writing } from '../journal/writing.ts';
import type { StoredLot } from '../lot/store.ts';
import { asked, invalid, Problem } from '../problem/problem.ts';
import { fullLot } from './change.ts';
import { openOutOfLimits } from './deviations.ts';
import type { Judge } from './judge.ts';

type HeatedIn = (typeof HEATED_IN)[number];

/** A process as it stands for one lot, here: matched with it line by line, with its minutes at the kitchen's elevation. */
interface Matched {
  processId: string | null;
  name: string;
  source: string;
  method: HeatedIn;
  requiredMinutes: number;
  restMinutes: number;
  mismatches: string[];
  limits: MeasuredLimits;
  /** Hot fill: seconds lid down that it asks for. */
  invertSeconds: number;
}

const ANY_LIMITS: MeasuredLimits = { brix: null, highestPh: null };

async function matchedWith(
  w: Writing,
  lot: StoredLot,
  id: string,
  heatedIn: HeatedIn | null,
): Promise<Matched> {
  const process = await processOf(w.tx, w.kitchen.id, id);
  if (!process)
    throw invalid('processId', 'There is no such process. Choose one, or give your own with its source.');
  // °Bx and pH may be measured later: they are matched with the limits as they then stand.
  const limits = { brix: process.brix, highestPh: process.highestPh };
  const method = heatedIn ?? process.method;
  const open = { ...process, ...ANY_LIMITS };
  const [match] = matchLot([open], lot, w.kitchen.elevationMetres, method);
  if (!match) throw invalid('processId', 'Count the bottles first: the process depends on them.');
  const minutes = process.method === 'hot-fill' ? process.hotFill!.holdMinutes : match.minutes;
  if (minutes === null) throw invalid('processId', match.reasons.at(-1)!);
  return {
    processId: process.id,
    name: process.name,
    source: process.source,
    method,
    requiredMinutes: minutes,
    restMinutes: process.restMinutes,
    invertSeconds: process.hotFill?.invertSeconds ?? 0,
    mismatches: match.reasons,
    limits,
  };
}

type HeatProcessKept = Kept<Entries['heat-process']>;

/** Typed minutes are recorded and open nothing: a process that counts is in the list, entered by the owner with its source. */
const ownWords = (said: {
  name: string;
  source: string;
  requiredMinutes: number | null;
  method: HeatedIn | null;
}): Matched => {
  if (said.source === '' || said.requiredMinutes === null)
    throw invalid(
      'source',
      'Your own process needs its source (an authority’s letter, a tested book with its edition) and its minutes.',
    );
  return {
    processId: null,
    name: said.name || 'Own process',
    source: said.source,
    method: said.method ?? 'boiling-water',
    requiredMinutes: said.requiredMinutes,
    mismatches: ['it is in no list: the owner enters a process with its source, product, jar and altitudes'],
    restMinutes: 0,
    invertSeconds: 0,
    limits: ANY_LIMITS,
  };
};

/** Numbers of bottles are as many as were counted, each once, and all of this lot. */
export function refuseNumbers(lot: StoredLot, numbers: readonly number[] | null, count: number | null): void {
  if (numbers === null) return;
  const { filled } = lotBottles(lot);
  if (new Set(numbers).size !== numbers.length || numbers.length !== count)
    throw invalid('numbers', 'As many numbers as bottles, each once.');
  const unknown = numbers.find((n) => n > filled);
  if (unknown !== undefined) throw invalid('numbers', `There is no bottle ${unknown}: ${filled} are filled.`);
}

/** Records a heat process: one that ships or is the kitchen's own, matched line by line, or one named with its source. */
export const judgeHeatProcess: Judge<'heat-process'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  const { filled } = lotBottles(lot);
  if (said.bottles !== null && said.bottles > filled)
    throw invalid('bottles', `Only ${filled} bottles are filled.`);
  refuseNumbers(lot, said.numbers, said.bottles);
  const matched = said.processId ? await matchedWith(w, lot, said.processId, said.method) : ownWords(said);
  const { invertSeconds, restMinutes: _, ...process } = matched;
  const inverted = said.invertedSeconds ?? 0;
  if (invertSeconds > inverted)
    process.mismatches.push(`lid down for ${inverted} s, and it asks for ${invertSeconds}`);
  return {
    kept: { ...process, elevationMetres: w.kitchen.elevationMetres, loadId: null } as HeatProcessKept,
    after: () => openOutOfLimits(w, lot.id, at),
  };
};

/** Puts jars into the canner under a process that ships or is the kitchen's own. */
export const judgeLoad: Judge<'load'> = async ({ w, lot: head, said }) => {
  const lot = await fullLot(w, head.id);
  const { left } = lotBottles(lot);
  const failed = standing(lot.sealChecks).reduce((sum, c) => sum + c.failed, 0);
  if (said.bottles > left + failed) throw invalid('bottles', `Only ${left + failed} bottles are there.`);
  const {
    invertSeconds: _,
    processId: __,
    ...process
  } = await matchedWith(w, lot, said.processId, said.method);
  if (process.method === 'hot-fill')
    throw invalid('processId', 'That is a hot fill: it needs no canner. Record it under Process.');
  refuseNumbers(lot, said.numbers, said.bottles);
  const numbers = said.numbers ?? freeNumbers(lot, said.bottles);
  if (numbers.length < said.bottles)
    throw invalid(
      'numbers',
      `Only ${numbers.length} of the jars were in no load yet. Say by number which ${said.bottles} these are.`,
    );
  return { kept: { number: lot.loads.length + 1, numbers, ...process } };
};

async function writeProcessOf(w: Writing, lot: StoredLot, load: StoredLot['loads'][number], at: string) {
  const minutes = Math.round((loadClock(load, at).boiledSeconds / 60) * 100) / 100;
  const { processId, name, source, method, requiredMinutes, mismatches, limits, bottles, numbers } = load;
  await writeEntry(w, 'heat-process', lot.id, {
    id: newId(),
    at,
    values: {
      processId,
      name,
      source,
      method,
      requiredMinutes,
      mismatches,
      limits,
      bottles,
      numbers,
      minutes,
      invertedSeconds: null,
      loadId: load.id,
      elevationMetres: w.kitchen.elevationMetres,
    },
  });
}

/** Marks the boil, a boil that stopped, the fire off, or the lifting; the fire off after its time is the process, recorded. */
export const judgeLoadMark: Judge<'load-mark'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  const load = standing(lot.loads).find((l) => l.id === said.loadId);
  if (!load) throw invalid('loadId', 'That load was undone. Choose another.');
  refuseBefore(at, load.at, 'the load went in');
  const why = whyNotMarked(load, said.mark, at);
  if (why) throw new Problem(409, why);
  return {
    kept: {},
    after: async () => {
      if (said.mark === 'off') await writeProcessOf(w, lot, load, at);
      if (said.mark === 'lifted') await openOutOfLimits(w, lot.id, at);
    },
  };
};

/** Keeps a logger's curve; its lethality is computed here, never taken from the browser. */
export const judgeCurve: Judge<'curve'> = ({ said: { samples } }) => {
  const back = samples.findIndex((s, i) => i > 0 && s.seconds < samples[i - 1]!.seconds);
  if (back !== -1)
    throw invalid('samples', `Reading ${back + 1} comes before the one above it. Put them in order of time.`);
  const minutes = asked('samples', () => lethality({ samples, referenceCelsius: 93.3, z: 8.9 }));
  return { kept: { minutes } };
};
