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
import { lotRoutes } from './lot.ts';
import { photographRoutes } from './photograph.ts';
import { planRoutes } from './plan.ts';
import type { AnyRoute } from './route.ts';
import { stockRoutes } from './stock.ts';
import { todayRoutes } from './today.ts';
import { vesselRoutes } from './vessel.ts';

const rooms = {
  account: accountRoutes,
  kitchen: kitchenRoutes,
  'kitchen-file': kitchenFileRoutes,
  formula: formulaRoutes,
  'formula-file': formulaFileRoutes,
  ingredient: ingredientRoutes,
  lot: lotRoutes,
  instrument: instrumentRoutes,
  container: containerRoutes,
  'heat-process': heatProcessRoutes,
  today: todayRoutes,
  vessel: vesselRoutes,
  photograph: photographRoutes,
  live: liveRoutes,
  stock: stockRoutes,
  plan: planRoutes,
};

/** Every route of the API with the room it belongs to. */
export const allRoutes: readonly (AnyRoute & { room: string; name: string })[] = Object.entries(
  rooms,
).flatMap(([room, routes]) =>
  Object.entries(routes as Record<string, AnyRoute>).map(([name, r]) => ({ ...r, room, name })),
);
