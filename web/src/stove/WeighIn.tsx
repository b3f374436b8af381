import { type LotView, lotRoutes } from '@inch/contract/lot';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import { parseQuantity, toGrams } from '@inch/core/quantity';
import { useState } from 'react';
import { call, newId } from '../app/api.ts';
import { useCatalogue } from '../app/catalogue.ts';
import { useSession } from '../app/session.tsx';
import { Button } from '../ui/Button.tsx';
import { weight } from '../ui/format.ts';
import { State } from '../ui/State.tsx';
import { useWrite } from '../ui/useWrite.ts';

type Line = LotView['lines'][number];

/** What stands recorded of a line: its grams, or that it was left out. */
export const recordedOf = (lot: LotView, line: Line) =>
  lot.additions.find((a) => a.lineId === line.lineId && a.struck === null);

function usedGrams(
  text: string,
  line: Line,
  cup: ReturnType<typeof useSession>['kitchen']['cupSchool'],
  catalogue: KitchenCatalogue,
): number | string {
  try {
    const bare = /^[\d.,]+$/.test(text.trim());
    return toGrams(parseQuantity(bare ? `${text} g` : text), catalogue.get(line.ingredientId), {
      cup: cup ?? undefined,
      measures: catalogue.measures,
    }).grams;
  } catch (error) {
    return (error as Error).message;
  }
}

function LineToAdd({
  lot,
  line,
  stepId,
  at,
}: {
  lot: LotView;
  line: Line;
  stepId: string;
  at: string | undefined;
}) {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const [text, setText] = useState(line.grams === null ? '' : String(Math.round(line.grams)));
  const [leaving, setLeaving] = useState(false);
  const [why, setWhy] = useState('');
  const write = useWrite((grams: number) =>
    call(lotRoutes.add, {
      params: { id: lot.id },
      body: {
        id: newId(),
        stepId,
        lineId: line.lineId,
        ingredientId: line.ingredientId,
        grams,
        why: leaving ? why : null,
        ...(at ? { at } : {}),
      },
    }),
  );
  const done = recordedOf(lot, line);
  const used = usedGrams(text, line, kitchen.cupSchool, catalogue);
  if (done)
    return (
      <li className="flex items-center gap-3 border-b border-steel-line py-3">
        <State tone={done.grams > 0 ? 'go' : 'hold'}>{done.grams > 0 ? 'in' : 'left out'}</State>
        <span className="flex-1 text-lg">{line.name}</span>
        <span className="figure text-lg font-bold">{done.grams > 0 ? weight(done.grams) : done.why}</span>
        {line.grams !== null && done.grams > 0 && Math.abs(done.grams - line.grams) > 1 && (
          <span className="figure text-sm text-ink-2">of {weight(line.grams)}</span>
        )}
      </li>
    );
  return (
    <li className="border-b border-steel-line py-3">
      <div className="flex flex-wrap items-center gap-3">
        <span className="min-w-40 flex-1 text-lg">
          <span className="font-semibold">{line.name}</span> <span className="text-ink-2">{line.said}</span>
        </span>
        {leaving ? (
          <input
            aria-label={`Why ${line.name} is left out`}
            autoFocus
            value={why}
            onChange={(e) => setWhy(e.target.value)}
            placeholder="why is it left out?"
            className="min-h-14 w-48 rounded-lg border border-steel bg-enamel px-3"
          />
        ) : (
          <input
            aria-label={`${line.name}, grams weighed`}
            value={text}
            onChange={(e) => setText(e.target.value)}
            className="figure min-h-14 w-32 rounded-lg border border-steel bg-enamel px-3 text-right text-lg font-bold"
          />
        )}
        <Button
          className="min-h-14"
          disabled={write.busy || (leaving ? why.trim().length < 2 : typeof used === 'string')}
          onClick={() => write.run(leaving ? 0 : (used as number))}
        >
          {leaving ? 'Leave out' : 'Weighed in'}
        </Button>
        <Button tone="quiet" size="small" onClick={() => setLeaving(!leaving)}>
          {leaving ? 'it goes in' : 'left out…'}
        </Button>
      </div>
      {!leaving && typeof used === 'string' && text !== '' && (
        <p className="mt-1 text-sm font-semibold text-stop">{used}</p>
      )}
      {write.fields.at && <p className="mt-1 text-sm font-semibold text-stop">{write.fields.at}</p>}
    </li>
  );
}

/** The lines that go in at a step, each to be weighed in or left out with a word why. */
export function WeighIn({
  lot,
  step,
  at,
}: {
  lot: LotView;
  step: LotView['steps'][number];
  at: string | undefined;
}) {
  const lines = lot.lines.filter((line) => line.formulaStepId === step.formulaStepId);
  if (lines.length === 0) return null;
  return (
    <ul className="mt-5 border-t border-ink">
      {lines.map((line) => (
        <LineToAdd key={line.lineId} lot={lot} line={line} stepId={step.id} at={at} />
      ))}
    </ul>
  );
}
