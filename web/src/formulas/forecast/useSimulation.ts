import { type ForecastSetting, type FormulaContent, forecast, type Simulation } from '@inch/core/formula';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { SimulationAnswer, SimulationQuestion } from '../../workers/simulate.worker.ts';

/** Drawn again and again with the same seed, so that a figure moves only when the formula does. */
const SEED = 20_260_714;
const SCENARIOS = 4000;
const REST_MS = 120;

export interface Simulated {
  result: Simulation | null;
  /** Whether the result is of an earlier draft while the new one is drawn. */
  behind: boolean;
  /** How many of the new ones are drawn so far, and of how many. */
  drawn: number;
  of: number;
  /** Middle of the pH as forecast for what was drawn; null without one. */
  middle: number | null;
}

const ownOf = ({ catalogue }: ForecastSetting) => ({
  ingredients: catalogue.all.filter((entry) => entry.own),
  measures: [...catalogue.measures],
});

/** The formula drawn 4,000 times in a worker; the page goes on meanwhile, and a newer draft ends an older drawing. */
export function useSimulation(content: FormulaContent, setting: ForecastSetting): Simulated {
  const worker = useRef<Worker | null>(null);
  const asked = useRef<{ id: number; content: FormulaContent | null; middle: number | null }>({
    id: 0,
    content: null,
    middle: null,
  });
  const [simulated, setSimulated] = useState<{
    result: Simulation;
    of: FormulaContent;
    middle: number | null;
  } | null>(null);
  const [drawn, setDrawn] = useState(0);
  useEffect(() => {
    const started = new Worker(new URL('../../workers/simulate.worker.ts', import.meta.url), {
      type: 'module',
    });
    started.onmessage = ({ data }: MessageEvent<SimulationAnswer>) => {
      const { id, content: of, middle } = asked.current;
      if (data.id !== id || !of) return;
      if ('drawn' in data) setDrawn(data.drawn);
      if ('result' in data) setSimulated({ result: data.result, of, middle });
    };
    worker.current = started;
    return () => started.terminate();
  }, []);
  useEffect(() => {
    const rest = setTimeout(() => {
      const { catalogue: _, ...plain } = setting;
      asked.current = {
        id: asked.current.id + 1,
        content,
        middle: forecast(content, setting).ph?.middle ?? null,
      };
      setDrawn(0);
      worker.current?.postMessage({
        id: asked.current.id,
        content,
        setting: plain,
        own: ownOf(setting),
        seed: SEED,
        scenarios: SCENARIOS,
      } satisfies SimulationQuestion);
    }, REST_MS);
    return () => clearTimeout(rest);
  }, [content, setting]);
  return useMemo(
    () => ({
      result: simulated?.result ?? null,
      behind: simulated?.of !== content,
      middle: simulated?.middle ?? null,
      drawn,
      of: SCENARIOS,
    }),
    [simulated, content, drawn],
  );
}
