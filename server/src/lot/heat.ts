import type { NewCurve, NewHeatProcess, NewLoad, NewLoadMark } from '@inch/contract/lotEntry';
import { loadClock, whyNotMarked } from '@inch/core/bottling';
import { type HeatProcess, lethality, type MeasuredLimits } from '@inch/core/heat';
import { lotBottles, matchLot, standing } from '@inch/core/lot';
import { v7 as newId } from 'uuid';
import type { z } from 'zod';
import { containersOf } from '../container/routes.ts';
import { insert, toSql } from '../database/pool.ts';
import { processOf } from '../heatProcess/routes.ts';
import { invalid, notFound, Problem } from '../http/problem.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { lockedLot, refuseEnded } from './change.ts';
import { openOutOfLimits } from './deviations.ts';
import type { StoredLot } from './store.ts';

/** A process as it stands for one lot, here: held against it line by line, with its minutes at the kitchen's elevation. */
interface Held {
  processId: string | null;
  name: string;
  source: string;
  method: HeatProcess['method'];
  requiredMinutes: number;
  restMinutes: number;
  mismatches: string[];
  limits: MeasuredLimits;
  /** Hot fill: seconds lid down that it asks for. */
  invertSeconds: number;
}

async function heldAgainst(w: Writing, lot: StoredLot, id: string): Promise<Held> {
  const process = await processOf(w.tx, w.kitchen.id, id);
  if (!process)
    throw invalid('processId', 'There is no such process. Choose one, or give your own with its source.');
  const containers = await containersOf(w.tx, w.kitchen.id);
  const rated = (id: string) => containers.find((c) => c.id === id)?.rated ?? [];
  // °Bx and pH may be measured later: they are held against the limits as they then stand.
  const limits = { brix: process.brix, highestPh: process.highestPh };
  const open = { ...process, brix: null, highestPh: null };
  const [match] = matchLot([open], lot, rated, w.kitchen.elevationMetres);
  if (!match) throw invalid('processId', 'Count the bottles first: the process depends on them.');
  return {
    processId: process.id,
    name: process.name,
    source: process.source,
    method: process.method,
    requiredMinutes:
      process.method === 'hot fill'
        ? process.hotFill!.holdMinutes
        : (match.minutes ?? Number.POSITIVE_INFINITY),
    restMinutes: process.restMinutes,
    invertSeconds: process.hotFill?.invertSeconds ?? 0,
    mismatches: match.reasons,
    limits,
  };
}

interface Done {
  id: string;
  minutes: number;
  bottles: number | null;
  invertedSeconds: number | null;
  loadId: string | null;
  at: string;
}

async function writeProcess(w: Writing, lotId: string, held: Held, done: Done): Promise<void> {
  await insert(w.tx, 'heat_process', {
    id: done.id,
    lot_id: lotId,
    process_id: held.processId,
    name: held.name,
    source: held.source,
    method: held.method,
    required_minutes: held.requiredMinutes,
    minutes: done.minutes,
    inverted_seconds: done.invertedSeconds,
    elevation_metres: w.kitchen.elevationMetres,
    bottles: done.bottles,
    load_id: done.loadId,
    mismatches: JSON.stringify(held.mismatches),
    limits: JSON.stringify(held.limits),
    at: toSql(done.at),
    account_id: w.account.id,
  });
  const { id, ...said } = done;
  const { elevationMetres } = w.kitchen;
  await journal(w, 'heat-process', id, 'process', { ...held, ...said, elevationMetres }, lotId);
}

/** Records a heat process: one that ships or is the kitchen's own, matched line by line, or one told with its source. */
export async function processLot(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewHeatProcess>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const at = happenedAt(w, body.at, lot.begunAt);
  if (!body.processId && (body.source === '' || body.requiredMinutes === null))
    throw invalid(
      'source',
      'Your own process needs its source (an authority’s letter, a tested book with its edition) and its minutes.',
    );
  const { filled } = lotBottles(lot);
  if (body.bottles !== null && body.bottles > filled)
    throw invalid('bottles', `Only ${filled} bottles are filled.`);
  const held = body.processId
    ? await heldAgainst(w, lot, body.processId)
    : {
        processId: null,
        name: body.name || 'Own process',
        source: body.source,
        method: 'boiling water' as const,
        requiredMinutes: body.requiredMinutes!,
        restMinutes: 0,
        invertSeconds: 0,
        mismatches: [] as string[],
        limits: { brix: null, highestPh: null },
      };
  if (!Number.isFinite(held.requiredMinutes)) throw invalid('processId', held.mismatches.at(-1)!);
  const { id, minutes, bottles, invertedSeconds } = body;
  if (held.invertSeconds > (invertedSeconds ?? 0))
    held.mismatches.push(`lid down for ${invertedSeconds ?? 0} s, and it asks for ${held.invertSeconds}`);
  await writeProcess(w, lot.id, held, { id, minutes, bottles, invertedSeconds, loadId: null, at });
  await openOutOfLimits(w, lot.id, at);
  return { id };
}

/** Puts jars into the canner under a process that ships or is the kitchen's own. */
export async function loadCanner(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewLoad>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const at = happenedAt(w, body.at, lot.begunAt);
  const { left } = lotBottles(lot);
  const failed = standing(lot.sealChecks).reduce((sum, c) => sum + c.failed, 0);
  if (body.bottles > left + failed) throw invalid('bottles', `Only ${left + failed} bottles are there.`);
  const held = await heldAgainst(w, lot, body.processId);
  if (held.method !== 'boiling water')
    throw invalid('processId', 'That is a hot fill: it needs no canner. Record it under Process.');
  if (!Number.isFinite(held.requiredMinutes)) throw invalid('processId', held.mismatches.at(-1)!);
  const number = lot.loads.length + 1;
  await insert(w.tx, 'canner_load', {
    id: body.id,
    lot_id: lot.id,
    number,
    process_id: held.processId,
    name: held.name,
    source: held.source,
    required_minutes: held.requiredMinutes,
    rest_minutes: held.restMinutes,
    mismatches: JSON.stringify(held.mismatches),
    limits: JSON.stringify(held.limits),
    bottles: body.bottles,
    at: toSql(at),
    account_id: w.account.id,
  });
  await journal(w, 'load', body.id, 'load', { number, bottles: body.bottles, ...held, at }, lot.id);
  return { id: body.id };
}

/** Marks the boil, a boil that stopped, the fire off, or the lifting; the fire off after its time is the process, recorded. */
export async function markLoad(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewLoadMark>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const load = standing(lot.loads).find((l) => l.id === body.loadId);
  if (!load) throw notFound('load');
  if (load.marks.some((m) => m.id === body.id)) return { id: body.id };
  const at = happenedAt(w, body.at, load.at);
  const why = whyNotMarked(load, body.mark, at);
  if (why) throw new Problem(409, why);
  await insert(w.tx, 'load_mark', {
    id: body.id,
    lot_id: lot.id,
    load_id: load.id,
    kind: body.mark,
    at: toSql(at),
    account_id: w.account.id,
  });
  await journal(w, 'load', load.id, body.mark, { number: load.number, at }, lot.id);
  if (body.mark === 'off') {
    const minutes = Math.round((loadClock(load, at).boiledSeconds / 60) * 100) / 100;
    const { processId, name, source, requiredMinutes, restMinutes, mismatches, limits, bottles } = load;
    const held = { processId, name, source, requiredMinutes, restMinutes, mismatches, limits };
    await writeProcess(
      w,
      lot.id,
      { ...held, method: 'boiling water', invertSeconds: 0 },
      { id: newId(), minutes, bottles, invertedSeconds: null, loadId: load.id, at },
    );
  }
  if (body.mark === 'lifted') await openOutOfLimits(w, lot.id, at);
  return { id: body.id };
}

/** Keeps a logger's curve; its lethality is reckoned here, never taken from the browser. */
export async function keepCurve(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewCurve>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const at = happenedAt(w, body.at, lot.begunAt);
  if (body.loadId && !standing(lot.loads).some((l) => l.id === body.loadId)) throw notFound('load');
  const back = body.samples.findIndex((s, i) => i > 0 && s.seconds < body.samples[i - 1]!.seconds);
  if (back !== -1)
    throw invalid('samples', `Reading ${back + 1} comes before the one above it. Put them in order of time.`);
  const minutes = lethality({ samples: body.samples, referenceCelsius: 93.3, z: 8.9 });
  await insert(w.tx, 'curve', {
    id: body.id,
    lot_id: lot.id,
    load_id: body.loadId,
    name: body.name,
    samples: JSON.stringify(body.samples),
    minutes,
    at: toSql(at),
    account_id: w.account.id,
  });
  const { id: _, ...said } = body;
  await journal(w, 'curve', body.id, 'keep', { ...said, minutes, at }, lot.id);
  return { id: body.id };
}
