import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { StockPack, StockView } from '@inch/contract/kitchen/stock';
import type { Container } from '@inch/contract/making/container';
import type { FormulaHead } from '@inch/contract/making/formula';
import type { Vessel } from '@inch/contract/making/vessel';
import { dayOf } from '@inch/core/calendar';
import { type KitchenCatalogue, kitchenCatalogue } from '@inch/core/ingredient';
import type { PastLot, PlanKitchen } from '@inch/core/planning';
import { asDrawn, fitLots } from '@inch/core/stock';
import { useMemo } from 'react';
import { useCatalogue } from './catalogue.ts';
import { useContainers } from './containers.ts';
import { useFormulas } from './formulas.ts';
import { useOwnProcesses } from './heatProcesses.ts';
import { usePast } from './plans.ts';
import { serverNow } from './serverClock.ts';
import { useSession } from './session.tsx';
import { usePacks, useStock } from './stock.ts';
import { useVessels } from './vessels.ts';

/** All of the kitchen that a plan is computed from, with its settings and its catalogue as its stock was measured. */
export interface Planning extends PlanKitchen<FormulaHead> {
  kitchen: Kitchen;
  stock: readonly StockView[];
  packs: readonly StockPack[];
  pans: readonly Vessel[];
  containers: readonly Container[];
  catalogue: KitchenCatalogue;
}

const COOKED_IN = new Set<Vessel['material']>(['steel', 'enamel', 'aluminium', 'copper']);

/** The catalogue with the measurements of the stock that would be taken first laid over it. */
function asInStock(catalogue: KitchenCatalogue, stock: readonly StockView[], day: string): KitchenCatalogue {
  const things = [...new Set(stock.filter((s) => s.measured).map((s) => s.thing))];
  const measured = things.flatMap((thing) => {
    const first = fitLots(stock, thing, day)[0];
    const entry = catalogue.find(thing);
    return first?.measured && entry ? [asDrawn(entry, first)] : [];
  });
  if (measured.length === 0) return catalogue;
  const replaced = new Set(measured.map((e) => e.id));
  return kitchenCatalogue({
    ingredients: [...measured, ...catalogue.all.filter((e) => e.own && !replaced.has(e.id))],
    measures: catalogue.measures,
    prices: Object.fromEntries(
      catalogue.all.flatMap((e) => {
        const price = catalogue.pricePerKg(e.id);
        return price === undefined ? [] : [[e.id, price]];
      }),
    ),
  });
}

/** The day in the kitchen. */
export const useKitchenDay = (): string => dayOf(serverNow(), useSession().kitchen.timeZone);

/** All that a plan is reckoned from; null until it is here. */
export function usePlanning(): Planning | null {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const formulas = useFormulas().data;
  const vessels = useVessels().data;
  const stock = useStock().data;
  const packs = usePacks().data;
  const containers = useContainers().data;
  const past = usePast().data;
  const day = useKitchenDay();
  const processes = useOwnProcesses();
  return useMemo(() => {
    if (!formulas || !vessels || !stock || !packs || !containers || !past) return null;
    const real = asInStock(catalogue, stock, day);
    return {
      kitchen,
      workshop: kitchen.workshop,
      formulas,
      stock,
      packs,
      containers,
      past: past as PastLot[],
      pans: vessels.filter((v) => !v.retired && v.use === 'pan' && COOKED_IN.has(v.material)),
      catalogue: real,
      setting: {
        cup: kitchen.cupSchool ?? undefined,
        catalogue: real,
        elevationMetres: kitchen.elevationMetres,
        criticalPh: kitchen.criticalPh,
        processes,
      },
      today: day,
    };
  }, [kitchen, catalogue, formulas, vessels, stock, packs, containers, past, day, processes]);
}

/** Why what a plan is reckoned from could not be read, and how to try again; no error while it is read. */
export function usePlanningFault(): { error: Error | null; retry: () => unknown } {
  const queries = [useFormulas(), useVessels(), useStock(), usePacks(), useContainers(), usePast()];
  const failed = queries.find((q) => q.error && !q.data);
  return { error: failed?.error ?? null, retry: () => failed?.refetch() };
}
