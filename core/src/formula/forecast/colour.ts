import type { Pigment, Range } from '../../ingredient/index.ts';
import type { LineAmount } from '../amounts.ts';
import type { FormulaContent, FormulaStep } from '../content.ts';
import { extractionMethods } from '../methods.ts';
import type { StepOutcome } from './outcome.ts';

interface Fading {
  /** What is faded, in words. */
  name: string;
  /** Half-life at 80 °C in h: low, typical and high of what is published for juices and purees of pH 3 to 4.5. */
  halfLife: Range;
  /** Energy of activation, kJ/mol. */
  kilojoules: number;
  /** What it turns to. */
  turns: string;
}

/**
 * How heat takes colour. Orders of size, not figures: sorts and acids differ several-fold.
 * Sources: sour cherry anthocyanins, half-life 8 h at 80 °C and 67 kJ/mol (Cemeroğlu, Velioğlu and Işık 1994); betanin, some 84 kJ/mol (Saguy 1979);
 * chlorophyll to pheophytin in purees, some 75 kJ/mol, far faster the sourer (Ryan-Stoneham and Tong 2000); carotenoids of fruit juices, 60–110 kJ/mol.
 */
const FADING: Record<Pigment, Fading> = {
  anthocyanin: { name: 'red', halfLife: [4, 8, 16], kilojoules: 67, turns: 'browner' },
  betalain: { name: 'beet red', halfLife: [0.5, 1, 2], kilojoules: 84, turns: 'brown' },
  carotenoid: { name: 'yellow', halfLife: [12, 25, 50], kilojoules: 75, turns: 'paler' },
  chlorophyll: { name: 'green', halfLife: [0.1, 0.25, 0.6], kilojoules: 75, turns: 'olive' },
};

/** J/(mol K). */
const GAS = 8.314;
/** Browning of sugar with acid and amino acids: kJ/mol, and minutes at 100 °C up to which it looks so. */
const BROWNING = { kilojoules: 115, pale: 20, golden: 75, brown: 240 };
/** °C under which nothing of it happens within a cook's day. */
const WARM = 40;

const kelvin = (celsius: number): number => celsius + 273.15;
/** How many times faster at one temperature than at another, °C (Arrhenius). */
const faster = (kilojoules: number, celsius: number, than: number): number =>
  Math.exp(((kilojoules * 1000) / GAS) * (1 / kelvin(than) - 1 / kelvin(celsius)));

export interface ColourForecast {
  /** What colours it; null where nothing in it does that heat takes. */
  pigment: Pigment | null;
  /** Share of the colour left, 0–1; 1 where nothing fades. */
  keeps: { low: number; middle: number; high: number };
  /** Browning: as so many minutes at 100 °C, thicker syrups browning faster. */
  brownedMinutes: number;
  /** In a sentence. */
  says: string;
}

/** °C and minutes of each step that is warm. */
function warmth(steps: readonly FormulaStep[], outcomes: readonly StepOutcome[]) {
  return steps.flatMap((step, i) => {
    const outcome = outcomes[i];
    const minutes =
      (step.kind === 'reduce' ? outcome?.minutes : undefined) ??
      step.minutes ??
      (step.method ? extractionMethods[step.method].minutes : step.kind === 'heat' ? 1 : 0);
    const celsius = step.kind === 'process' ? 95 : (outcome?.boilsAt ?? outcome?.celsius ?? 0);
    return outcome && celsius > WARM && Number.isFinite(minutes) && minutes > 0
      ? [{ celsius, minutes, brix: outcome.brixAfter }]
      : [];
  });
}

function mainPigment(lines: readonly LineAmount[]): Pigment | null {
  const grams = new Map<Pigment, number>();
  for (const { ingredient, used } of lines)
    if (ingredient?.pigment)
      grams.set(ingredient.pigment, (grams.get(ingredient.pigment) ?? 0) + (used ?? 0));
  return [...grams].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

const percent = (share: number): string => String(Math.round(share * 100));

function fadingSaid(pigment: Pigment | null, keeps: ColourForecast['keeps']): string {
  if (pigment === null) return '';
  const { name, turns } = FADING[pigment];
  if (keeps.low > 0.93) return `Keeps its ${name}.`;
  const between =
    percent(keeps.low) === percent(keeps.high)
      ? percent(keeps.low)
      : `${percent(keeps.low)} to ${percent(keeps.high)}`;
  const how = keeps.middle > 0.75 ? 'a shade duller' : keeps.middle > 0.4 ? `duller and ${turns}` : turns;
  return `Keeps ${between} % of its ${name}: ${how}.`;
}

const brownSaid = (minutes: number): string =>
  minutes < BROWNING.pale
    ? ''
    : minutes < BROWNING.golden
      ? 'The heat turns it a little golden.'
      : minutes < BROWNING.brown
        ? 'The heat turns it golden brown.'
        : 'The heat turns it brown, and it tastes of caramel.';

/**
 * What heat and time make of the colour: how much of its pigment is left, by first-order loss, and how far its sugar browns.
 * @param content the formula; @param lines as weighed, g; @param outcomes of its steps, °C and minutes
 * @example colourOf(cherry, forecast(cherry, setting).lines, []).pigment // 'anthocyanin'
 * @returns shares 0–1 with their range, and minutes at 100 °C; information, never a limit
 */
export function colourOf(
  content: FormulaContent,
  lines: readonly LineAmount[],
  outcomes: readonly StepOutcome[],
): ColourForecast {
  const warm = warmth(content.steps, outcomes);
  const pigment = mainPigment(lines);
  const left = (hours: number) =>
    pigment === null
      ? 1
      : warm.reduce(
          (share, { celsius, minutes }) =>
            share * 0.5 ** ((minutes * faster(FADING[pigment].kilojoules, celsius, 80)) / 60 / hours),
          1,
        );
  const [low, typical, high] = pigment === null ? [1, 1, 1] : FADING[pigment].halfLife;
  const keeps = { low: left(low), middle: left(typical), high: left(high) };
  const brownedMinutes = warm.reduce(
    (sum, { celsius, minutes, brix }) =>
      sum + minutes * faster(BROWNING.kilojoules, celsius, 100) * (0.5 + brix / 60),
    0,
  );
  // Under a pigment a little gold is not seen.
  const gold = pigment !== null && brownedMinutes < BROWNING.brown ? '' : brownSaid(brownedMinutes);
  const says = [fadingSaid(pigment, keeps), gold].filter(Boolean).join(' ');
  return { pigment, keeps, brownedMinutes, says: says || 'Heat changes little of its colour.' };
}
