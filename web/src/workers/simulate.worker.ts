import { type ForecastSetting, type FormulaContent, type Simulation, simulation } from '@inch/core/formula';
import { type Ingredient, kitchenCatalogue } from '@inch/core/ingredient';
import type { OwnMeasure } from '@inch/core/quantity';

/** What the page asks: a formula, and its kitchen as plain data. A newer question ends an older one. */
export interface SimulationQuestion {
  id: number;
  content: FormulaContent;
  setting: Omit<ForecastSetting, 'catalogue'>;
  own: { ingredients: Ingredient[]; measures: OwnMeasure[] };
  seed: number;
  scenarios: number;
}

/** How many are drawn so far, the result, or why there is none. */
export type SimulationAnswer =
  | { id: number; drawn: number }
  | { id: number; result: Simulation }
  | { id: number; error: string };

/** How often it says how far it is: what is done sooner says nothing. */
const TELLS_EVERY_MS = 400;

let newest = 0;
const breath = () => new Promise<void>((resolve) => setTimeout(resolve));

async function answer({ id, content, setting, own, seed, scenarios }: SimulationQuestion): Promise<void> {
  let told = performance.now();
  try {
    const run = simulation(content, { ...setting, catalogue: kitchenCatalogue(own) }, { seed, scenarios });
    for (;;) {
      const step = run.next();
      if (step.done) {
        postMessage({ id, result: step.value } satisfies SimulationAnswer);
        return;
      }
      if (performance.now() - told > TELLS_EVERY_MS) {
        told = performance.now();
        postMessage({ id, drawn: step.value } satisfies SimulationAnswer);
      }
      // Between slices a newer question may come in; this one is then dropped.
      await breath();
      if (newest !== id) return;
    }
  } catch (error) {
    postMessage({ id, error: (error as Error).message } satisfies SimulationAnswer);
  }
}

addEventListener('message', (event: MessageEvent<SimulationQuestion>) => {
  newest = event.data.id;
  void answer(event.data);
});
