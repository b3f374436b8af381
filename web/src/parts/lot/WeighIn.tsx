import type { LotView } from '@inch/contract/lot';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import { parseQuantity, toGrams } from '@inch/core/quantity';
import { useState } from 'react';
import { useCatalogue } from '../../data/catalogue.ts';
import { useRecord } from '../../data/record.ts';
import { useSession } from '../../data/session.tsx';
import { Button } from '../../ui/Button.tsx';
import { weight } from '../../ui/format.ts';
import { State } from '../../ui/State.tsx';
import { useLiveFigure } from '../instrument/attached.ts';
import { CoverOpen } from '../stock/CoverOpen.tsx';
import { FromStock, type TakenFrom, useFit, useTaken } from '../stock/FromStock.tsx';

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

/** How much of what was planned really came onto the scale: for what has no line to follow. */
function proportionOf(lot: LotView, line: Line): number | null {
  if (line.follows || line.grams === null) return null;
  const main = lot.lines
    .filter((l) => l.lineId !== line.lineId && l.grams !== null)
    .sort((a, b) => b.grams! - a.grams!)
    .find((l) => (recordedOf(lot, l)?.grams ?? 0) > 0);
  if (!main) return null;
  const share = recordedOf(lot, main)!.grams / main.grams!;
  return Math.abs(share - 1) > 0.02 ? share : null;
}

type Done = NonNullable<ReturnType<typeof recordedOf>>;

/** The stock lots it came from, or the words for it; what no stock lot covers is told where the kitchen keeps stock of it. */
function WhereFrom({ name, done, water }: { name: string; done: Done; water: boolean }) {
  const { stock } = useFit(done.ingredientId);
  const open = (done.beforeTrimming ?? done.grams) - done.withdrawals.reduce((sum, d) => sum + d.amount, 0);
  const codes = done.withdrawals.map((d) => d.code).join(', ');
  const said = [codes, done.from].filter(Boolean).join(', ');
  const keepsStock = stock.some((s) => s.thing === done.ingredientId);
  return (
    <span className="text-sm text-ink-2">
      {said && `from ${said}`}
      {done.beforeTrimming !== null && ` ${weight(done.beforeTrimming)} before trimming`}
      {!water && done.grams > 0 && open > 0.5 && keepsStock && (
        <>
          <State tone="hold" className="ml-2">
            {weight(open)} from no stock lot
          </State>
          <CoverOpen name={name} thing={done.ingredientId} additionId={done.id} open={open} />
        </>
      )}
    </span>
  );
}

/** What stands recorded of a line, with the amount planned beside it where that was another. */
function Recorded({ line, done, water }: { line: Line; done: Done; water: boolean }) {
  return (
    <li className="flex items-center gap-3 border-b border-steel-line py-3">
      <State tone={done.grams > 0 ? 'go' : 'hold'}>{done.grams > 0 ? 'in' : 'left out'}</State>
      <span className="flex-1 text-lg">
        {line.name} <WhereFrom name={line.name} done={done} water={water} />
      </span>
      <span className="figure text-lg font-bold">{done.grams > 0 ? weight(done.grams) : done.why}</span>
      {line.grams !== null && done.grams > 0 && Math.abs(done.grams - line.grams) > 1 && (
        <span className="figure text-sm text-ink-2">of {weight(line.grams)}</span>
      )}
    </li>
  );
}

/** A line to be weighed in, or left out with a word why. */
export function LineToAdd({
  lot,
  line,
  stepId,
  at,
}: {
  lot: LotView;
  line: Line;
  stepId: string | null;
  at: string | undefined;
}) {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const live = useLiveFigure('scale');
  const [typed, setTyped] = useState<string | null>(null);
  const [leaving, setLeaving] = useState(false);
  const [from, setFrom] = useState<TakenFrom>({ by: 'oldest' });
  const [before, setBefore] = useState('');
  const taken = useTaken(line.ingredientId);
  const [why, setWhy] = useState('');
  const write = useRecord('addition', lot);
  const done = recordedOf(lot, line);
  const water = catalogue.find(line.ingredientId)?.family === 'water';
  if (done) return <Recorded line={line} done={done} water={water} />;
  const text = typed ?? (line.now === null ? '' : String(Math.round(line.now * 10) / 10));
  const used = usedGrams(text, line, kitchen.cupSchool, catalogue);
  const share = proportionOf(lot, line);
  const trims = lot.product.content.steps.some((s) => s.id === line.formulaStepId && s.kind === 'prepare');
  const moved = line.grams !== null && line.now !== null && Math.abs(line.now - line.grams) > 0.5;
  const gross = before.trim() === '' ? null : usedGrams(before, line, kitchen.cupSchool, catalogue);
  const bad = typeof used === 'string' ? used : typeof gross === 'string' ? gross : null;
  const record = () =>
    write.run({
      shownAs: leaving ? `${line.name} left out` : `${line.name} ${weight(used as number)}`,
      ...{
        stepId,
        lineId: line.lineId,
        ingredientId: line.ingredientId,
        grams: leaving ? 0 : (used as number),
        why: leaving ? why : null,
        beforeTrimming: leaving ? null : (gross as number | null),
        ...taken(from, leaving || water ? 0 : ((gross ?? used) as number)),
        ...(at ? { at } : {}),
      },
    });
  return (
    <li className="border-b border-steel-line py-3">
      <div className="flex flex-wrap items-center gap-3">
        <span className="min-w-40 flex-1 text-lg leading-snug">
          <span className="font-semibold">{line.name}</span> <span className="text-ink-2">{line.said}</span>
          {moved && (
            <span className="block text-base">
              now <strong className="figure">{weight(line.now!)}</strong>, was{' '}
              <span className="figure line-through">{weight(line.grams!)}</span>
              {line.follows && <span className="text-ink-2">: it follows {line.follows}</span>}
            </span>
          )}
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
            onChange={(e) => setTyped(e.target.value)}
            className="figure min-h-14 w-32 rounded-lg border border-steel bg-enamel px-3 text-right text-lg font-bold"
          />
        )}
        <Button
          className="min-h-14"
          disabled={write.busy || (leaving ? why.trim().length < 2 : bad !== null)}
          onClick={record}
        >
          {leaving ? 'Leave out' : 'Weighed in'}
        </Button>
        <Button tone="quiet" className="min-h-14" onClick={() => setLeaving(!leaving)}>
          {leaving ? 'it goes in' : 'left out…'}
        </Button>
      </div>
      {!leaving && (
        <div className="flex flex-wrap items-center gap-x-2 text-base">
          {live?.value != null && (
            <Button tone="quiet" className="min-h-14 px-2" onClick={() => setTyped(String(live.value))}>
              take <span className="figure">{weight(Math.max(0, live.value))}</span> from the scale
            </Button>
          )}
          {share !== null && (
            <Button
              tone="quiet"
              className="min-h-14 px-2"
              onClick={() => setTyped(String(Math.round(line.grams! * share)))}
            >
              in proportion: <span className="figure">{weight(line.grams! * share)}</span>
            </Button>
          )}
          {!water && (
            <FromStock
              name={line.name}
              thing={line.ingredientId}
              grams={typeof gross === 'number' ? gross : typeof used === 'number' ? used : 0}
              value={from}
              onChange={setFrom}
            />
          )}
          {trims && (
            <label className="flex items-center gap-2 text-ink-2">
              before trimming
              <input
                aria-label={`${line.name}, before trimming`}
                value={before}
                onChange={(e) => setBefore(e.target.value)}
                placeholder="g"
                className="figure min-h-14 w-28 rounded-lg border border-steel bg-enamel px-3 text-right text-ink"
              />
            </label>
          )}
        </div>
      )}
      {!leaving && bad !== null && text !== '' && (
        <p className="mt-1 text-sm font-semibold text-stop">{bad}</p>
      )}
      {(write.fields.at ?? write.fields.stock ?? write.fields.beforeTrimming) && (
        <p className="mt-1 text-sm font-semibold text-stop">
          {write.fields.at ?? write.fields.stock ?? write.fields.beforeTrimming}
        </p>
      )}
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
