import { vesselRoutes } from '@inch/contract/making/vessel';
import { type Forecast, type FormulaContent, loadsSaid, roundsOf, roundsSaid } from '@inch/core/formula';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';
import { useSession } from './session.tsx';

export const useVessels = () =>
  useQuery({ queryKey: keys.list('vessel'), queryFn: () => call(vesselRoutes.list) });

/** Steps of a batch that the kitchen's blender, bag or crock takes in several rounds, each in a sentence. */
export function useRounds(content: FormulaContent, forecast: Forecast, scale = 1): Map<string, string> {
  const kit = (useVessels().data ?? []).filter((vessel) => !vessel.retired);
  const { workshop } = useSession().kitchen;
  const said = new Map(
    roundsOf(content, forecast.steps, kit, scale).map((rounds) => [rounds.stepId, roundsSaid(rounds)]),
  );
  const process = content.steps.find((step) => step.kind === 'process');
  const loads = loadsSaid(Math.round(forecast.bottles * scale), workshop.cannerHolds);
  if (process && loads && content.storage === 'shelf') said.set(process.id, loads);
  return said;
}
