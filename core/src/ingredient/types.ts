import type { AcidName, Acids } from '../acid/index.ts';
import type { Measurable } from '../quantity/index.ts';

/** Low, typical and high of a published range. */
export type Range = readonly [low: number, typical: number, high: number];

/** How an ingredient's acidity is known. */
export type Acidity =
  /** pH and TA (as citric, g per 100 g, to pH 8.2) with the mole split of its acids: most fruit. */
  | {
      kind: 'juice';
      ph: Range;
      taPer100g: Range;
      split: Acids;
      /** Dried: pH and TA are those of the fresh fruit with this much water (g per 100 g), its acids `times` as much. */
      freshWater?: number;
      times?: number;
      /** Its acids are not known by kind: citric and malic are both reckoned, and the higher pH is kept. */
      splitUnknown?: boolean;
    }
  /** A pure food acid, g of acid per 100 g. */
  | { kind: 'acid'; acid: AcidName; per100g: number }
  /** Vinegar: acetic acid in g per 100 g; null until titrated. */
  | { kind: 'vinegar'; aceticPer100g: number | null }
  /** Neither acid nor base to speak of: sugar, distilled water, spirit. */
  | { kind: 'neutral' }
  /** Tap water: its alkalinity, eq of base per kg. */
  | { kind: 'alkaline'; basePerKg: Range }
  /** A salt of known make: acid in mol and strong base in eq per 100 g. */
  | { kind: 'salt'; acid?: AcidName; molPer100g: number; basePer100g: number }
  /** Not known well enough to compute with: its pH has to be measured. `base`: strong base in 100 g at the most, eq. */
  | { kind: 'unknown'; ph?: Range; base?: number };

export type Family =
  | 'fruit'
  | 'juice'
  | 'sugar'
  | 'acid'
  | 'vinegar'
  | 'water'
  | 'spirit'
  | 'plant'
  | 'flavouring'
  | 'sweetener'
  | 'preservative';

/** What colours a fruit or a leaf: red to blue, beet red, yellow to orange, green. */
export type Pigment = 'anthocyanin' | 'betalain' | 'carotenoid' | 'chlorophyll';

export type Allergen =
  | 'milk'
  | 'egg'
  | 'fish'
  | 'shellfish'
  | 'tree-nuts'
  | 'peanuts'
  | 'wheat'
  | 'soy'
  | 'sesame'
  | 'celery'
  | 'mustard'
  | 'lupin'
  | 'molluscs'
  | 'sulphites'
  | 'barley';

/** What a by-product carries of the lot that left it, with that of the by-products which that was made with. */
export interface LeftFrom {
  /** Code of the lot. */
  code: string;
  /** Whether it went through a kill step that is recorded. */
  heated: boolean;
  /** ISO instant that its age counts from, and the days that it keeps in the cold. */
  since: string;
  keepsDays: number;
  /** What it is of, heaviest first, as shares of its weight. */
  parts: readonly { ingredientId: string; share: number }[];
  /** Entries of those that are the kitchen's own, or are not as they ship. */
  entries: readonly Ingredient[];
}

/** A catalogue entry. Composition in g per 100 g; what is neither water, sugar, acid nor insoluble is other dissolved solids. */
export interface Ingredient extends Measurable {
  id: string;
  labelName: string;
  /** Other names that cooks write for it. */
  also?: readonly string[];
  family: Family;
  per100g: {
    water: number;
    sucrose: number;
    glucose: number;
    fructose: number;
    insoluble: number;
    ethanol: number;
  };
  acidity: Acidity;
  /** Counts as low-acid: needs acid or cold, whatever else is in the bottle. */
  lowAcid: boolean;
  allergens: readonly Allergen[];
  /** Of a kitchen's own entry whose allergens nobody read yet: others than those named may be in it. */
  allergensUnknown?: boolean;
  /** Sets with sugar and acid after a boil. */
  pectinRich: boolean;
  /** What the cook is told wherever it is used. */
  caution?: string;
  /** Usually a liquid: "oz" of it is asked about. */
  liquid: boolean;
  /** The fresh ingredient that this is frozen, dried or bottled. */
  formOf?: string;
  frozen?: boolean;
  /** Its flesh is firm: uncut, it gives up what is in it slowly. */
  firm?: boolean;
  /** Boiled or pasteurised by whoever made it. */
  heated?: boolean;
  /** Poisonous until it was boiled. */
  poisonousRaw?: boolean;
  dried?: boolean;
  /** What its colour is of, where it has one that heat takes. */
  pigment?: Pigment;
  /** Set on a kitchen's own entry: from a label, or measured by itself on a day. */
  own?: { from: 'label' | 'measured'; on: string };
  /** Whether this kitchen read the °Bx of it, so that it is no typical one. */
  solidsRead?: boolean;
  /** Of a by-product: the lot that left it, and what it carries of it. */
  leftFrom?: LeftFrom;
  /** Shares of a whole citrus fruit by weight: its zest, its pith, its juice with the pulp, its pips. */
  shares?: { zest: number; pith: number; juice: number; pips: number };
  /** Goes into the glass as it is served, never into the bottle. */
  servingOnly?: boolean;
  source: string;
}
