import type { Account } from '@inch/contract/kitchen/account';
import { type KitchenFile, kitchenFileRoutes } from '@inch/contract/kitchen/kitchenFile';
import { addDays, dayOf, daysBetween, instantOf } from '@inch/core/calendar';
import { v7 as newId } from 'uuid';
import { hashPassword, refuseWeak } from '../account/password.ts';
import { insertAccount } from '../account/store.ts';
import { addContainer } from '../container/routes.ts';
import { rows, update } from '../database/pool.ts';
import { createFormula, saveVersion } from '../formula/routes.ts';
import { enterProcess } from '../heatProcess/routes.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { enterOwn, keepMeasure } from '../ingredient/routes.ts';
import { addInstrument } from '../instrument/routes.ts';
import { lose, takeIn } from '../inventory/keep.ts';
import { keepPack } from '../inventory/packs.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { readKitchen } from '../kitchen/store.ts';
import { saveDesign } from '../label/design.ts';
import { addSheet } from '../label/sheets.ts';
import { createPlan } from '../plan/routes.ts';
import { invalid, Problem } from '../problem/problem.ts';
import { beginLot } from '../record/begin.ts';
import { fullLot } from '../record/change.ts';
import { changeKitchen } from '../settings/routes.ts';
import { addVessel } from '../vessel/routes.ts';
import { play, type Stage } from './events.ts';

type Ids = Map<string, string>;

async function addPeople(
  w: Writing,
  file: KitchenFile,
  hashes: Map<string, string>,
): Promise<Map<string, Account>> {
  const people = new Map<string, Account>();
  for (const { key, name, role } of file.accounts) {
    const account = { id: newId(), name, role };
    await insertAccount(w.tx, w.kitchen.id, account, hashes.get(key)!, w.now);
    await journal(w, 'account', account.id, 'add', { name, role });
    people.set(key, account);
  }
  return people;
}

interface Things {
  containers: Ids;
  instruments: Ids;
  vessels: Ids;
  processes: Ids;
}

async function addThings(w: Writing, file: KitchenFile): Promise<Things> {
  const [containers, instruments, vessels]: [Ids, Ids, Ids] = [new Map(), new Map(), new Map()];
  const processes: Ids = new Map();
  for (const { key, ...container } of file.containers)
    containers.set(key, (await addContainer(w, { id: newId(), ...container })).id);
  for (const { key, ...instrument } of file.instruments)
    instruments.set(key, (await addInstrument(w, { id: newId(), ...instrument })).id);
  for (const { key, ...vessel } of file.vessels)
    vessels.set(key, (await addVessel(w, { id: newId(), ...vessel })).id);
  for (const { key: _, ...sheet } of file.labelSheets) await addSheet(w, { id: newId(), ...sheet });
  for (const { key, ...process } of file.processes)
    processes.set(key, (await enterProcess(w, { id: newId(), ...process })).id);
  return { containers, instruments, vessels, processes };
}

/** Stock lots of the file that have come by now, each written down on its day; then how things are sold. */
async function addStock(
  w: Writing,
  file: KitchenFile,
  things: Things,
  moved: (day: string) => string,
  when: (wall: string) => string,
): Promise<void> {
  const thingOf = (thing: string) => {
    const bottle = /^bottle:(.+)$/.exec(thing);
    return bottle ? `bottle:${things.containers.get(bottle[1]!) ?? bottle[1]}` : thing;
  };
  const today = dayOf(w.now, w.kitchen.timeZone);
  for (const { key: _, losses, ...stock } of file.stock) {
    const gotOn = moved(stock.gotOn);
    if (gotOn > today) continue;
    const id = newId();
    const thing = thingOf(stock.thing);
    const bestBy = stock.bestBy && moved(stock.bestBy);
    await takeIn(
      { ...w, now: when(`${stock.gotOn} 08:00`) },
      { ...stock, id, thing, gotOn, bestBy, leftBy: null },
    );
    for (const { at, ...loss } of losses)
      if (when(at) <= w.now) await lose(w, id, { id: newId(), ...loss, at: when(at) });
  }
  for (const pack of file.packs) await keepPack(w, { ...pack, id: newId(), thing: thingOf(pack.thing) });
}

/** Plans of the file, their dates counted from today. */
async function addPlans(w: Writing, file: KitchenFile, formulas: Ids, things: Things): Promise<void> {
  const today = dayOf(w.now, w.kitchen.timeZone);
  for (const plan of file.plans) {
    const items = plan.items.map((item, i) => {
      const formulaId = formulas.get(item.formula);
      if (!formulaId)
        throw invalid('file', `A plan is of the formula "${item.formula}", which is not in the file.`);
      return {
        id: `item ${i + 1}`,
        formulaId,
        want: item.want,
        containerId: things.containers.get(item.container ?? '') ?? null,
        priceMinor: item.priceMinor ?? null,
        bought: null,
        parts: item.scales.map((scale, n) => ({ id: `${i + 1}-${n + 1}`, scale, lot: null })),
      };
    });
    const due = plan.dueInDays === null ? null : addDays(today, plan.dueInDays);
    await createPlan(w, newId(), { name: plan.name, due, items, steps: [] });
  }
}

interface Dated {
  key: string;
  at: string;
  number: number;
}

/** Something that the file says was done, at an instant. */
interface Deed {
  at: string;
  /** Of what happened at one instant: a version, then the lot that is begun of it, then what was done to lots. */
  rank: number;
  do: () => Promise<void>;
}

/** Versions and lots, in the order in which they came about: a lot is begun from the version of its day, a reading comes after its calibration. */
const inOrder = (deeds: Deed[]): Deed[] => deeds.sort((a, b) => a.at.localeCompare(b.at) || a.rank - b.rank);

async function saveFormula(
  w: Writing,
  file: KitchenFile,
  dated: Dated,
  formulas: Ids,
  processes: Ids,
): Promise<void> {
  const { versions, key, ...head } = file.formulas.find((f) => f.key === dated.key)!;
  const { note, content: said } = versions[dated.number - 1]!;
  const processId = processes.get(said.processId ?? '') ?? said.processId;
  const content = processId ? { ...said, processId } : said;
  const saved = { versionId: newId(), name: head.name, kind: head.kind, colour: head.colour, note, content };
  if (dated.number === 1) formulas.set(key, (await createFormula(w, { id: newId(), ...saved })).id);
  else await saveVersion(w, formulas.get(key)!, { ...saved, after: dated.number - 1 });
}

interface Making {
  w: Writing;
  lot: KitchenFile['lots'][number];
  formulas: Ids;
  things: Things;
  when: (wall: string) => string;
  moved: (day: string) => string;
}

/** The beginning of a lot of the file and everything done to it till now, each at its instant. */
function deedsOf({ w, lot, formulas, things, when, moved }: Making): Deed[] {
  const { containers, instruments, vessels, processes } = things;
  const ids: Stage['ids'] = {
    container: containers,
    instrument: instruments,
    vessel: vessels,
    process: processes,
  };
  const begun = { id: newId(), code: '' };
  const begin = async () => {
    const formulaId = formulas.get(lot.formula);
    if (!formulaId)
      throw invalid('file', `A lot is of the formula "${lot.formula}", which is not in the file.`);
    const at = when(lot.begun);
    begun.code = (await beginLot({ ...w, now: at }, { id: begun.id, formulaId, scale: lot.scale, at })).code;
    ids.lot_step = new Map((await fullLot(w, begun.id)).steps.map((s) => [s.formulaStepId, s.id]));
  };
  const played = lot.events.map((event) => {
    const at = when(event.at);
    const stage: Stage = { w: { ...w, now: at }, at, lotId: begun.id, ids, moved, when };
    const refused = (error: Error) => {
      const known = error instanceof Problem || error.name === 'TransitionError';
      return known
        ? new Problem(422, `Lot ${begun.code} (${lot.formula}, ${event.at}, ${event.do}): ${error.message}`)
        : error;
    };
    return {
      at,
      rank: 2,
      do: () =>
        play(stage, event).catch((error: Error) => {
          throw refused(error);
        }),
    };
  });
  return [{ at: when(lot.begun), rank: 1, do: begin }, ...played];
}

/** Brings a kitchen file in, everything through the same code as the API, all of it or nothing. Only into a kitchen with nothing made yet. */
async function importKitchen(
  w: Writing,
  file: KitchenFile,
  today: string | undefined,
  hashes: Map<string, string>,
) {
  const [there] = await rows(w.tx, 'SELECT id FROM formula WHERE kitchen_id = ? LIMIT 1', [w.kitchen.id]);
  if (there)
    throw new Problem(409, 'This kitchen already has formulas. A kitchen file is brought into an empty one.');
  const before = await readKitchen(w.tx, w.kitchen.id, true);
  const kitchen = await changeKitchen(w, { ...file.kitchen, revision: before.revision });
  await update(w.tx, 'kitchen', kitchen.id, { lot_serial: file.firstLot });
  const shift = today ? daysBetween(file.writtenAt.slice(0, 10), today) : 0;
  const when = (wall: string) => instantOf(wall, kitchen.timeZone, shift);
  const lag = today ? Date.parse(w.now) - Date.parse(when(file.writtenAt)) : 0;
  const whenLive = (wall: string) => new Date(Date.parse(when(wall)) + lag).toISOString();
  const here: Writing = { ...w, kitchen, entered: { ...w.entered, fromFile: true } };
  const people = await addPeople(here, file, hashes);
  const things = await addThings(here, file);
  for (const figures of file.own) await enterOwn(here, { id: newId(), ...figures });
  const moved = (day: string) => addDays(day, shift);
  await addStock(here, file, things, moved, when);
  for (const measure of file.measures) await keepMeasure(here, { id: newId(), ...measure, retired: false });
  const formulas: Ids = new Map();
  const versions = file.formulas.flatMap((f) =>
    f.versions.map((v, i) => {
      const at = when(v.savedOn);
      const dated = { key: f.key, at: v.savedOn, number: i + 1 };
      return {
        at,
        rank: 0,
        do: () => saveFormula({ ...here, now: at }, file, dated, formulas, things.processes),
      };
    }),
  );
  const made = file.lots.flatMap((lot) => {
    const clock = lot.live ? whenLive : when;
    const account = people.get(lot.by ?? '') ?? here.account;
    if (account.role === 'reader')
      throw invalid('file', `${account.name} is a reader, and a reader makes no lots.`);
    return clock(lot.begun) <= w.now
      ? deedsOf({ w: { ...here, account }, lot, formulas, things, when: clock, moved })
      : [];
  });
  for (const deed of inOrder([...versions, ...made]))
    if (deed.rank === 0 || deed.at <= w.now) await deed.do();
  await addPlans(here, file, formulas, things);
  for (const { formula, design } of file.labelDesigns) {
    const formulaId = formulas.get(formula);
    if (!formulaId)
      throw invalid('file', `A label is of the formula "${formula}", which is not in the file.`);
    await saveDesign(here, formulaId, { design, revision: 0 });
  }
  await journal(here, 'kitchen', kitchen.id, 'import', {
    writtenAt: file.writtenAt,
    formulas: file.formulas.length,
    lots: file.lots.length,
  });
  return { formulas: file.formulas.length, lots: file.lots.length };
}

export function kitchenFileRouter(app: AppContext): void {
  serve(app, kitchenFileRoutes.import, async (call) => {
    const { file, today } = call.body;
    const hashes = new Map<string, string>();
    for (const { key, name, password } of file.accounts) {
      refuseWeak(password, [name]);
      hashes.set(key, await hashPassword(password));
    }
    return call.write((w) => importKitchen(w, file, today, hashes));
  });
}
