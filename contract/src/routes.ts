import { accountRoutes } from './account.ts';
import { containerRoutes } from './container.ts';
import { formulaRoutes } from './formula.ts';
import { formulaFileRoutes } from './formulaFile.ts';
import { heatProcessRoutes } from './heatProcess.ts';
import { ingredientRoutes } from './ingredient.ts';
import { instrumentRoutes } from './instrument.ts';
import { kitchenRoutes } from './kitchen.ts';
import { kitchenFileRoutes } from './kitchenFile.ts';
import { liveRoutes } from './live.ts';
import { entryRoutes, lotRoutes } from './lot.ts';
import { metaRoutes } from './meta.ts';
import { photographRoutes } from './photograph.ts';
import { planRoutes } from './plan.ts';
import type { AnyRoute } from './route.ts';
import { stockRoutes } from './stock.ts';
import { todayRoutes } from './today.ts';
import { vesselRoutes } from './vessel.ts';

const routesByNoun = {
  account: accountRoutes,
  kitchen: kitchenRoutes,
  'kitchen-file': kitchenFileRoutes,
  formula: formulaRoutes,
  'formula-file': formulaFileRoutes,
  ingredient: ingredientRoutes,
  lot: lotRoutes,
  entry: entryRoutes,
  instrument: instrumentRoutes,
  container: containerRoutes,
  'heat-process': heatProcessRoutes,
  today: todayRoutes,
  vessel: vesselRoutes,
  photograph: photographRoutes,
  live: liveRoutes,
  stock: stockRoutes,
  plan: planRoutes,
  meta: metaRoutes,
};

/** Every route of the API with the noun it belongs to. */
export const allRoutes: readonly (AnyRoute & { noun: string; name: string })[] = Object.entries(
  routesByNoun,
).flatMap(([noun, routes]) =>
  Object.entries(routes as Record<string, AnyRoute>).map(([name, r]) => ({ ...r, noun, name })),
);
