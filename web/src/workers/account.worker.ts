import { type Ingredient, kitchenCatalogue } from '@inch/core/ingredient';
import type { OwnMeasure } from '@inch/core/quantity';
import { type RecipeRead, readAccount } from '@inch/core/recipe';

/** What the page asks: an account as it was told, and what its kitchen entered itself. */
export interface AccountQuestion {
  text: string;
  own: { ingredients: Ingredient[]; measures: OwnMeasure[] };
}

export type AccountAnswer = { read: RecipeRead } | { error: string };

addEventListener('message', ({ data }: MessageEvent<AccountQuestion>) => {
  try {
    const catalogue = kitchenCatalogue({ ...data.own, prices: {} });
    postMessage({ read: readAccount(data.text, catalogue) } satisfies AccountAnswer);
  } catch (error) {
    postMessage({ error: (error as Error).message } satisfies AccountAnswer);
  }
});
