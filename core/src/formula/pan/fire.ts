import type { Range } from '../../ingredient/index.ts';
import { evaporationRate, type Fire, type Lid, relativeRate, typicalPan } from '../../pan/index.ts';
import { boilingPoint } from '../../sugar/index.ts';
import { saysBoil } from '../boilWords.ts';
import type { FormulaStep } from '../content.ts';
import { heldAt } from '../methods.ts';
import type { Texture } from '../texture.ts';
import { brixOf, type Composition, massOf, type Pan, solidsOf } from './pan.ts';
import { shareToBrix, sugarsOf } from './reduction.ts';

/** Where a formula is cooked: how high the kitchen stands, and how wide its pan is, mm, where that is said. */
export interface Stove {
  elevationMetres: number;
  panMm?: number | undefined;
  /** Water that reductions of it lost before, g a minute: what the kitchen's own lots showed takes the place of the physics. */
  boiledOff?: Range | undefined;
}

/** Temperature in °C at which a liquid boils at an elevation in m. */
export function boilsAt(liquid: Composition, elevationMetres: number): number {
  const { brix, composition } = sugarsOf(liquid);
  return boilingPoint({ brix, elevationMetres, composition });
}

/** How far under its boil a pan is kept that must never boil, °C. */
const UNDER = 3;

/** °C from which on a step that is called a boil is one: higher up it boils cooler. */
const CALLED_BOIL = 90;
const SEA_LEVEL_BOIL = 100;

function isBoil(step: FormulaStep): boolean {
  if (step.neverBoil || !onTheFire(step)) return false;
  if (step.kind === 'reduce' || (step.celsius ?? 0) >= SEA_LEVEL_BOIL) return true;
  if (step.celsius !== undefined) return step.celsius >= CALLED_BOIL && saysBoil(step.title);
  return step.lidOff === true || saysBoil(step.title);
}

const boilsKnown = new WeakMap<FormulaStep, boolean>();

/**
 * Whether a step boils, whatever its kind: a reduction, what is called a boil, held at 100 °C, or open on the fire without another temperature.
 * @example boils({ id: 'h', kind: 'heat', title: 'Boil hard' }) // true
 */
export function boils(step: FormulaStep): boolean {
  const known = boilsKnown.get(step);
  if (known !== undefined) return known;
  const found = isBoil(step);
  boilsKnown.set(step, found);
  return found;
}

/**
 * The lid of a step: a boil is open unless it is said to be covered; anything else is covered unless it is said to be open.
 * @example lidOf({ id: 'r', kind: 'reduce', title: 'Reduce' }) // 'off'
 */
export function lidOf(step: FormulaStep): Lid {
  if (step.lidHalf) return 'half';
  return (step.lidOff ?? boils(step)) || step.kind === 'reduce' ? 'off' : 'on';
}

/**
 * The fire of a step: medium where it is not said, which is a boil of some 25 g a minute in a pan 280 mm wide.
 * @example fireOf({ id: 'r', kind: 'reduce', title: 'Reduce', fire: 'full' }) // 'full'
 */
export const fireOf = (step: FormulaStep): Fire => step.fire ?? 'medium';

/**
 * Whether a step stands on the fire.
 * @example onTheFire({ id: 's', kind: 'strain', title: 'Strain' }) // false
 */
export const onTheFire = (step: FormulaStep): boolean =>
  step.kind === 'reduce' || step.kind === 'heat' || (step.kind === 'draw' && heldAt(step) >= 60);

/** °C that a pan is kept at through a step: its boil, or what it is held at under it. */
export function keptAt(step: FormulaStep, liquid: Composition, elevationMetres: number): number {
  const boil = boilsAt(liquid, elevationMetres);
  const most = step.neverBoil ? boil - UNDER : boil;
  return step.kind === 'reduce' || boils(step) ? most : Math.min(heldAt(step), most);
}

/**
 * Water that a step's pan loses in g a minute as it begins, low, typical and high: as the kitchen said, or by its pan, fire, lid and temperature.
 * A formula without a pan is reckoned in one usual for its batch.
 * @param pan what is in it, g; @param stove elevation in m, width of the pan in mm
 * @example rateOf({ id: 'r', kind: 'reduce', title: 'Reduce', evaporates: 20 }, { liquid: nothing(), fruit: {} }, { elevationMetres: 0 })[1] // 20
 */
export function rateOf(step: FormulaStep, pan: Pan, { elevationMetres, panMm, boiledOff }: Stove): Range {
  if (step.evaporates !== undefined) return [step.evaporates, step.evaporates, step.evaporates];
  if (boiledOff && boils(step) && lidOf(step) === 'off') return boiledOff;
  const liquid = massOf(pan.liquid);
  if (!(liquid > 0)) return [0, 0, 0];
  let fruit = 0;
  for (const texture in pan.fruit) fruit += massOf(pan.fruit[texture as Texture]!);
  const { gramsPerMinute, low, high } = evaporationRate({
    diameterMm: Math.min(1000, Math.max(60, panMm ?? typicalPan((liquid + fruit) / DENSITY))),
    fire: fireOf(step),
    lid: lidOf(step),
    // Over its boil it is at its boil.
    celsius: boils(step) ? HOTTEST : Math.max(0, keptAt(step, pan.liquid, elevationMetres)),
    brix: Math.min(85, brixOf(pan.liquid)),
    elevationMetres,
    grams: liquid + fruit,
  });
  return [low, gramsPerMinute, high];
}

/** g/mL of what is in a pan, near enough to choose one for it. */
const DENSITY = 1.08;

/** °C over any boil in a kitchen. */
const HOTTEST = 125;

/** °Bx over which nothing is reckoned: from there on it is confectionery. */
const STIFFEST = 85;
const PIECES = 8;

/** A share of the water to boil off, ended where the liquid would pass 85 °Bx; `stops` says where that is. */
export function cappedAt(liquid: Composition, share: number): { share: number; stops: boolean } {
  const most = solidsOf(liquid) > 0 ? shareToBrix(liquid, STIFFEST) : 0.99;
  return share > most ? { share: most, stops: solidsOf(liquid) > 0 } : { share, stops: false };
}

/**
 * Share of the water that goes in some minutes at a rate in g a minute as it begins: the thicker, the slower; never past 85 °Bx, and `stops` says where that ends it.
 */
export function shareIn(
  liquid: Composition,
  rate: number,
  minutes: number,
): { share: number; stops: boolean } {
  const { water } = liquid;
  if (!(water > 0 && rate > 0 && minutes > 0)) return { share: 0, stops: false };
  const solids = solidsOf(liquid);
  const begun = relativeRate(water, solids);
  const each = (rate * minutes) / PIECES;
  let left = water;
  for (let i = 0; i < PIECES && left > 0; i++) {
    // The rate in the middle of the piece.
    const half = left - (each * relativeRate(left, solids)) / begun / 2;
    left -= (each * relativeRate(Math.max(0, half), solids)) / begun;
  }
  return cappedAt(liquid, Math.min(1, 1 - left / water));
}

/** Minutes until a share of the water is gone, at a rate in g a minute as it begins. */
export function minutesTo(liquid: Composition, share: number, rate: number): number {
  if (!(share > 0)) return 0;
  if (!(rate > 0)) return Number.POSITIVE_INFINITY;
  const solids = solidsOf(liquid);
  const begun = relativeRate(liquid.water, solids);
  const each = (liquid.water * share) / PIECES;
  let minutes = 0;
  for (let i = 0; i < PIECES; i++)
    minutes += (each * begun) / (rate * relativeRate(liquid.water - each * (i + 0.5), solids));
  return minutes;
}

/** Sugar stages by the dissolved solids of a boiling syrup, °Bx. */
const STAGES: readonly [under: number, name: string][] = [
  [80, 'near the thread stage'],
  [84.5, 'at the thread stage'],
  [Number.POSITIVE_INFINITY, 'at the soft ball stage and on'],
];
/** °Bx over which a boil is confectionery. */
const CONFECTIONERY = 76;

/** What happens to a pan boiled so far, in one sentence; undefined where it is a syrup. */
export function tooFar(brix: number, stops: boolean): string | undefined {
  if (!stops && brix <= CONFECTIONERY) return undefined;
  const stage = STAGES.find(([under]) => brix < under)![1];
  const what = `${Math.round(brix)} °Bx is confectionery, ${stage}: it grains or sets hard as it cools, and scorches on the fire`;
  return stops
    ? `It would boil past ${STIFFEST} °Bx, and the forecast stops there: ${what}. Boil it for less long, or a larger batch.`
    : `${what}. Stop at 65 to 68 °Bx for a syrup.`;
}
