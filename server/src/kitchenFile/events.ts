import type { FileEvent } from '@inch/contract/kitchenFile';
import { dayOf } from '@inch/core/calendar';
import { parseJot } from '@inch/core/jot';
import { v7 as newId } from 'uuid';
import { invalid } from '../http/problem.ts';
import { calibrate, checkInstrument } from '../instrument/routes.ts';
import type { Writing } from '../journal/writing.ts';
import { printLabel } from '../label/routes.ts';
import { decide, strike } from '../lot/deciding.ts';
import { closeDeviation, deviate } from '../lot/deviations.ts';
import { addToLot, markStep, measureLot, placeLot } from '../lot/entries.ts';
import { bottleLot, retireGlass, tallyLot, weighBottle } from '../lot/filling.ts';
import { processLot } from '../lot/heat.ts';
import { moveBottles } from '../lot/moving.ts';
import { checkSeals, tellFate } from '../lot/seals.ts';
import type { StoredLot } from '../lot/store.ts';
import { takeIn } from '../stock/keep.ts';

/** What an event of a kitchen file is played into. */
export interface Stage {
  w: Writing;
  at: string;
  /** The lot as it stands before the event, read again where the event needs it. */
  lot: () => Promise<StoredLot>;
  lotId: string;
  steps: Map<string, string>;
  containers: Map<string, string>;
  instruments: Map<string, string>;
  vessels: Map<string, string>;
  processes: Map<string, string>;
  /** A day of the file, moved as its times are. */
  moved: (day: string) => string;
}

function found(map: Map<string, string>, key: string, what: string): string {
  const id = map.get(key);
  if (!id) throw invalid('file', `The file names the ${what} "${key}" and has none of that name.`);
  return id;
}

const stepOf = (stage: Stage, key: string | undefined) =>
  key === undefined ? null : found(stage.steps, key, 'step');

async function readInto(stage: Stage, event: Extract<FileEvent, { do: 'read' }>): Promise<void> {
  const { w, lotId, at } = stage;
  const jot = parseJot(event.jot);
  if (jot.kind === 'add')
    throw invalid('file', `"${event.jot}" is something that went in: write it as an "add" event.`);
  const id = newId();
  const instrumentId = event.instrument ? found(stage.instruments, event.instrument, 'instrument') : null;
  const said = jot.note ?? jot.text;
  await measureLot(w, lotId, {
    id,
    stepId: stepOf(stage, event.step),
    kind: jot.kind,
    sample: event.finished ? 'finished' : 'pan',
    taken: event.taken ?? 'as it is',
    said,
    raw: jot.raw,
    celsius: jot.celsius,
    instrumentId,
    because: event.because ?? null,
    at,
  });
  if (event.struck) await strike(w, lotId, { noun: 'reading', entryId: id, why: event.struck });
}

async function moveInto(stage: Stage, event: Extract<FileEvent, { do: 'move' }>): Promise<void> {
  const lot = await stage.lot();
  const bottlingId = lot.bottlings.at(-1)?.id;
  if (!bottlingId) throw invalid('file', `Lot ${lot.code} moves bottles before it has any.`);
  await moveBottles(stage.w, stage.lotId, {
    id: newId(),
    bottlingId,
    kind: event.kind,
    from: event.from,
    to: event.to ?? null,
    count: event.count,
    priceMinor: event.priceMinor ?? null,
    note: event.note ?? null,
    at: stage.at,
  });
}

/** The last of a lot's fillings, checks or open deviations: what an event without a name is of. */
async function lastOf(stage: Stage, of: 'bottlings' | 'sealChecks' | 'deviations'): Promise<string> {
  const lot = await stage.lot();
  const entries: { id: string; closed?: unknown }[] = lot[of];
  const last = entries.filter((e) => !e.closed).at(-1);
  if (!last) throw invalid('file', `Lot ${lot.code} has none of what this is about yet.`);
  return last.id;
}

/** What happened between the pan and the shelf. */
async function playBottling(stage: Stage, event: FileEvent): Promise<void> {
  const { w, lotId, at } = stage;
  const id = newId();
  switch (event.do) {
    case 'bottle':
      await bottleLot(w, lotId, {
        id,
        containerId: found(stage.containers, event.container, 'container'),
        count: event.count,
        fillCelsius: event.fillCelsius ?? null,
        middleCelsius: event.middleCelsius ?? null,
        lastCelsius: event.lastCelsius ?? null,
        glassCelsius: event.glassCelsius ?? null,
        headspaceInches: event.headspaceInches ?? null,
        checked: event.checked,
        closing: event.closing,
        hoursTo21: event.hoursTo21 ?? null,
        hoursToCold: event.hoursToCold ?? null,
        place: event.place,
        at,
      });
      return;
    case 'process':
      await processLot(w, lotId, {
        id,
        processId: event.process ? (stage.processes.get(event.process) ?? event.process) : null,
        name: event.name ?? '',
        source: event.source ?? '',
        requiredMinutes: event.requiredMinutes ?? null,
        minutes: event.minutes,
        bottles: null,
        invertedSeconds: null,
        at,
      });
      return;
    case 'seals': {
      const { do: _, ...said } = event;
      await checkSeals(w, lotId, { ...said, id, at });
      return;
    }
    case 'fate': {
      const { fate, count } = event;
      await tellFate(w, lotId, {
        ...{ id, checkId: await lastOf(stage, 'sealChecks'), fate, count, place: 'cellar', at },
      });
      return;
    }
    case 'retire': {
      const { fault, count } = event;
      const containerId = found(stage.containers, event.container, 'container');
      await retireGlass(w, lotId, { id, containerId, fault, count, at });
      return;
    }
    case 'tally': {
      const { inPanMl, how, parts } = event;
      await tallyLot(w, lotId, { id, inPanMl, how, parts, why: event.why ?? null, at });
      return;
    }
    case 'weigh': {
      const bottlingId = await lastOf(stage, 'bottlings');
      await weighBottle(w, lotId, { id, bottlingId, grossGrams: event.grossGrams, tareGrams: null, at });
      return;
    }
    case 'deviate':
      await deviate(w, lotId, { id, what: event.what, at });
      return;
    case 'settle': {
      const { cause, done } = event;
      await closeDeviation(w, lotId, { id, deviationId: await lastOf(stage, 'deviations'), cause, done, at });
    }
  }
}

/** Plays one event through the very code that the API calls. */
export async function play(stage: Stage, event: FileEvent): Promise<void> {
  const { w, lotId, at } = stage;
  const id = newId();
  switch (event.do) {
    case 'start':
    case 'done':
    case 'answer':
      await markStep(w, lotId, { id, stepId: found(stage.steps, event.step, 'step'), mark: event.do, at });
      return;
    case 'place':
      await placeLot(w, lotId, {
        id,
        stepId: stepOf(stage, event.step),
        vesselId: found(stage.vessels, event.vessel, 'vessel'),
        at,
      });
      return;
    case 'check':
      await checkInstrument(w, found(stage.instruments, event.instrument, 'instrument'), {
        id,
        kind: event.check,
        read: event.read,
        weightGrams: event.weightGrams ?? null,
        at,
      });
      return;
    case 'add':
      await addToLot(w, lotId, {
        id,
        stepId: stepOf(stage, event.step),
        lineId: event.line ?? null,
        ingredientId: event.ingredient,
        grams: event.grams,
        why: event.why ?? null,
        from: event.from ?? null,
        beforeTrimming: event.before ?? null,
        stock: null,
        at,
      });
      return;
    case 'read':
      return readInto(stage, event);
    case 'calibrate':
      await calibrate(w, found(stage.instruments, event.instrument, 'instrument'), {
        id,
        points: event.points.map(([buffer, mv, celsius]) => ({ buffer, mv, celsius })),
        at,
      });
      return;
    case 'bottle':
    case 'process':
    case 'seals':
    case 'fate':
    case 'retire':
    case 'tally':
    case 'weigh':
    case 'deviate':
    case 'settle':
      return playBottling(stage, event);
    case 'leave':
      await takeIn(w, {
        id,
        kind: 'ingredient',
        thing: event.ingredient,
        quantity: event.grams,
        said: '',
        words: event.words,
        supplier: '',
        costMinor: null,
        gotOn: dayOf(at, w.kitchen.timeZone),
        bestBy: event.bestBy && stage.moved(event.bestBy),
        measured: null,
        leftBy: lotId,
      });
      return;
    case 'print':
      await printLabel(w, lotId, { id, copies: event.copies, differencesSeen: true, at });
      return;
    case 'move':
      return moveInto(stage, event);
    case 'decide':
      await decide(w, lotId, {
        id,
        event: event.event,
        why: event.why ?? null,
        done: event.done ?? null,
        at,
      } as Parameters<typeof decide>[2]);
  }
}
