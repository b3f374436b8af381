import { AsyncLocalStorage } from 'node:async_hooks';
import { type KitchenUnits, METRIC, unitsFrom } from '@inch/core/quantity';

const asked = new AsyncLocalStorage<KitchenUnits>();

// Figures in what is answered or printed are in the units of the kitchen that asks.
unitsFrom(() => asked.getStore() ?? METRIC);

/** Does some work in a kitchen's units. */
export const inUnits = <T>(units: KitchenUnits, work: () => T): T => asked.run(units, work);
