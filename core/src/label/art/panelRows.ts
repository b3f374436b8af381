import type { Nutrition } from '../nutrition.ts';
import type { Nutrient } from '../roundNutrient.ts';
import { type Language, labelWords } from '../words.ts';

/** A line of a nutrition panel as it is printed. */
export interface PanelRow {
  name: string;
  /** "12g", "less than 1g". */
  amount: string;
  /** "4%"; empty where there is none. */
  daily: string;
  /** 0 for a nutrient of its own, 1 under it, 2 under that. */
  inset: 0 | 1 | 2;
  bold: boolean;
}

interface UsRow {
  of: Nutrient;
  name: string;
  unit: string;
  inset?: 0 | 1 | 2;
  bold?: boolean;
}

/** Order and names of 21 CFR 101.9(c), (d). */
const US_ROWS: readonly UsRow[] = [
  { of: 'fat', name: 'Total Fat', unit: 'g', bold: true },
  { of: 'saturatedFat', name: 'Saturated Fat', unit: 'g', inset: 1 },
  { of: 'transFat', name: 'Trans Fat', unit: 'g', inset: 1 },
  { of: 'cholesterol', name: 'Cholesterol', unit: 'mg', bold: true },
  { of: 'sodium', name: 'Sodium', unit: 'mg', bold: true },
  { of: 'carbohydrate', name: 'Total Carbohydrate', unit: 'g', bold: true },
  { of: 'fibre', name: 'Dietary Fiber', unit: 'g', inset: 1 },
  { of: 'sugars', name: 'Total Sugars', unit: 'g', inset: 1 },
  { of: 'addedSugars', name: 'Added Sugars', unit: 'g', inset: 2 },
  { of: 'protein', name: 'Protein', unit: 'g', bold: true },
  { of: 'vitaminD', name: 'Vitamin D', unit: 'mcg' },
  { of: 'calcium', name: 'Calcium', unit: 'mg' },
  { of: 'iron', name: 'Iron', unit: 'mg' },
  { of: 'potassium', name: 'Potassium', unit: 'mg' },
];

/** What the simplified format always has. Source: 21 CFR 101.9(f)(2). */
const ALWAYS: ReadonlySet<Nutrient> = new Set([
  'fat',
  'carbohydrate',
  'protein',
  'sodium',
  'sugars',
  'addedSugars',
]);
/** Nutrients that have to be insignificant for it. Source: 21 CFR 101.9(f). */
const SIMPLIFIED_FROM = 8;

const MAY_BE_LESS_THAN_ONE: ReadonlySet<Nutrient> = new Set(['carbohydrate', 'fibre', 'protein']);
const insignificant = (of: Nutrient, declared: string): boolean =>
  declared === '0' || (MAY_BE_LESS_THAN_ONE.has(of) && declared.startsWith('less than'));

const usRow = ({ of, name, unit, inset = 0, bold = false }: UsRow, nutrition: Nutrition): PanelRow => {
  const { declared, percentDailyValue } = nutrition.figures[of];
  const added = of === 'addedSugars';
  return {
    name: added ? `Includes ${declared}${unit} Added Sugars` : name,
    amount: added ? '' : `${declared}${unit}`,
    daily: percentDailyValue === null || of === 'protein' || of === 'sugars' ? '' : `${percentDailyValue}%`,
    inset,
    bold,
  };
};

export interface UsPanel {
  serving: string;
  servings: string;
  calories: string;
  rows: PanelRow[];
  /** "Not a significant source of …"; empty where every nutrient is listed. */
  footnote: string;
}

/** mL that two tablespoons, one and a teaspoon are said to be. Source: 21 CFR 101.9(b)(5)(viii). */
const SPOONS: readonly [number, string][] = [
  [30, '2 Tbsp'],
  [15, '1 Tbsp'],
  [5, '1 tsp'],
];

const householdMeasure = (ml: number): string => {
  const spoon = SPOONS.find(([size]) => Math.abs(ml - size) < 0.5);
  if (spoon) return spoon[1];
  if (ml >= 55) return `${Math.round((ml / 240) * 4) / 4 || 0.25} cup`;
  return `${Math.round(ml / 15) || 1} Tbsp`;
};

/**
 * Servings in a container as they are declared: "about 8". Between 2 and 5 to the nearest half, else to the nearest whole.
 * @param nominalMl net contents; @param servingMl of a serving. Source: 21 CFR 101.9(b)(8).
 * @example servingsSaid(237, 30) // 'about 8 servings per container'
 */
export function servingsSaid(nominalMl: number, servingMl: number): string {
  const exact = nominalMl / servingMl;
  const said = exact >= 2 && exact <= 5 ? Math.round(exact * 2) / 2 : Math.max(1, Math.round(exact));
  const about = Math.abs(said - exact) > 1e-9 ? 'about ' : '';
  return `${about}${said} serving${said === 1 ? '' : 's'} per container`;
}

/** What the United States panel says, simplified where the rule lets it be. */
export function usPanel(nutrition: Nutrition, nominalMl: number): UsPanel {
  const { figures, millilitres } = nutrition;
  const nothing = [...US_ROWS.map((r) => r.of), 'calories' as const].filter((of) =>
    insignificant(of, figures[of].declared),
  );
  const simplified = nothing.length >= SIMPLIFIED_FROM;
  const rows = US_ROWS.filter((r) => !simplified || ALWAYS.has(r.of) || !nothing.includes(r.of));
  const left = US_ROWS.filter((r) => !rows.includes(r)).map((r) => r.name.toLowerCase());
  return {
    serving: `${householdMeasure(millilitres)} (${Math.round(millilitres)}mL)`,
    servings: servingsSaid(nominalMl, millilitres),
    calories: figures.calories.declared,
    rows: rows.map((r) => usRow(r, nutrition)),
    footnote: left.length > 0 ? `Not a significant source of ${left.join(', ')}.` : '',
  };
}

const EU_ROWS = ['fat', 'saturatedFat', 'carbohydrate', 'sugars', 'protein'] as const;

/** The European table per 100 mL, in one language or two. Source: Reg. 1169/2011 Annex XV. */
export function euPanel(
  nutrition: Nutrition,
  languages: readonly Language[],
): { title: string; per: string; rows: PanelRow[] } {
  const named = (of: 'title' | 'per100' | 'energy' | 'salt' | (typeof EU_ROWS)[number]): string =>
    [...new Set(languages.map((l) => labelWords[l].nutrition[of]))].join(' / ');
  const row = (name: string, amount: string, inset: 0 | 1 = 0): PanelRow => ({
    name,
    amount,
    inset,
    daily: '',
    bold: false,
  });
  const { figures, kilojoules, salt } = nutrition;
  return {
    title: named('title'),
    per: named('per100'),
    rows: [
      row(named('energy'), `${kilojoules.declared} kJ / ${figures.calories.declared} kcal`),
      ...EU_ROWS.map((of) =>
        row(named(of), `${figures[of].declared} g`, of === 'saturatedFat' || of === 'sugars' ? 1 : 0),
      ),
      row(named('salt'), `${salt.declared} g`),
    ],
  };
}
