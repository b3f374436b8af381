import type { Ingredient } from '../ingredient/index.ts';
import type { AdditiveClass } from './words.ts';

/** What an additive is there for where its family does not tell. Source: Reg. 1333/2008 Annex I and II. */
const CLASS_OF: Readonly<Record<string, AdditiveClass | null>> = {
  'ascorbic-acid': 'antioxidant',
  'cream-of-tartar': 'acidity-regulator',
  'sodium-citrate': 'acidity-regulator',
  'baking-soda': 'acidity-regulator',
  'calcium-carbonate': 'acidity-regulator',
  'calcium-chloride': 'firming-agent',
  glycerine: 'humectant',
  pectin: 'gelling-agent',
  agar: 'gelling-agent',
  'gum-arabic': 'stabiliser',
  xanthan: 'thickener',
  inulin: null,
  allulose: null,
};

const CLASS_OF_FAMILY: Partial<Record<Ingredient['family'], AdditiveClass>> = {
  acid: 'acid',
  preservative: 'preservative',
  sweetener: 'sweetener',
};

/**
 * Category of a food additive as the ingredient list names it; null for what is no additive. Source: Reg. 1169/2011 Annex VII part C.
 * @example additiveClass({ id: 'citric-anhydrous', family: 'acid' }) // 'acid'
 */
export const additiveClass = ({ id, family }: Pick<Ingredient, 'id' | 'family'>): AdditiveClass | null =>
  id in CLASS_OF ? CLASS_OF[id]! : (CLASS_OF_FAMILY[family] ?? null);
