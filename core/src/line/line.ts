import type { Ingredient, KitchenCatalogue } from '../ingredient/index.ts';
import type { AmountRead } from '../quantity/index.ts';
import type { BasisSaid } from './basis.ts';
import type { Words } from './words.ts';

/** Another thing, or another amount of it, that a line leaves the choice of. */
export interface Alternative {
  said: string;
  ingredientId: string;
}

/** One thing that a line names, with its amount; a line may name several ("zest and juice of two limes"). */
export interface LineThing {
  /** The amount as it was said, for `parseQuantity`; a share where it follows something; '' where none was. */
  said: string;
  ingredientId: string;
  /** Its name as it was said. */
  name: string;
  /** What it might be, where the words do not say clearly; the nearest first. */
  others: Ingredient[];
  basis: BasisSaid;
  /** What else would do, by the line's own words. */
  alternatives: Alternative[];
  /** It may be left out. */
  optional: boolean;
  /** What is asked, in a sentence; absent where it is understood. */
  query?: string;
}

/** A line while it is read. */
export interface Line {
  words: Words;
  catalogue: KitchenCatalogue;
  /** Names of the kitchen's own measures. */
  measures: ReadonlySet<string>;
  /** What has to be asked of it, once it is known what it names. */
  asks: string[];
  /** Why its figures make no number. */
  fault?: string;
}

/** An amount of a line. */
export interface Amount {
  said: string;
  read: AmountRead;
  /** Other amounts in its place: "2 tbsp or 30 g". */
  or: string[];
  /** The same amount again: "1.5 kg / 3 lb 5 oz". */
  same: string[];
}

/** A sentence out of an error's message. */
export const sentence = (text: string): string => `${text.replace(/[.!?]$/, '')}.`;
