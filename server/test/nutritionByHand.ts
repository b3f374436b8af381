import { shippedCatalogue } from '@inch/core/ingredient';

/** What a cook reckons with: of each product, the share that is drawn out of its fruit and the share that runs through the cloth. */
const YIELDS: Readonly<Record<string, { drawn: number; through: number }>> = {
  'Sour cherry syrup': { drawn: 0.95, through: 0.72 },
  'Quince concentrate': { drawn: 0.88, through: 0.68 },
  'Damson shrub': { drawn: 0.75, through: 0.82 },
  'Gooseberry cordial': { drawn: 0.95, through: 0.85 },
  'Blackcurrant shrub': { drawn: 0.75, through: 0.82 },
};

/** g of citric, malic or acetic acid in 100 g, as the tables and the bottles have it. */
const ACID: Readonly<Record<string, number>> = {
  'sour-cherry': 1.4,
  quince: 1,
  damson: 2,
  gooseberry: 2.1,
  blackcurrant: 3.3,
  'bottled-lemon-juice': 4.6,
  'cider-vinegar': 5,
  'spirit-vinegar-10': 10,
  'citric-anhydrous': 99.8,
};

/** Density of sugar solutions at 20 °C, g/mL, every 5 °Bx from 0. Source: NBS Circular 440, table 113. */
const DENSITY = [
  0.9982, 1.0179, 1.0381, 1.0591, 1.081, 1.1036, 1.127, 1.1513, 1.1764, 1.2025, 1.2296, 1.2575, 1.2865,
  1.3163, 1.3472,
];
const densityAt = (brix: number): number => {
  const row = Math.floor(brix / 5);
  return DENSITY[row]! + ((DENSITY[row + 1]! - DENSITY[row]!) * (brix - 5 * row)) / 5;
};

interface LotOfApi {
  product: { name: string; content: { steps: { kind: string; method?: string }[] } };
  steps: { id: string; kind: string }[];
  additions: { ingredientId: string; grams: number; stepId: string; struck: unknown }[];
  readings: { kind: string; sample: string; value: number | null; struck: unknown }[];
}

/** What went in, each with the share of it that is in the product. */
function sharesOf(lot: LotOfApi): { ingredientId: string; grams: number; fruit: boolean }[] | null {
  const yields = YIELDS[lot.product.name];
  if (!yields) return null;
  const cloth = lot.steps.findIndex((s) => s.kind === 'strain');
  // Where no way of drawing is said, all of it is taken to come out.
  const drawn = lot.product.content.steps.find((s) => s.kind === 'draw')?.method ? yields.drawn : 1;
  const parts = lot.additions
    .filter((a) => !a.struck)
    .map(({ ingredientId, grams, stepId }) => {
      const { family, liquid, per100g } = shippedCatalogue.get(ingredientId);
      const fruit = family === 'fruit' && !liquid;
      const before = lot.steps.findIndex((s) => s.id === stepId) < cloth;
      const runs = grams * (fruit ? drawn * (1 - per100g.insoluble / 100) : 1);
      return { ingredientId, fruit, before, runs, grams: grams * (fruit ? drawn : 1) };
    });
  // What ran through the cloth was weighed, or is what usually does.
  const weighed = lot.readings.find((r) => r.kind === 'mass' && !r.struck)?.value;
  const poured = parts.reduce((sum, part) => sum + (part.before ? part.runs : 0), 0);
  const through = weighed ? weighed / poured : yields.through;
  return parts.map((part) => ({ ...part, grams: part.grams * (part.before ? through : 1) }));
}

/**
 * Of 100 mL of a lot, European figures: what went in, the share that was drawn and that ran through, and the solids that a refractometer
 * reads in it. g, kcal; the little that sucrose gains as it splits is left out.
 */
export function byHand(lot: LotOfApi) {
  const parts = sharesOf(lot);
  const brix = lot.readings.findLast((r) => r.kind === 'brix' && r.sample === 'finished' && !r.struck)?.value;
  if (!parts || !brix) return null;
  const sum = { sugars: 0, added: 0, acid: 0, solids: 0, fruit: 0 };
  for (const { ingredientId, grams, fruit } of parts) {
    const { family, per100g } = shippedCatalogue.get(ingredientId);
    const sugars = (grams / 100) * (per100g.sucrose + per100g.glucose + per100g.fructose);
    sum.sugars += sugars;
    sum.added += family === 'sugar' ? sugars : 0;
    sum.acid += (grams / 100) * (ACID[ingredientId] ?? 0);
    sum.solids += (grams / 100) * (100 - per100g.water - per100g.insoluble);
    // As much more of everything as a fruit is drier than most.
    sum.fruit += fruit ? grams * ((100 - per100g.water) / 14) : 0;
  }
  // So many grams of solids are in 100 mL.
  const solids = brix * densityAt(brix);
  const of100Ml = (grams: number) => (grams * solids) / sum.solids;
  const [sugars, acid] = [of100Ml(sum.sugars), of100Ml(sum.acid)];
  // Fresh fruit has some 0.8 % of protein and 0.25 % of fat.
  const [protein, fat] = [0.008 * of100Ml(sum.fruit), 0.0025 * of100Ml(sum.fruit)];
  // Half of what else is dissolved is fibre at 2 kcal; acids have 3, sugars and protein 4, fat 9.
  const fibre = Math.max(0, solids - sugars - acid - protein) / 2;
  const kcal = 4 * sugars + 3 * acid + 2 * fibre + 4 * protein + 9 * fat;
  return { sugars, added: of100Ml(sum.added), protein, fat, kcal };
}
