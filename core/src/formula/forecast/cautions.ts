import { acidInSalt, alcoholLeft, undissociated } from '../../keeping/index.ts';
import { limitOfHeat, temperature } from '../../quantity/index.ts';
import type { LineAmount } from '../amounts.ts';
import type { FormulaContent, FormulaLine, FormulaStep } from '../content.ts';
import { DRIVES_OFF, heldAt } from '../methods.ts';
import type { Makeup } from './makeup.ts';

export interface Caution {
  /** The line that causes it; absent where it is about the whole. */
  lineId?: string;
  /** The step that causes it. */
  stepId?: string;
  text: string;
}

const CHOOSES_COLD =
  'Check your own rule before you sell: many cottage-food rules leave out what must be kept cold.';

/** Flavour-giving part of the batch: all but sugar, water and pure acids. */
export const flavourGrams = (lines: readonly LineAmount[]): number =>
  lines.reduce(
    (sum, l) =>
      l.ingredient && !['sugar', 'sweetener', 'water', 'acid'].includes(l.ingredient.family)
        ? sum + (l.grams ?? 0)
        : sum,
    0,
  );

/**
 * Low-acid lines that the product stands on: over a twentieth of its flavouring part together.
 * @example lowAcidLines(lineAmounts(cherry, setting, 0)) // []
 */
export function lowAcidLines(lines: readonly LineAmount[]): LineAmount[] {
  const low = lines.filter((l) => l.ingredient?.lowAcid && (l.grams ?? 0) > 0);
  const grams = low.reduce((sum, l) => sum + l.grams!, 0);
  return grams > 0.05 * flavourGrams(lines) ? low : [];
}

function lineCautions(line: FormulaLine, amount: LineAmount): string[] {
  const { ingredient } = amount;
  if (!ingredient) return [];
  const said: string[] = [];
  // Crystals by the gram need no word about spoons.
  const weighed = ingredient.family === 'acid' && !amount.assumption;
  if (ingredient.caution && !weighed) said.push(ingredient.caution);
  if (ingredient.lowAcid) said.push('Counts as low-acid: it needs acid or cold.');
  if (
    ingredient.acidity.kind === 'vinegar' &&
    ingredient.acidity.aceticPer100g === null &&
    !ingredient.caution
  )
    said.push('Its strength is not known: titrate it before it is used.');
  if (line.basis?.per === 'bottle' && ['acid', 'juice', 'vinegar'].includes(ingredient.family))
    said.push(
      'Goes in jar by jar: tick every jar, and read the pH of an opened one. A pooled reading proves nothing about a jar.',
    );
  return said;
}

/** Whether a step is hot enough, long enough, to drive spirit and vinegar off. */
const isHot = (step: FormulaStep): boolean =>
  step.kind === 'reduce' || ((step.kind === 'draw' || step.kind === 'heat') && heldAt(step) >= DRIVES_OFF);

/** Places of the steps at which any of some families goes in. */
function goesInAt(content: FormulaContent, lines: readonly LineAmount[], family: string): number {
  const order = content.steps.map((step) => step.id);
  const places = lines.flatMap((l, i) =>
    l.ingredient?.family === family && l.grams !== null
      ? [Math.max(0, order.indexOf(content.lines[i]!.stepId ?? ''))]
      : [],
  );
  return places.length > 0 ? Math.min(...places) : Number.POSITIVE_INFINITY;
}

const percent = (share: number): string => `${(share * 100).toFixed(0)} %`;

/** What a step is cautioned with: what boils off in it, a draw that stands, a kill step that is none. */
function stepCautions(content: FormulaContent, lines: readonly LineAmount[]): Caution[] {
  const said: Caution[] = [];
  const [vinegarAt, spiritAt] = [goesInAt(content, lines, 'vinegar'), goesInAt(content, lines, 'spirit')];
  for (const [i, step] of content.steps.entries()) {
    const say = (text: string) => said.push({ stepId: step.id, text });
    if (vinegarAt <= i && (step.kind === 'reduce' || (isHot(step) && step.lidOff)))
      say(
        'Boiling takes acetic acid off with the steam: what is left is counted, in proportion to the water gone.',
      );
    if (spiritAt <= i && isHot(step)) {
      const { low, middle, high } = alcoholLeft(step.minutes ?? 0);
      say(
        `Of the spirit in it about ${percent(middle)} is left, ${percent(low)} to ${percent(high)} (USDA retention factors). Off the heat keeps it.`,
      );
    }
    if (step.kind === 'draw' && (step.method === 'cold' || step.method === 'jar'))
      say(`Covered, at most 48 h at ${limitOfHeat(20)}. Look for gas and film; either one discards it.`);
    if (step.killStep && step.celsius !== undefined && step.celsius < 90)
      say(
        `${temperature(step.celsius)} is no kill step: the whole liquid at ${limitOfHeat(90)} or boiling for a minute is. A lesser one needs a source, and juice figures do not carry over to syrups over 30 °Bx.`,
      );
  }
  return said;
}

const SCENTED = new Set(['rose-petal', 'elderflower', 'vanilla', 'mint']);

/** Flowers, vanilla and mint lose their scent in a boil; off the heat is the better place, by default. */
function scentWords(content: FormulaContent, lines: readonly LineAmount[]): Caution[] {
  const stepOf = new Map(content.steps.map((step) => [step.id, step]));
  return lines.flatMap((l, i) => {
    const step = stepOf.get(content.lines[i]!.stepId ?? '') ?? content.steps[0];
    return l.ingredient && SCENTED.has(l.ingredient.id) && step?.kind === 'reduce'
      ? [
          {
            lineId: l.lineId,
            text: 'Boiled in, most of its scent goes off with the steam. Put it in off the heat.',
          },
        ]
      : [];
  });
}

const SALTS = {
  'potassium-sorbate': { acid: 'sorbic', share: acidInSalt['potassium sorbate'] },
  'sodium-benzoate': { acid: 'benzoic', share: acidInSalt['sodium benzoate'] },
} as const;

/** The undissociated part of a preservative at the forecast pH, as % of the product. */
function preservativeWords(lines: readonly LineAmount[], grams: number, ph: number | null): Caution[] {
  if (ph === null || grams <= 0) return [];
  return lines
    .filter((l) => l.ingredient && l.ingredient.id in SALTS && l.grams)
    .map((l) => {
      const { acid, share } = SALTS[l.ingredient!.id as keyof typeof SALTS];
      const total = (100 * l.grams! * share) / grams;
      // Past the ends of the scale none of it, or all, is undissociated already.
      const part = undissociated({ acid, ph: Math.min(14, Math.max(0, ph)), total });
      return {
        lineId: l.lineId,
        text: `${acid === 'sorbic' ? 'Sorbic' : 'Benzoic'} acid ${total.toFixed(3)} %, of which ${part.toFixed(3)} % works at pH ${ph.toFixed(2)}. It slows yeasts and moulds, nothing worse.`,
      };
    });
}

/** What the cook is told about lines, steps and the whole, from the rules. */
export function cautions(
  content: FormulaContent,
  lines: readonly LineAmount[],
  product: { grams: number; ph: number | null; makeup: Makeup },
): Caution[] {
  const { makeup } = product;
  const said: Caution[] = content.lines.flatMap((line, i) =>
    lineCautions(line, lines[i]!).map((text) => ({ lineId: line.id, text })),
  );
  said.push(
    ...preservativeWords(lines, product.grams, product.ph),
    ...makeup.faults,
    ...scentWords(content, lines),
    ...stepCautions(content, lines),
  );
  const pieces = makeup.pieces.filter((l) => l.ingredient!.lowAcid);
  if (pieces.length > 0)
    said.push({
      text: `Pieces left in (${pieces.map((l) => l.ingredient!.name.toLowerCase()).join(', ')}) must themselves reach pH 4.6 within 24 h: measure it blended with them, or strain them out.`,
    });
  if (!makeup.killStep)
    said.push({
      text: 'Never heated: unpasteurised. Acid and cold do not disinfect; it is not for the very young, pregnant, old or ill.',
    });
  if (makeup.abv >= 0.5)
    said.push({
      text: `${makeup.abv.toFixed(1)} % ABV: at or over 0.5 % it may be regulated as alcohol${makeup.abv > 1.2 ? ', and the European Union has it declared' : ''}. Below 15 % it preserves nothing.`,
    });
  said.push({
    text:
      content.storage === 'shelf'
        ? 'Acidified foods and juices sold as drinks have federal rules of their own in the United States (21 CFR 114, 108, 120). Check your own rule before you sell.'
        : CHOOSES_COLD,
  });
  return said;
}
