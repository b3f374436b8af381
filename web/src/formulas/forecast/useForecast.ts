import {
  biasOf,
  contributions,
  type Forecast,
  type ForecastSetting,
  type FormulaContent,
  forecast,
  mendsFor,
  withBand,
} from '@inch/core/formula';
import { boiledOffBefore, type PastLot } from '@inch/core/planning';
import { useMemo } from 'react';
import { useLotPairs, useMeasuredLots } from '../../data/formulas.ts';
import { usePast } from '../../data/plans.ts';
import { useSetting } from '../../data/useSetting.ts';
import type { Draft } from '../draft.ts';
import { type Simulated, useSimulation } from './useSimulation.ts';

/** The forecast with the drawn band: while a new one is drawn, the last one's width goes along with the new middle. */
function drawn(
  plain: Forecast,
  content: FormulaContent,
  setting: ForecastSetting,
  { result, middle }: Simulated,
): Forecast {
  if (!plain.ph || !result?.ph) return plain;
  const shift = middle === null ? 0 : plain.ph.middle - middle;
  return withBand(plain, content, setting, { low: result.ph.low + shift, high: result.ph.high + shift });
}

/** The forecast of a draft: figures at once with every key, the drawing in a worker behind them. */
export function useForecast(draft: Draft, formulaId: string | undefined) {
  const kitchen = useSetting();
  const measured = useMeasuredLots(formulaId);
  const pairs = useLotPairs(formulaId);
  const phBias = useMemo(() => biasOf((pairs ?? []).flatMap((lot) => lot.figures.ph ?? [])), [pairs]);
  const past = usePast().data;
  const boiledOff = useMemo(
    () => (formulaId && past ? (boiledOffBefore(past as PastLot[], formulaId) ?? undefined) : undefined),
    [past, formulaId],
  );
  const { content, kind } = draft;
  const setting = useMemo(
    () => ({ ...kitchen, kind, measured, boiledOff, phBias }),
    [kitchen, kind, measured, boiledOff, phBias],
  );
  const plain = useMemo(() => forecast(content, setting), [content, setting]);
  const mends = useMemo(() => mendsFor(content, setting, plain), [content, setting, plain]);
  const brings = useMemo(() => contributions(content, setting), [content, setting]);
  const simulated = useSimulation(content, setting);
  const shown = useMemo(
    () => drawn(plain, content, setting, simulated),
    [plain, content, setting, simulated],
  );
  return { setting, content, shown, brings, mends, simulated, pairs };
}
