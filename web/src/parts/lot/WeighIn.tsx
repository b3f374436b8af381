import type { LotView } from '@inch/contract/making/lot';
import { weighedIn } from '@inch/core/lot';
import { weight, weightSign } from '@inch/core/quantity';
import { useCatalogue } from '../../data/catalogue.ts';
import { Button } from '../../ui/Button.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { Field } from '../../ui/Field.tsx';
import { State } from '../../ui/State.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { useLiveFigure } from '../instrument/attached.ts';
import { CoverOpen } from '../stock/CoverOpen.tsx';
import { FromStock, useFit } from '../stock/FromStock.tsx';
import { StrikeEntry } from './StrikeEntry.tsx';
import { type Line, type LineForm, recordedOf, useLine } from './useLine.ts';

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

/** What stands recorded of a line, with the amount planned beside it where that was another; each part can be struck. */
function Recorded({ lot, line, done, water }: { lot: LotView; line: Line; done: Done; water: boolean }) {
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
      <Parts lot={lot} line={line} parts={done.parts} />
    </li>
  );
}

/** What went in of a line, part by part, each with the way to put it right. */
function Parts({ lot, line, parts }: { lot: LotView; line: Line; parts: Done['parts'] }) {
  return parts.map((part) => {
    const said = part.grams > 0 ? weight(part.grams) : 'left out';
    return (
      <span key={part.id} className="flex items-baseline gap-1 text-sm text-ink-2">
        {parts.length > 1 && <span className="figure">{said}</span>}
        <StrikeEntry
          lot={lot}
          noun="addition"
          entryId={part.id}
          by={part.by}
          named={`${line.name}, ${said}`}
        />
      </span>
    );
  });
}

/** What the line is, and what it became where it follows something that was weighed. */
function Planned({ line }: { line: Line }) {
  const moved = line.grams !== null && line.now !== null && Math.abs(line.now - line.grams) > 0.5;
  return (
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
  );
}

/** Figures that may be taken as they are: the scale's, or in proportion to what was weighed. */
function Suggested({ lot, line, form }: { lot: LotView; line: Line; form: LineForm }) {
  const live = useLiveFigure('scale');
  const share = proportionOf(lot, line);
  return (
    <>
      {live?.value != null && (
        <Button tone="quiet" className="min-h-14 px-2" onClick={() => form.set('typed', `${live.value} g`)}>
          take <span className="figure">{weight(Math.max(0, live.value))}</span> from the scale
        </Button>
      )}
      {share !== null && (
        <Button
          tone="quiet"
          className="min-h-14 px-2"
          onClick={() => form.set('typed', weight(line.grams! * share))}
        >
          in proportion: <span className="figure">{weight(line.grams! * share)}</span>
        </Button>
      )}
    </>
  );
}

interface LineProps {
  lot: LotView;
  line: Line;
  stepId: string | null;
  at: string | undefined;
}

function OpenLine(props: LineProps) {
  const { lot, line } = props;
  const { form, water, text, soFar, size, body } = useLine(props);
  const { leaving, from, more } = form.values;
  const { parts } = weighedIn(lot, line.lineId);
  const doubt = leaving ? undefined : form.error('why');
  const trims = lot.product.content.steps.some((s) => s.id === line.formulaStepId && s.kind === 'prepare');
  const stockError = form.error('from');
  return (
    <li className="border-b border-steel-line py-3">
      <form onSubmit={form.submit}>
        <DraftNote form={form} />
        <div className="flex flex-wrap items-start gap-3">
          <Planned line={line} />
          {leaving ? (
            <Field
              label={`Why ${line.name} is left out`}
              labelHidden
              autoFocus
              className="w-56"
              large
              placeholder="why is it left out?"
              {...form.field('why')}
            />
          ) : (
            <Field
              label={`${line.name}, ${weightSign(size) === 'g' ? 'grams' : 'ounces'} weighed`}
              labelHidden
              className={weightSign(size) === 'g' ? 'w-36' : 'w-48'}
              figure
              large
              value={text}
              onChange={(event) => form.set('typed', event.target.value)}
              error={form.error('typed')}
            />
          )}
          <Button type="submit" className="min-h-14" disabled={form.busy}>
            {leaving ? 'Leave out' : more ? 'Part of it in' : soFar > 0 ? 'That is all' : 'Weighed in'}
          </Button>
          <Button tone="quiet" className="min-h-14" onClick={() => form.set('leaving', !leaving)}>
            {leaving ? 'it goes in' : 'left out…'}
          </Button>
        </div>
        {soFar > 0 && (
          <p className="mt-1 flex flex-wrap items-baseline gap-x-3">
            <span>
              <strong className="figure">{weight(soFar)}</strong> in so far, more of it follows
            </span>
            <Parts lot={lot} line={line} parts={parts} />
          </p>
        )}
        {doubt && (
          <div className="mt-2 grid max-w-xl gap-2">
            <p role="alert" className="font-semibold text-hold">
              {doubt}
            </p>
            <Field
              label="Why"
              large
              value={form.values.why}
              onChange={(e) => form.set('why', e.target.value)}
            />
          </div>
        )}
        {!leaving && (
          <div className="flex flex-wrap items-center gap-x-2 text-base">
            <Tick
              className="min-h-14 pr-2"
              checked={more}
              onChange={(e) => form.set('more', e.target.checked)}
            >
              more of it follows
            </Tick>
            <Suggested lot={lot} line={line} form={form} />
            {!water && (
              <FromStock
                name={line.name}
                thing={line.ingredientId}
                grams={body?.beforeTrimming ?? body?.grams ?? 0}
                value={from}
                onChange={(value) => form.set('from', value)}
              />
            )}
            {trims && (
              <Field
                label={`before trimming, ${weightSign(size)}`}
                aria-label={`${line.name}, before trimming`}
                className="w-40"
                figure
                large
                {...form.field('before')}
              />
            )}
          </div>
        )}
        {stockError && <p className="mt-1 text-sm font-semibold text-stop">{stockError}</p>}
      </form>
    </li>
  );
}

/** A line of a lot: what stands recorded of it, or the form that records it. */
export function LineToAdd(props: LineProps) {
  const done = recordedOf(props.lot, props.line);
  const water = useCatalogue().find(props.line.ingredientId)?.family === 'water';
  return done ? (
    <Recorded lot={props.lot} line={props.line} done={done} water={water} />
  ) : (
    <OpenLine {...props} />
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
  const lines = lot.lines.filter((line) => line.formulaStepId === step.formulaStepId && !line.byJar);
  if (lines.length === 0) return null;
  return (
    <ul className="mt-5 border-t border-ink">
      {lines.map((line) => (
        <LineToAdd key={line.lineId} lot={lot} line={line} stepId={step.id} at={at} />
      ))}
    </ul>
  );
}
