import type { Allergen } from '../../ingredient/index.ts';

/** Languages that the fixed words of a label ship in. */
export const LANGUAGES = ['en', 'fr', 'es', 'cy'] as const;
export type Language = (typeof LANGUAGES)[number];

/** What an additive is there for, as European lists name it. Source: Reg. 1169/2011 Annex VII part C. */
export type AdditiveClass =
  | 'acid'
  | 'acidity-regulator'
  | 'antioxidant'
  | 'colour'
  | 'firming-agent'
  | 'gelling-agent'
  | 'humectant'
  | 'preservative'
  | 'stabiliser'
  | 'sweetener'
  | 'thickener';

export type NutritionName =
  | 'title'
  | 'per100'
  | 'energy'
  | 'fat'
  | 'saturatedFat'
  | 'carbohydrate'
  | 'sugars'
  | 'fibre'
  | 'protein'
  | 'salt';

/** The fixed words of a label in one language. What an owner writes (name, use, local statement) is not among them. */
export interface LabelWords {
  /** The language's own name. */
  language: string;
  ingredients: string;
  contains: string;
  allergens: Record<Allergen, string>;
  additives: Record<AdditiveClass, string>;
  bestBefore: string;
  bestBeforeEnd: string;
  useBy: string;
  months: readonly string[];
  keep: Record<'shelf' | 'cold' | 'frozen', string>;
  /** After opening: so many days, or so many weeks. */
  openedDays: (count: number) => string;
  openedWeeks: (count: number) => string;
  lot: string;
  shake: string;
  unpasteurised: string;
  honey: string;
  /** Alcohol by volume: % to one decimal. */
  alcohol: (percent: string) => string;
  juice: (percent: string) => string;
  juiceUnderOne: string;
  /** More of it went in than there is product: g for 100 g of product. */
  for100g: (grams: string, name: string) => string;
  sweetener: string;
  sugarsAndSweetener: string;
  phenylalanine: string;
  laxative: string;
  caffeine: (mgPer100ml: string) => string;
  liquorice: string;
  liquoriceStrong: string;
  nutrition: Record<NutritionName, string>;
}
