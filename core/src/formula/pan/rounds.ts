import { batchVolume, plural } from '../../quantity/index.ts';
import type { FormulaContent, FormulaStep } from '../content.ts';
import type { StepOutcome } from '../forecast/outcome.ts';
import { onTheFire } from './fire.ts';

/** What a batch is worked in besides the pan: each holds so much, and a larger batch is parted by it. */
export const KIT_USES = ['blender', 'bag', 'crock'] as const;
export type KitUse = (typeof KIT_USES)[number];

/** Share of its volume that each may be filled to, 0–1: a blender spills over its mark, a crock is stirred, a bag hangs. */
const FILLED: Record<KitUse, number> = { blender: 0.7, bag: 0.9, crock: 0.9 };
/** Minutes from which what stands off the fire stands in a crock. */
const STANDS = 60;

/** A vessel of the kitchen, by what it is used as. */
export interface KitPiece {
  name: string;
  use: string;
  /** mL to its rim. */
  holdsMl: number;
}

/** A step that is done in several rounds, since its vessel does not hold the batch. */
export interface Rounds {
  stepId: string;
  /** The largest vessel for it. */
  vessel: string;
  rounds: number;
  /** mL in each round, and in all. */
  eachMl: number;
  ofMl: number;
}

function usedFor(step: FormulaStep): KitUse | null {
  if (step.method === 'blended') return 'blender';
  if (step.kind === 'strain' && !step.liquidAway) return step.cloth === 'filter' ? null : 'bag';
  const stands = step.kind === 'draw' || step.kind === 'rest';
  return stands && step.method !== 'jar' && !onTheFire(step) && (step.minutes ?? 0) >= STANDS
    ? 'crock'
    : null;
}

/**
 * What a step's rounds are, in a sentence.
 * @example roundsSaid({ stepId: 'b', vessel: 'Blender', rounds: 3, eachMl: 1000, ofMl: 3000 }) // '3.00 L is more than the blender takes: 3 rounds of 1.00 L.'
 */
export const roundsSaid = ({ vessel, rounds, eachMl, ofMl }: Rounds): string =>
  `${batchVolume(ofMl)} is more than the ${vessel.toLowerCase()} takes: ${plural(rounds, 'round')} of ${batchVolume(eachMl)}.`;

/**
 * Rounds of the canner that a batch's jars take; null where one is enough.
 * @param jars of the batch; @param holds jars in one load, over 0
 * @example loadsSaid(18, 7) // '18 jars are more than the canner takes: 3 loads of up to 7.'
 */
export function loadsSaid(jars: number, holds: number): string | null {
  const loads = Math.ceil(jars / holds);
  return loads > 1 ? `${jars} jars are more than the canner takes: ${loads} loads of up to ${holds}.` : null;
}

/**
 * Steps that the kitchen's blender, drip bag or crock does not hold in one go; none where it has no such vessel written down.
 * @param content the formula; @param outcomes of its steps; @param kit its vessels, mL; @param scale multiple of the formula, over 0
 * @example roundsOf(cherry, forecast(cherry, setting).steps, [{ name: 'Bag', use: 'bag', holdsMl: 9000 }]) // []
 */
export function roundsOf(
  content: FormulaContent,
  outcomes: readonly StepOutcome[],
  kit: readonly KitPiece[],
  scale = 1,
): Rounds[] {
  return content.steps.flatMap((step, i) => {
    const use = usedFor(step);
    const ofMl = (outcomes[i]?.holdsMl ?? 0) * scale;
    const [vessel] = kit.filter((piece) => piece.use === use).sort((a, b) => b.holdsMl - a.holdsMl);
    if (!use || !vessel || !(vessel.holdsMl > 0)) return [];
    const rounds = Math.ceil(ofMl / (FILLED[use] * vessel.holdsMl) - 1e-9);
    return rounds > 1 ? [{ stepId: step.id, vessel: vessel.name, rounds, eachMl: ofMl / rounds, ofMl }] : [];
  });
}
