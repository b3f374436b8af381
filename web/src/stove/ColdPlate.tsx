import type { LotView } from '@inch/contract/making/lot';
import type { PanNow } from '@inch/core/lot';
import { runsLike, viscosity } from '@inch/core/sugar';
import { useEffect, useState } from 'react';
import { useRecord } from '../data/record.ts';
import { Button } from '../ui/Button.tsx';
import { duration } from '../ui/format.ts';
import { ring } from '../ui/sound.ts';

type Step = LotView['steps'][number];

/** A spoonful on a plate from the freezer has cooled by then, s. */
const COOLS = 60;
const OUTCOMES = ['runs', 'runs slowly', 'wrinkles', 'sets'];

/** It looks thin when it is done: how it should run hot and cold, and a spoonful on a cold plate with its clock. */
export function ColdPlate({ lot, step, pan }: { lot: LotView; step: Step; pan: PanNow }) {
  const [endsAt, setEndsAt] = useState<number | null>(null);
  const [left, setLeft] = useState(COOLS);
  const write = useRecord('reading', lot, { after: () => setEndsAt(null) });
  useEffect(() => {
    if (endsAt === null) return;
    const timer = setInterval(() => {
      const seconds = Math.max(0, Math.ceil((endsAt - Date.now()) / 1000));
      setLeft((before) => {
        if (before > 0 && seconds === 0) ring(1);
        return seconds;
      });
    }, 250);
    return () => clearInterval(timer);
  }, [endsAt]);
  const brix = Math.min(80, pan.target?.brix ?? pan.brix);
  return (
    <div className="mt-4 text-lg">
      <p className="text-ink-2">
        Done, it runs hot like {runsLike(viscosity(brix, 90))} and cold like {runsLike(viscosity(brix, 20))}:
        it looks thin in the pan.
      </p>
      {endsAt === null ? (
        <Button
          tone="quiet"
          className="-ml-4 min-h-14 text-lg"
          onClick={() => {
            setLeft(COOLS);
            setEndsAt(Date.now() + COOLS * 1000);
          }}
        >
          A spoonful on a cold plate…
        </Button>
      ) : (
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <span className="figure text-3xl font-bold">{left > 0 ? duration(left) : 'now'}</span>
          {left > 0 ? (
            <span className="text-ink-2">then push it with a finger</span>
          ) : (
            OUTCOMES.map((outcome) => (
              <Button
                key={outcome}
                tone="plain"
                className="min-h-14"
                disabled={write.busy}
                onClick={() =>
                  write.run({
                    shownAs: `cold plate: ${outcome}`,
                    stepId: step.id,
                    kind: 'note',
                    said: `cold plate: ${outcome}`,
                  })
                }
              >
                {outcome}
              </Button>
            ))
          )}
        </div>
      )}
    </div>
  );
}
