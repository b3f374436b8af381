import { temperature } from '../../quantity/index.ts';
import { brixRunningLike, runsLike, sucroseSupersaturation, viscosity } from '../../sugar/index.ts';
import type { LineAmount } from '../amounts.ts';
import type { FormulaContent } from '../content.ts';
import { brixOf, type Composition, liquidOf } from '../pan/pan.ts';
import { pulpOf, thickenedBy } from '../pan/pulp.ts';
import { takesOut } from '../pan/strain.ts';

/** Share of what does not dissolve, by weight, from which it settles in the bottle. */
export const SETTLES = 0.002;

/** How it will run, hot and cold, and what it may do in the bottle. */
export interface Body {
  /** mPa·s of a sucrose syrup of its °Bx at 20 °C and at 90 °C, as much thicker as its pulp makes it; null over 80 °Bx. */
  cold: number | null;
  hot: number | null;
  /** "runs hot like single cream, cold like olive oil". */
  runs: string | null;
  /** Likely to set to a jelly: a fault in a syrup. */
  sets: string | null;
  /** Likely to grain. */
  grains: string | null;
  /** Likely to part or settle. */
  parts: string | null;
}

/** Whether fruit rich in pectin is boiled in it before it is strained, or stays in. */
function boiledPectin(content: FormulaContent, lines: readonly LineAmount[]): string[] {
  const boiled = content.steps.some(
    (step) => step.kind === 'reduce' || step.killStep || (step.kind === 'draw' && step.method === 'cooked'),
  );
  if (!boiled) return [];
  const grams = lines.reduce((sum, l) => sum + (l.used ?? 0), 0);
  return lines
    .filter((l) => l.ingredient?.pectinRich && (l.used ?? 0) > 0.05 * grams)
    .map((l) => l.ingredient!.name.toLowerCase());
}

function settingWord(names: readonly string[], brix: number, ph: number | null): string | null {
  if (names.length === 0 || ph === null || ph >= 3.5) return null;
  if (brix > 60) return `Likely to set: ${names.join(', ')} boiled, pH under 3.5 and over 60 °Bx.`;
  return brix > 55 ? `May set if it is reduced further: ${names.join(', ')} sets over 60 °Bx.` : null;
}

function grainWord(product: Composition, celsius: number): string | null {
  if (!(product.water > 0) || product.sucrose === 0) return null;
  const over = sucroseSupersaturation(product, celsius);
  const invert = product.glucose + product.fructose;
  const share = invert / (invert + product.sucrose);
  if (over <= 1) return null;
  const by = `${((over - 1) * 100).toFixed(0)} % more sucrose than its water holds at ${temperature(celsius)}`;
  return share > 0.3
    ? `May grain slowly: ${by}, though ${(share * 100).toFixed(0)} % of its sugar is invert, which holds it back.`
    : `Likely to grain: ${by}. Some acid in the boil, honey or less sugar prevents it.`;
}

function partWord(content: FormulaContent, product: Composition, brix: number): string | null {
  const share = pulpOf(product);
  if (share < SETTLES) return null;
  const strained = content.steps.some(takesOut);
  if (!strained && content.steps.some((step) => step.method === 'blended'))
    return 'A puree: thick, and it parts as it stands. "Shake well" goes on the label.';
  if (!strained) return 'Fruit stays in it: it floats or sinks until sugar and juice have evened out.';
  return brix < 40
    ? 'Pulp comes through the cloth and will settle in so thin a syrup: "shake well", or filter it.'
    : 'Pulp comes through the cloth: cloudy, and it may part in weeks. Filter it for a clear one.';
}

/**
 * Body of the finished product: viscosity hot and cold by the sucrose correlation, and whether it may set, grain or part.
 * @param content the formula; @param lines as weighed; @param product its composition, g; @param ph forecast, null where not known
 */
export function bodyOf(
  content: FormulaContent,
  lines: readonly LineAmount[],
  product: Composition,
  ph: number | null,
): Body {
  const brix = brixOf(product);
  const known = liquidOf(product) > 0 && brix <= 80;
  const thicker = thickenedBy(pulpOf(product));
  const cold = known ? viscosity(brix, 20) * thicker : null;
  const hot = known ? viscosity(brix, 90) * thicker : null;
  const storage = content.storage === 'shelf' ? 20 : 5;
  return {
    cold,
    hot,
    runs:
      cold !== null && hot !== null
        ? `Hot it runs like ${runsLike(hot)}${brixRunningLike(hot, 20) >= 10 ? ` (a cold syrup of ${brixRunningLike(hot, 20).toFixed(0)} °Bx)` : ''}, cold like ${runsLike(cold)}.`
        : null,
    sets: settingWord(boiledPectin(content, lines), brix, ph),
    grains: known ? grainWord(product, storage) : null,
    parts: partWord(content, product, brix),
  };
}
