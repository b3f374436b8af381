import { noAcids } from '../../acid/index.ts';
import { weight } from '../../quantity/index.ts';
import { sucroseSaturation } from '../../sugar/index.ts';
import type { FormulaStep } from '../content.ts';
import type { Result } from '../forecast/outcome.ts';
import type { Scenario } from '../forecast/scenario.ts';
import { strainMethods } from '../methods.ts';
import { blendedPan, type Composition, fruitOf, liquidOf, massOf, type Pan, pour, shareOf } from './pan.ts';

/**
 * Whether a step takes the pieces out: a cloth does, but for the one through which a soak is thrown away.
 * @example takesOut({ id: 's', kind: 'strain', title: 'Strain' }) // true
 */
export const takesOut = (step: FormulaStep): boolean => step.kind === 'strain' && !step.liquidAway;

/** g of a soak that clings to a gram of what was soaked, and that a gram of dry cell wall takes up: dried fruit swells to some twice its weight. */
const [CLINGS, SWELLS] = [0.08, 10];

/** A soak poured off: its liquid goes, with what it drew; what was soaked goes on, wet. */
function pouredOff(pan: Pan): Result {
  const pieces = fruitOf(pan);
  const dry = pan.fruit.dried?.insoluble ?? 0;
  const liquid = massOf(pan.liquid);
  const kept = Math.min(0.95 * liquid, CLINGS * massOf(pieces) + SWELLS * dry);
  const share = liquid > 0 ? kept / liquid : 0;
  return {
    pan: { liquid: shareOf(pan.liquid, share), fruit: pan.fruit },
    tell: () => ({
      retained: liquid * (1 - share),
      ...(massOf(pieces) > 0 ? {} : { note: 'Nothing was soaked: all of it is thrown away.' }),
    }),
  };
}

/** g of sucrose in a liquid over what its water holds at a temperature in °C. */
function undissolved(liquid: Composition, celsius: number): number {
  if (!(liquid.water > 0)) return 0;
  const percent = sucroseSaturation(Math.min(90, Math.max(0, celsius)));
  const holds = (percent / (100 - percent)) * liquid.water;
  return Math.max(0, liquid.sucrose - holds);
}

/** What counts as sugar at the bottom of the bowl, as a share of it. */
const SEEN = 0.02;

/** A pan through a cloth: what runs through goes on, unless it is what is thrown away. @param celsius how warm the pan is, °C */
export function strainStep(pan: Pan, step: FormulaStep, scenario: Scenario, celsius: number): Result {
  if (step.liquidAway) return pouredOff(pan);
  const facts = step.cloth && strainMethods[step.cloth];
  const keeps = step.keeps !== undefined ? scenario.set(step.keeps) : facts ? scenario.pick(facts.keeps) : 1;
  const share = Math.min(1, keeps);
  const fruit = fruitOf(pan);
  const solid = () => undissolved(pan.liquid, step.celsius ?? celsius);
  const runs = step.sugarStays ? pour(shareOf(pan.liquid, 1), SUGAR, -solid() / 100) : pan.liquid;
  const liquid = shareOf(runs, share);
  liquid.insoluble = (pan.liquid.insoluble + fruit.insoluble) * (facts?.pulp ?? 0) * share;
  const tell = () => ({
    retained: massOf(pan.liquid) + massOf(fruit) - massOf(liquid),
    ...noted(pan, fruit, step, solid()),
  });
  return { pan: { liquid, fruit: {} }, tell };
}

const SUGAR: Composition = {
  water: 0,
  sucrose: 100,
  glucose: 0,
  fructose: 0,
  otherSolids: 0,
  insoluble: 0,
  ethanol: 0,
  acids: noAcids(),
  baseEquivalents: 0,
};

function noted(pan: Pan, fruit: Composition, step: FormulaStep, solid: number): { note?: string } {
  const undrawn = liquidOf(fruit);
  if (undrawn > 0 && undrawn > 0.9 * liquidOf(blendedPan(pan)))
    return { note: 'Nothing was extracted from the fruit before this: add an extraction step before it.' };
  if (!(solid > SEEN * pan.liquid.sucrose && solid > 1)) return {};
  return {
    note: step.sugarStays
      ? `${weight(solid)} of the sugar does not dissolve and stays in the cloth.`
      : `${weight(solid)} of the sugar does not dissolve: stir it in until it has, or say that it stays in the cloth.`,
  };
}
