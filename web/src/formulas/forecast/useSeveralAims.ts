import type { Aims, FormulaContent, SeveralAims } from '@inch/core/formula';
import { useEffect, useRef, useState } from 'react';
import { useSetting } from '../../data/useSetting.ts';
import type { AimsAnswer, AimsQuestion } from '../../workers/aims.worker.ts';

interface Solved {
  found: SeveralAims | null;
  error: string | null;
  waits: boolean;
}

/** Several aims solved in a worker, a question at a time; the newest answer counts. */
export function useSeveralAims(content: FormulaContent): Solved & { solve: (asked: Aims) => void } {
  const setting = useSetting();
  const worker = useRef<Worker | null>(null);
  const newest = useRef(0);
  const [solved, setSolved] = useState<Solved>({ found: null, error: null, waits: false });
  useEffect(() => {
    const started = new Worker(new URL('../../workers/aims.worker.ts', import.meta.url), { type: 'module' });
    started.onmessage = ({ data }: MessageEvent<AimsAnswer>) => {
      if (data.id !== newest.current) return;
      setSolved({
        found: 'found' in data ? data.found : null,
        error: 'error' in data ? data.error : null,
        waits: false,
      });
    };
    worker.current = started;
    return () => started.terminate();
  }, []);
  const solve = (asked: Aims) => {
    const { catalogue, ...plain } = setting;
    const ids = content.lines.map((line) => line.ingredientId);
    newest.current += 1;
    setSolved({ found: null, error: null, waits: true });
    worker.current?.postMessage({
      id: newest.current,
      content,
      setting: plain,
      asked,
      own: {
        ingredients: catalogue.all.filter((entry) => entry.own),
        measures: [...catalogue.measures],
        prices: Object.fromEntries(
          ids.flatMap((id) => {
            const price = catalogue.pricePerKg(id);
            return price === undefined ? [] : [[id, price]];
          }),
        ),
      },
    } satisfies AimsQuestion);
  };
  return { ...solved, solve };
}
