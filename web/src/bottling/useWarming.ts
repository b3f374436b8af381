import type { Warming, WarmingBottle } from '@inch/core/bottling';
import { useEffect, useRef, useState } from 'react';
import type { WarmingAnswer, WarmingQuestion } from '../workers/warming.worker.ts';

/** A bottle's way through its process, reckoned in a worker; the newest question counts. */
export function useWarming(bottle: WarmingBottle): { warming: Warming | null; error: string | null } {
  const worker = useRef<Worker | null>(null);
  const asked = useRef(0);
  const [answer, setAnswer] = useState<{ warming: Warming | null; error: string | null }>({
    warming: null,
    error: null,
  });
  useEffect(() => {
    const started = new Worker(new URL('../workers/warming.worker.ts', import.meta.url), { type: 'module' });
    started.onmessage = ({ data }: MessageEvent<WarmingAnswer>) => {
      if (data.id !== asked.current) return;
      setAnswer(
        'warming' in data ? { warming: data.warming, error: null } : { warming: null, error: data.error },
      );
    };
    worker.current = started;
    return () => started.terminate();
  }, []);
  const question = JSON.stringify(bottle);
  useEffect(() => {
    asked.current += 1;
    worker.current?.postMessage({
      id: asked.current,
      bottle: JSON.parse(question),
    } satisfies WarmingQuestion);
  }, [question]);
  return answer;
}
