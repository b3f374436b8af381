import { type Container, containerRoutes } from '@inch/contract/container';
import { type FormulaHead, formulaRoutes } from '@inch/contract/formula';
import type { Kitchen } from '@inch/contract/kitchen';
import { planRoutes } from '@inch/contract/plan';
import { type StockLot, type StockPack, stockRoutes } from '@inch/contract/stock';
import { type Vessel, vesselRoutes } from '@inch/contract/vessel';
import { dayOf } from '@inch/core/calendar';
import type { ForecastSetting } from '@inch/core/formula';
import { type KitchenCatalogue, kitchenCatalogue } from '@inch/core/ingredient';
import type { PastLot } from '@inch/core/planning';
import { asDrawn, fitLots } from '@inch/core/stock';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call } from './api.ts';
import { useCatalogue } from './catalogue.ts';
import { useOwnProcesses } from './ownProcesses.ts';
import { serverNow } from './serverClock.ts';
import { useSession } from './session.tsx';

/** All of the kitchen that a plan is reckoned from. */
export interface Kit {
  kitchen: Kitchen;
  formulas: readonly FormulaHead[];
  stock: readonly StockLot[];
  packs: readonly StockPack[];
  pans: readonly Vessel[];
  containers: readonly Container[];
  past: readonly PastLot[];
  catalogue: KitchenCatalogue;
  /** How formulas are forecast here, with what is in stock as it was measured. */
  setting: ForecastSetting;
  /** Day in the kitchen, as in 2026-11-25. */
  today: string;
}

/** What stands on a burner. */
const COOKED_IN = new Set<Vessel['material']>(['steel', 'enamel', 'aluminium', 'copper']);

/** The catalogue with the measurements of the stock that would be taken first laid over it. */
function asInStock(catalogue: KitchenCatalogue, stock: readonly StockLot[], day: string): KitchenCatalogue {
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

export const useStock = () => useQuery({ queryKey: ['stock'], queryFn: () => call(stockRoutes.list) });
export const usePacks = () => useQuery({ queryKey: ['packs'], queryFn: () => call(stockRoutes.packs) });
export const useContainers = () =>
  useQuery({ queryKey: ['containers'], queryFn: () => call(containerRoutes.list) });
export const usePast = () => useQuery({ queryKey: ['past lots'], queryFn: () => call(planRoutes.past) });
export const usePlans = () => useQuery({ queryKey: ['plans'], queryFn: () => call(planRoutes.list) });
/** The day in the kitchen. */
export const useToday = (): string => dayOf(serverNow(), useSession().kitchen.timeZone);

/** All that a plan is reckoned from; null until it is here. */
export function useKit(): Kit | null {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const formulas = useQuery({ queryKey: ['formulas'], queryFn: () => call(formulaRoutes.list) }).data;
  const vessels = useQuery({ queryKey: ['vessels'], queryFn: () => call(vesselRoutes.list) }).data;
  const stock = useStock().data;
  const packs = usePacks().data;
  const containers = useContainers().data;
  const past = usePast().data;
  const day = useToday();
  const processes = useOwnProcesses();
  return useMemo(() => {
    if (!formulas || !vessels || !stock || !packs || !containers || !past) return null;
    const real = asInStock(catalogue, stock, day);
    return {
      kitchen,
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
