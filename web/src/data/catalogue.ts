import { ingredientRoutes } from '@inch/contract/making/ingredient';
import {
  type Ingredient,
  type KitchenCatalogue,
  kitchenCatalogue,
  shippedCatalogue,
} from '@inch/core/ingredient';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call } from './api.ts';
import { keys } from './keys.ts';

/** The kitchen's own part of its catalogue, as entered. */
export const useOwnCatalogue = () =>
  useQuery({ queryKey: keys.all('ingredient'), queryFn: () => call(ingredientRoutes.own) });

/** The catalogue of this kitchen: the shipped one, with its own entries, measures and prices laid over it. */
export function useCatalogue(): KitchenCatalogue {
  const own = useOwnCatalogue().data;
  return useMemo(
    () =>
      own
        ? kitchenCatalogue({
            ingredients: own.ingredients as Ingredient[],
            measures: own.measures,
            prices: own.prices,
          })
        : shippedCatalogue,
    [own],
  );
}
