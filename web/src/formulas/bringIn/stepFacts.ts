import { extractionMethods, type FormulaStep, strainMethods } from '@inch/core/formula';
import { limitOfHeat, temperature } from '@inch/core/quantity';
import type { SaidField } from '@inch/core/recipe';
import { thicknesses } from '@inch/core/sugar';

/** Minutes as a cook says them. */
function timeSaid(minutes: number): string {
  if (minutes >= 2880) return `${Number((minutes / 1440).toFixed(1))} days`;
  return minutes >= 120 ? `${Number((minutes / 60).toFixed(1))} h` : `${minutes} min`;
}

/** Something that was read of a step, in words. */
export interface StepFact {
  field: SaidField;
  says: string;
}

/** What a step has when a fact of it is cleared. */
export const CLEARED: Record<SaidField, Partial<FormulaStep>> = {
  kind: { method: undefined },
  minutes: { minutes: undefined },
  celsius: { celsius: undefined },
  toCelsius: { toCelsius: undefined },
  toFraction: { toFraction: undefined },
  toBrix: { toBrix: undefined },
  toThickness: { toThickness: undefined },
  cloth: { cloth: undefined },
  lid: { lidOff: undefined, lidHalf: undefined },
  fire: { fire: undefined },
  neverBoil: { neverBoil: undefined },
  killStep: { killStep: undefined },
  liquidAway: { liquidAway: undefined },
} as Record<SaidField, Partial<FormulaStep>>;

const lidSays = ({ lidHalf, lidOff }: FormulaStep): string =>
  lidHalf ? 'lid half on' : lidOff ? 'lid off' : lidOff === false ? 'lid on' : '';

/** What was read of a step, fact by fact. */
export function stepFacts(step: FormulaStep): StepFact[] {
  const { method, cloth, minutes, celsius, toFraction, toBrix, toCelsius, toThickness } = step;
  const facts: [SaidField, string][] = [
    ['kind', step.kind === 'draw' && method ? extractionMethods[method].name.toLowerCase() : ''],
    ['cloth', step.kind === 'strain' && cloth ? strainMethods[cloth].name : ''],
    ['minutes', minutes === undefined ? '' : timeSaid(minutes)],
    ['celsius', celsius === undefined ? '' : temperature(celsius)],
    ['toFraction', toFraction === undefined ? '' : `until ${Math.round(100 * toFraction)} % is left`],
    ['toBrix', toBrix === undefined ? '' : `to ${toBrix} °Bx`],
    ['toCelsius', toCelsius === undefined ? '' : `until it boils at ${temperature(toCelsius)}`],
    ['toThickness', toThickness === undefined ? '' : `until it ${thicknesses[toThickness].says}`],
    ['lid', lidSays(step)],
    ['fire', step.fire === undefined ? '' : `${step.fire} fire`],
    ['liquidAway', step.liquidAway ? 'the liquid is thrown away' : ''],
    ['killStep', step.killStep ? `reaches ${limitOfHeat(90)} or boils for a minute` : ''],
    ['neverBoil', step.neverBoil ? 'kept under the boil' : ''],
  ];
  return facts.filter(([, says]) => says !== '').map(([field, says]) => ({ field, says }));
}
