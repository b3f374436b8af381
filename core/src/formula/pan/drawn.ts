import type { Scenario } from '../forecast/scenario.ts';
import { extractionMethods } from '../methods.ts';
import type { Texture } from '../texture.ts';
import { fruitOf, liquidOf, type Pan, pour, shareOf } from './pan.ts';

/** Moves a share of what is in the fruit into the liquid, by its texture; what does not dissolve stays, unless a blender makes pulp of it. */
export function drawn(pan: Pan, shareFor: (texture: Texture) => number, pulped: boolean): Pan {
  const next: Pan = { liquid: shareOf(pan.liquid, 1), fruit: {} };
  for (const key in pan.fruit) {
    const texture = key as Texture;
    const pieces = pan.fruit[texture]!;
    const share = Math.min(1, shareFor(texture));
    const { insoluble } = pieces;
    const out = shareOf(pieces, share);
    const left = shareOf(pieces, 1 - share);
    out.insoluble = pulped ? insoluble : 0;
    left.insoluble = pulped ? 0 : insoluble;
    pour(next.liquid, out, 1);
    next.fruit[texture] = left;
  }
  return next;
}

/** What part of what was in the fruit came out. */
export function drewOf(before: Pan, after: Pan): number | null {
  const held = liquidOf(fruitOf(before));
  return held > 0 ? 1 - liquidOf(fruitOf(after)) / held : null;
}

/** From this temperature on, °C, fruit in the liquid cooks and gives its juice; at a simmer it does so faster. */
const [COOKS, SIMMERS] = [60, 85];
/** Minutes in which cooking fruit gives up about two thirds of what it will, under a simmer and at it. */
const [SLOW, FAST] = [20, 8];

/**
 * Share of what is in fruit that heat alone draws out of it into the liquid it stands in, by its texture: what cooking soft does, by its minutes.
 * @param at °C and minutes; null under 60 °C, where heat draws nothing to speak of
 */
export function cookedShare(
  at: { celsius: number; minutes: number },
  scenario: Scenario,
): ((texture: Texture) => number) | null {
  const { celsius, minutes } = at;
  if (celsius < COOKS || !(minutes > 0)) return null;
  const { draws, minutes: whole } = extractionMethods.cooked;
  const pace = celsius < SIMMERS ? SLOW : FAST;
  const done = (1 - Math.exp(-minutes / pace)) / (1 - Math.exp(-whole / FAST));
  return (texture) => Math.min(1, done) * scenario.pick(draws[texture]);
}

/** Whether there is fruit in the pan, and liquid that it can give its juice to. */
export function cooksFruit(pan: Pan): boolean {
  if (!(liquidOf(pan.liquid) > 0)) return false;
  for (const _ in pan.fruit) return true;
  return false;
}
