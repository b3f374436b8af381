import type { PlanSetting } from '@inch/core/planning';
import { useEffect, useRef, useState } from 'react';
import type { PlanAnswer, PlanLaid, PlanQuestion } from '../workers/plan.worker.ts';

type Done = (laid: PlanLaid | { error: string }) => void;

/** Lays plans in a worker, so that the page goes on meanwhile. The newest question counts. */
export function useLaying(): {
  lay: (setting: PlanSetting, due: number | null, done: Done) => void;
  busy: boolean;
} {
  const worker = useRef<Worker | null>(null);
  const asked = useRef<{ id: number; done: Done }>({ id: 0, done: () => {} });
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    const started = new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' });
    started.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
      if (data.id !== asked.current.id) return;
      setBusy(false);
      asked.current.done(data);
    };
    worker.current = started;
    return () => started.terminate();
  }, []);
  return {
    busy,
    lay: (setting, due, done) => {
      asked.current = { id: asked.current.id + 1, done };
      setBusy(true);
      worker.current?.postMessage({ id: asked.current.id, setting, due } satisfies PlanQuestion);
    },
  };
}
