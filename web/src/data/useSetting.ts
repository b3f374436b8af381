import type { ForecastSetting } from '@inch/core/formula';
import { useMemo } from 'react';
import { useCatalogue } from './catalogue.ts';
import { useOwnProcesses } from './heatProcesses.ts';
import { useSession } from './session.tsx';

/** What a forecast needs to know of this kitchen. */
export function useSetting(): ForecastSetting {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const { cupSchool, elevationMetres, criticalPh } = kitchen;
  const processes = useOwnProcesses();
  return useMemo(
    () => ({ cup: cupSchool ?? undefined, elevationMetres, criticalPh, catalogue, processes }),
    [cupSchool, elevationMetres, criticalPh, catalogue, processes],
  );
}
