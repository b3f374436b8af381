import {
  type Aims,
  type ForecastSetting,
  type FormulaContent,
  type SeveralAims,
  severalAims,
} from '@inch/core/formula';
import { type Ingredient, kitchenCatalogue } from '@inch/core/ingredient';
import type { OwnMeasure } from '@inch/core/quantity';

/** What the page asks: a formula, its kitchen as plain data, and the aims. */
export interface AimsQuestion {
  id: number;
  content: FormulaContent;
  setting: Omit<ForecastSetting, 'catalogue'>;
  own: { ingredients: Ingredient[]; measures: OwnMeasure[]; prices: Record<string, number> };
  asked: Aims;
}

export type AimsAnswer = { id: number; found: SeveralAims } | { id: number; error: string };

addEventListener('message', ({ data }: MessageEvent<AimsQuestion>) => {
  const { id, content, setting, own, asked } = data;
  try {
    const found = severalAims(content, { ...setting, catalogue: kitchenCatalogue(own) }, asked);
    postMessage({ id, found } satisfies AimsAnswer);
  } catch (error) {
    postMessage({ id, error: (error as Error).message } satisfies AimsAnswer);
  }
});
