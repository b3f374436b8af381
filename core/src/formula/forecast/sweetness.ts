import type { Ingredient } from '../../ingredient/index.ts';
import { solidsOf } from '../pan/pan.ts';
import { compositionOf } from './composition.ts';

/** What a sugar or sweetener is exchanged for. */
export type SweetAim = 'sweetness' | 'solids' | 'body' | 'keeping';

export const SWEET_AIMS: readonly { aim: SweetAim; name: string; says: string }[] = [
  { aim: 'sweetness', name: 'sweetness', says: 'as sweet as before' },
  { aim: 'solids', name: 'dissolved solids', says: 'the same °Bx' },
  { aim: 'body', name: 'body', says: 'as thick on the spoon' },
  { aim: 'keeping', name: 'keeping', says: 'as much water bound' },
];

/**
 * Sweetness of 1 g beside 1 g of sucrose, how thick it makes a syrup beside sucrose, and g/mol of what dissolves: Belitz, Grosch and Schieberle,
 * Food Chemistry (4th ed.), typical in water; intense sweeteners in the middle of what is published.
 */
const OWN: Record<string, { sweet: number; body: number; molarMass: number; intense?: true }> = {
  erythritol: { sweet: 0.65, body: 0.6, molarMass: 122.12 },
  xylitol: { sweet: 1, body: 0.7, molarMass: 152.15 },
  sorbitol: { sweet: 0.6, body: 0.8, molarMass: 182.17 },
  maltitol: { sweet: 0.85, body: 0.95, molarMass: 344.31 },
  isomalt: { sweet: 0.5, body: 0.95, molarMass: 344.31 },
  mannitol: { sweet: 0.55, body: 0.8, molarMass: 182.17 },
  allulose: { sweet: 0.7, body: 0.75, molarMass: 180.16 },
  inulin: { sweet: 0.1, body: 1.6, molarMass: 1700 },
  maltodextrin: { sweet: 0.1, body: 2, molarMass: 1800 },
  glycerine: { sweet: 0.6, body: 0.6, molarMass: 92.09 },
  stevia: { sweet: 250, body: 0, molarMass: 967, intense: true },
  sucralose: { sweet: 600, body: 0, molarMass: 397.6, intense: true },
  'monk-fruit': { sweet: 200, body: 0, molarMass: 1287, intense: true },
  saccharin: { sweet: 350, body: 0, molarMass: 183.2, intense: true },
  acesulfame: { sweet: 200, body: 0, molarMass: 201.2, intense: true },
  aspartame: { sweet: 190, body: 0, molarMass: 294.3, intense: true },
};

const SUCROSE = { sweet: 1, body: 1, molarMass: 342.3 };
const GLUCOSE = { sweet: 0.7, body: 0.85, molarMass: 180.16 };
const FRUCTOSE = { sweet: 1.2, body: 0.8, molarMass: 180.16 };
/** What else is dissolved in a syrup: starch sugars and gums, not sweet to speak of. */
const OTHER = { sweet: 0.2, body: 1.3, molarMass: 700 };

/** Whether an entry is sweet enough for a milligram to count: it is never exchanged by its weight. */
export const isIntense = (entry: Ingredient): boolean => OWN[entry.id]?.intense === true;

/**
 * What 100 g of a sugar or sweetener bring: sweetness as g of sucrose, dissolved solids in g, body as g of sucrose, and what binds water in mol.
 * @example sweetMeasures(catalogue.get('sugar')).solids // 99.9
 */
export function sweetMeasures(entry: Ingredient): Record<SweetAim, number> {
  const { composition } = compositionOf(entry, 'typical');
  const { sucrose, glucose, fructose } = composition;
  const solids = solidsOf(composition);
  const other = solids - sucrose - glucose - fructose;
  const parts: [number, typeof SUCROSE][] = [
    [sucrose, SUCROSE],
    [glucose, GLUCOSE],
    [fructose, FRUCTOSE],
    [other, OWN[entry.id] ?? OTHER],
  ];
  const sum = (of: (facts: typeof SUCROSE) => number) =>
    parts.reduce((total, [grams, facts]) => total + grams * of(facts), 0);
  return {
    sweetness: sum((facts) => facts.sweet),
    solids,
    body: sum((facts) => facts.body),
    keeping: sum((facts) => 1 / facts.molarMass),
  };
}
