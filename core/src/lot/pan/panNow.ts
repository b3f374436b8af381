import { type Acids, acidsIn } from '../../acid/index.ts';
import {
  boils,
  type FormulaContent,
  type FormulaStep,
  type FoundPan,
  fruitOf,
  massOf,
  onTheFire,
  type Pan,
  panBefore,
  solidsOf,
  solidVolumeOf,
  volumeOf as volumeOfParts,
  type Weighing,
} from '../../formula/index.ts';
import { boilingPointOfWater } from '../../heat/index.ts';
import {
  type BrixCorrection,
  brixCorrections,
  depthAtVolume,
  type HeatingForecast,
  heatingForecast,
  type PanPrior,
  panOfVolume,
  reductionForecast,
  swellingAt,
  type VesselShape,
  vesselVolume,
  waterAfter,
} from '../../pan/index.ts';
import type { CupSchool } from '../../quantity/index.ts';
import { boilingPoint, brixFromBoilingPoint, brixLooking, densityAt20 } from '../../sugar/index.ts';
import { weighingOf } from '../catalogue.ts';
import { type LotRecord, type LotStep, standing } from '../record.ts';
import { elapsedAt, presentStep, stepClock } from './clock.ts';
import {
  additionsAt,
  type FruitIn,
  type Look,
  looksAt,
  ordered,
  type Poured,
  panReadings,
  solidsByPairs,
  warmthAt,
} from './panEvents.ts';
import { contentInPan } from './panLines.ts';
import { orNull, type PanVessel, rateBefore, volumeOf } from './panRate.ts';

/** How much there is was put on a scale, into a jug, or read off a ruler. */
type PanRead = 'weighed' | 'measured in a jug' | 'dipped';

export interface PanNow {
  /** As reckoned at this moment. */
  grams: number;
  brix: number;
  /** mL at 20 °C, and as it stands in the pan, hot. */
  millilitres: number;
  hotMillilitres: number;
  celsius: number;
  /** What its amount was last known by. */
  by: `${PanRead}${'' | ', and what happened since'}` | 'what went in' | 'as recorded';
  solidsGrams: number;
  solidsFrom: 'measured' | 'estimated';
  /** Acids of all that went in, mol. */
  acids: Acids;
  /** mm on the ruler; null without a vessel, or where it does not hold that. */
  depthMm: number | null;
  startDepthMm: number | null;
  targetDepthMm: number | null;
  target: { brix: number; grams: number; millilitres: number } | null;
  /** Seconds from now with the 80 % interval; null without a mark to stop at. `high` may be Infinity. */
  left: { seconds: number; low: number; high: number } | null;
  gramsPerMinute: number;
  /** What the minutes rest on. */
  rateFrom: 'this batch' | 'this pan before' | 'the formula' | 'typical';
  readings: number;
  /** What brings it to its mark as last measured, smallest change first; empty without a °Bx read. */
  corrections: BrixCorrection[];
  heating: (HeatingForecast & { target: number; now: number }) | null;
  /** The batch fills more than half the vessel. */
  overHalf: boolean;
  scorch: boolean;
}

export interface PanSetting {
  cup: CupSchool | null;
  vessel: PanVessel | null;
}

/** A pan is watched for scorching from this °Bx on, or as shallow as this, mm. */
const SCORCH_BRIX = 68;
const SCORCH_MM = 12;
/** What a kitchen fire warms a full pan by, °C a minute; typical. */
const WARMS = { degreesPerMinute: 4, spread: 0.6 };

/** The °Bx at which a step stops; null where it goes by its minutes alone. */
function targetBrix(step: FormulaStep | undefined, start: PanPrior, elevationMetres: number): number | null {
  if (!step) return null;
  if (step.toBrix !== undefined) return step.toBrix;
  if (step.toCelsius !== undefined)
    return orNull(() => brixFromBoilingPoint({ celsius: step.toCelsius!, elevationMetres }).brix);
  if (step.toThickness !== undefined) return brixLooking(step.toThickness)[1];
  if (step.toFraction === undefined || start.solidsGrams <= 0) return null;
  const begun = start.waterGrams + start.solidsGrams;
  const aim = step.toFraction * volumeOf(begun, (100 * start.solidsGrams) / begun);
  let [low, high] = [0.01, 80];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (volumeOf((100 * start.solidsGrams) / middle, middle) > aim) low = middle;
    else high = middle;
  }
  return high > 79.9 ? null : (low + high) / 2;
}

function heatingOf(
  looks: readonly Look[],
  step: FormulaStep | undefined,
  elevationMetres: number,
): PanNow['heating'] {
  const target = step?.toCelsius ?? (step?.kind === 'heat' ? (step.celsius ?? 90) : step?.celsius);
  const warm = looks.filter((r) => r.kind === 'temperature');
  if (target === undefined || target < 40 || warm.length === 0) return null;
  if (step?.toCelsius === undefined && target > boilingPointOfWater(elevationMetres) + 2) return null;
  const began = Date.parse(warm[0]!.at);
  const readings = warm.map((r) => ({ seconds: (Date.parse(r.at) - began) / 1000, celsius: r.value }));
  return { ...heatingForecast({ readings, target, prior: WARMS }), target, now: warm.at(-1)!.value };
}

/** All that is known of a pan at a step, gathered before anything is reckoned. */
interface Known {
  said: FormulaStep | undefined;
  shape: VesselShape | null;
  looks: Look[];
  added: Poured[];
  /** Those of them that went in before the first look and the clock: they are in the prior. */
  early: Poured[];
  prior: PanPrior;
  rateFrom: PanNow['rateFrom'];
  /** Solids in g of the pan as the step began, nothing of the step in it. */
  begunSolids: number;
  /** Solids in g of the pan now, all additions in. */
  solids: number;
  measured: boolean;
  acids: Acids;
  fruit: FruitIn;
}

const sumOf = (list: readonly Poured[], of: 'waterGrams' | 'solidsGrams') =>
  list.reduce((sum, a) => sum + a[of], 0);

function acidsOf(liquid: { acids: number[] }, added: readonly Poured[]): Acids {
  const acids = liquid.acids.slice();
  for (const a of added) for (let i = 0; i < acids.length; i++) acids[i]! += a.acids[i]! * a.share;
  return acidsIn(acids);
}

/** A lot's pan along its steps: what goes into it, and what was found in it at the end of those before. */
interface Along {
  lot: LotRecord;
  setting: PanSetting;
  content: FormulaContent;
  weighing: Weighing;
  found: Map<string, FoundPan>;
}

/** The pan before a step, nothing of it in; of a straining, what came through it. */
function panFor({ lot, content, weighing, found }: Along, step: LotStep): Pan {
  const at = content.steps.findIndex((s) => s.id === step.formulaStepId);
  if (content.steps[at]?.kind !== 'strain')
    return panBefore(content, step.formulaStepId, weighing, lot.elevationMetres, found);
  const first = content.steps[0]!.id;
  const before = new Set(content.steps.slice(0, at).map((s) => s.id));
  const strained: FormulaContent = {
    ...content,
    steps: [...content.steps.slice(0, at + 1), AFTER],
    lines: content.lines.filter((line) => before.has(line.stepId ?? first)),
  };
  return panBefore(strained, AFTER.id, weighing, lot.elevationMetres, found);
}

const AFTER: FormulaStep = { id: 'after the straining', kind: 'add', title: '' };

/** How far a pan may lie from what was put in, as a share; and where it was weighed or poured at the end of the step before. */
const UNMEASURED = 0.12;
const MEASURED = 0.02;

function gathered(along: Along, step: LotStep): Known | null {
  const { lot, setting, content } = along;
  const shape = setting.vessel?.shape ?? null;
  const said = content.steps.find((s) => s.id === step.formulaStepId);
  const before = panFor(along, step);
  const { liquid } = before;
  const pieces = fruitOf(before);
  const fruit = { grams: massOf(pieces), millilitres: volumeOfParts(pieces) + solidVolumeOf(pieces) };
  const events = ordered([...looksAt(lot, step), ...additionsAt(lot, step)]);
  const looks = events.filter((e): e is Look => 'kind' in e);
  const added = events.filter((e): e is Poured => !('kind' in e));
  const first = looks[0]?.at ?? '~';
  const isTimed = loses(said) && liquid.water > 0;
  const early = added.filter((a) => a.at < first && (a.seconds < 1 || !isTimed));
  const pairs = solidsByPairs(lot, looks, added, { shape, fruit });
  const begunSolids = pairs.length > 0 ? pairs.reduce((s, p) => s + p, 0) / pairs.length : solidsOf(liquid);
  const rate = rateBefore(said, before, setting.vessel, lot.elevationMetres);
  const last = content.steps[content.steps.findIndex((s) => s.id === step.formulaStepId) - 1];
  const prior: PanPrior = {
    waterGrams: liquid.water + liquid.ethanol + sumOf(early, 'waterGrams'),
    solidsGrams: begunSolids + sumOf(early, 'solidsGrams'),
    gramsPerMinute: rate.gramsPerMinute,
    spread: rate.spread,
    waterSpread: last && along.found.has(last.id) ? MEASURED : UNMEASURED,
  };
  if (!(prior.waterGrams > 0)) return null;
  return {
    said,
    shape,
    looks,
    added,
    early,
    prior,
    begunSolids,
    fruit,
    rateFrom: rate.from,
    solids: begunSolids + sumOf(added, 'solidsGrams'),
    measured: pairs.length > 0,
    acids: acidsOf(liquid, added),
  };
}

const isAmount = (look: Look): boolean =>
  look.kind === 'mass' || look.kind === 'volume' || look.kind === 'depth';

/** Whether a step stands on the fire: its pan loses water while its clock runs. */
const loses = (said: FormulaStep | undefined): boolean => said !== undefined && onTheFire(said);

/** The pan as the last event left it, and as it is reckoned by now. */
function estimated(step: LotStep, known: Known, lot: LotRecord, now: string) {
  const { prior, solids, added, early, looks, shape, said, fruit, begunSolids } = known;
  const onTheWay = added.filter((a) => !early.includes(a));
  const readings = panReadings(lot, looks, added, { solidsGrams: begunSolids, shape, fruit });
  const brixAim = targetBrix(said, prior, lot.elevationMetres);
  const target = brixAim !== null && solids > 0 ? { brix: brixAim } : { grams: solids + 1 };
  const forecast = orNull(() => reductionForecast({ readings, additions: onTheWay, target, prior }));
  if (!forecast) return null;
  const lastAt = Math.max(0, ...readings.map((r) => r.seconds), ...onTheWay.map((a) => a.seconds));
  const since = loses(said) ? Math.max(0, elapsedAt(step, now) - lastAt) : 0;
  const water = waterAfter(
    {
      waterGrams: forecast.grams - solids,
      solidsGrams: solids,
      gramsPerMinute: forecast.gramsPerMinute,
    },
    since,
  );
  const grams = Math.max(1, water + solids);
  return { readings, forecast, since, brixAim, grams, brix: Math.min(85, (100 * solids) / grams) };
}

/**
 * What was weighed or poured last is what there is, while nothing boils off it; what went in since is added.
 * @returns g; null where it was not, or cannot be
 */
function asLastRead(step: LotStep, known: Known, now: string): number | null {
  const { looks, added, fruit, solids, said } = known;
  const last = looks.filter(isAmount).at(-1);
  if (!last || last.kind === 'depth') return null;
  if (loses(said) && elapsedAt(step, now) - last.seconds > 1) return null;
  const since = added.filter((a) => a.seconds > last.seconds);
  const more = sumOf(since, 'waterGrams') + sumOf(since, 'solidsGrams');
  const then = solids - sumOf(since, 'solidsGrams');
  const grams =
    last.kind === 'mass'
      ? last.value - fruit.grams
      : orNull(
          () =>
            panOfVolume({
              hotMillilitres: last.value - fruit.millilitres,
              celsius: 20,
              solidsGrams: Math.max(0.01, then),
            }).grams,
        );
  return grams !== null && grams > then ? grams + more : null;
}

function knownBy(known: Known, lot: LotRecord): PanNow['by'] {
  const last = known.looks.filter(isAmount).at(-1);
  const since =
    known.added.some((a) => last && a.at > last.at) || (loses(known.said) && lot.state === 'making');
  if (!last) return 'what went in';
  const how = last.kind === 'mass' ? 'weighed' : last.kind === 'volume' ? 'measured in a jug' : 'dipped';
  return since ? `${how}, and what happened since` : how;
}

const hotMl = (ml: number, celsius: number) => ml * swellingAt(Math.min(110, Math.max(0, celsius)));

/** Depths on the ruler: now, at the start, and of the mark to stop at. */
function depthsOf(
  known: Known,
  at: { hot: number; celsius: number; target: PanNow['target']; elevationMetres: number },
): Pick<PanNow, 'depthMm' | 'startDepthMm' | 'targetDepthMm' | 'overHalf'> {
  const { shape, prior, added, early, solids } = known;
  if (!shape) return { depthMm: null, startDepthMm: null, targetDepthMm: null, overHalf: false };
  const depthOf = (ml: number) => orNull(() => depthAtVolume(shape, ml));
  // As high as it would stand with everything in and nothing boiled off yet.
  const onTheWay = sumOf(
    added.filter((a) => !early.includes(a)),
    'waterGrams',
  );
  const start = prior.waterGrams + onTheWay + solids;
  const startMl = hotMl(volumeOf(start, (100 * solids) / start), at.celsius);
  const brix = at.target ? Math.min(78, at.target.brix) : 0;
  const boils = orNull(() => boilingPoint({ brix, elevationMetres: at.elevationMetres })) ?? at.celsius;
  return {
    depthMm: depthOf(at.hot),
    startDepthMm: depthOf(startMl),
    targetDepthMm: at.target ? depthOf(hotMl(at.target.millilitres, boils)) : null,
    overHalf: Math.max(startMl, at.hot) > vesselVolume(shape) / 2,
  };
}

/** What brings the pan to its mark as last measured; nothing where something went in since. */
function correctionsOf(known: Known, target: PanNow['target'], grams: number): BrixCorrection[] {
  const last = known.looks.filter((r) => r.kind === 'brix').at(-1);
  if (!last || !target || known.added.some((a) => a.at > last.at)) return [];
  return orNull(() => brixCorrections({ grams, brix: last.value, target: target.brix })) ?? [];
}

/** The instant that a step's pan ended at: when it was done, or when a later one began; null while it goes on. */
function endOf(lot: LotRecord, step: LotStep): string | null {
  const { doneAt } = stepClock(step, '9999');
  if (doneAt !== null) return doneAt;
  const later = lot.steps.filter((s) => s.position > step.position).flatMap((s) => s.marks.map((m) => m.at));
  return later.sort()[0] ?? null;
}

/** The pan along a lot's steps before one of them: what was weighed, dipped, poured and read at the end of each stands from there on. */
function upTo(lot: LotRecord, step: LotStep, setting: PanSetting): Along {
  const along: Along = {
    lot,
    setting,
    content: contentInPan(lot, setting.cup),
    weighing: weighingOf(lot, setting.cup),
    found: new Map(),
  };
  const before = lot.steps.filter((s) => s.position < step.position);
  for (const earlier of before.sort((a, b) => a.position - b.position)) {
    const end = endOf(lot, earlier);
    if (end === null || !looksAt(lot, earlier).some((look) => isAmount(look) || look.kind === 'brix'))
      continue;
    const known = gathered(along, earlier);
    const pan = known && standingAt(lot, earlier, known, end);
    if (pan)
      along.found.set(earlier.formulaStepId, {
        waterGrams: pan.grams - known.solids,
        solidsGrams: known.solids,
      });
  }
  return along;
}

/** The pan at a step by an instant: as it was read last, or as it is reckoned. */
function standingAt(lot: LotRecord, step: LotStep, known: Known, now: string) {
  const reckoned = estimated(step, known, lot, now);
  if (!reckoned) return null;
  const read = asLastRead(step, known, now);
  return read === null
    ? reckoned
    : { ...reckoned, grams: read, brix: Math.min(85, (100 * known.solids) / read) };
}

/** The tally that stands, where nothing went in after it: what was in the pan, to the millilitre. */
function talliedMl(lot: LotRecord): number | null {
  const tally = standing(lot.tallies).at(-1);
  return tally && !standing(lot.additions).some((a) => a.grams > 0 && a.at > tally.at) ? tally.inPanMl : null;
}

/**
 * A lot's pan at one of its steps, from all that was weighed, dipped, poured, read and put in, there and before: how it stands, how long is left, what would
 * correct it. What fruit stands in it is taken off. Nothing else works out what is in a pan.
 * @param lot its record; @param step one of its steps; @param setting cups, and the vessel where it is known; @param now ISO 8601
 * @returns null where there is nothing in the pan before that step
 * @example panNow({ ...lot, additions: [], tallies: [] }, { ...lot.steps[0], formulaStepId: 'cook' }, { cup: 'us', vessel: null }, T(0.5)) // null
 */
export function panNow(lot: LotRecord, step: LotStep, setting: PanSetting, now: string): PanNow | null {
  const known = gathered(upTo(lot, step, setting), step);
  const stands = known && standingAt(lot, step, known, now);
  if (!known || !stands) return null;
  const { forecast, since, brixAim, brix, readings } = stands;
  const running = stepClock(step, now).state === 'running';
  const boiling = running && known.said !== undefined && boils(known.said);
  const celsius = warmthAt(lot, known.looks, now, boiling);
  const tallied = talliedMl(lot);
  const millilitres = tallied ?? volumeOf(stands.grams, brix);
  const grams = tallied === null ? stands.grams : tallied * densityAt20(Math.min(80, brix));
  const hot = hotMl(millilitres, celsius);
  const aimed = brixAim === null || known.solids <= 0 ? null : (100 * known.solids) / brixAim;
  const target =
    aimed === null ? null : { brix: brixAim!, grams: aimed, millilitres: volumeOf(aimed, brixAim!) };
  const left = (seconds: number) => Math.max(0, seconds - since);
  const depths = depthsOf(known, { hot, celsius, target, elevationMetres: lot.elevationMetres });
  return {
    grams,
    brix,
    millilitres,
    hotMillilitres: hot,
    celsius,
    by: tallied === null ? knownBy(known, lot) : 'as recorded',
    // Sugar beyond what a table of syrups holds is in the pan all the same.
    solidsGrams: tallied === null && known.solids <= grams ? known.solids : (grams * brix) / 100,
    solidsFrom: known.measured ? 'measured' : 'estimated',
    acids: known.acids,
    ...depths,
    target,
    left: target
      ? { seconds: left(forecast.seconds), low: left(forecast.low), high: left(forecast.high) }
      : null,
    gramsPerMinute: forecast.gramsPerMinute,
    rateFrom: readings.some((r) => r.seconds > 60) ? 'this batch' : known.rateFrom,
    readings: readings.length,
    corrections: correctionsOf(known, target, grams),
    heating: orNull(() => heatingOf(known.looks, known.said, lot.elevationMetres)),
    scorch: boiling && (brix >= SCORCH_BRIX || (depths.depthMm ?? Number.POSITIVE_INFINITY) < SCORCH_MM),
  };
}

/**
 * A lot's pan at the step in hand, or at its last where all are done: what there is to fill.
 * @param setting cups, and the vessel where it is known; @param now ISO 8601
 * @example panInHand({ ...lot, steps: [] }, { cup: 'us', vessel: null }, T(1)) // null
 */
export function panInHand(lot: LotRecord, setting: PanSetting, now: string): PanNow | null {
  const step = presentStep(lot.steps, now) ?? [...lot.steps].sort((a, b) => a.position - b.position).at(-1);
  return step ? panNow(lot, step, setting, now) : null;
}
