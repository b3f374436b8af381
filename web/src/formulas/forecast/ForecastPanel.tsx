import type { Contribution, Forecast, FormulaContent, Mend } from '@inch/core/formula';
import {
  batchVolume,
  bottleSize,
  grouped,
  inAHundred,
  money,
  plural,
  volume,
  weight,
} from '@inch/core/quantity';
import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';
import { useSession } from '../../data/session.tsx';
import { Button } from '../../ui/Button.tsx';
import { AcidGlass, SugarGlass } from '../../ui/glasses.tsx';
import { Caution } from '../../ui/State.tsx';
import { Term } from '../../ui/Term.tsx';
import { AsMeasured, type Pairs } from './AsMeasured.tsx';
import { HowSure } from './HowSure.tsx';
import { HurdleLevels } from './HurdleLevels.tsx';
import { InTheGlass } from './InTheGlass.tsx';
import type { Simulated } from './useSimulation.ts';
import { WhatDoesWhat } from './WhatDoesWhat.tsx';

interface Props {
  forecast: Forecast;
  simulated: Simulated;
  content: FormulaContent;
  contributions: { lines: Contribution[]; steps: Contribution[] };
  colour: string;
  criticalPh: number;
  /** A level pointed at in a glass: what would it take to stand there. */
  askFor?: ((aim: 'ph' | 'brix', value: number) => void) | undefined;
  /** What would let a lot of it be released. */
  mends: readonly Mend[];
  /** The kitchen's own lots, as forecast and as measured. */
  pairs: readonly Pairs[] | undefined;
  mend?: ((mend: Mend) => void) | undefined;
  /** What stands between the figures and the rest. */
  children?: ReactNode;
}

function Glasses({ forecast: f, simulated, content, colour, criticalPh, children, askFor }: Props) {
  const { result } = simulated;
  const band = f.ph && (result?.ph ?? f.ph);
  return (
    <div className="grid grid-cols-[1fr_1fr_7.25rem] gap-2">
      <AcidGlass
        ph={f.ph?.middle ?? null}
        band={band ?? undefined}
        limit={criticalPh}
        colour={colour}
        unknown="measure it"
        onPoint={askFor && f.ph ? (value) => askFor('ph', value) : undefined}
      />
      <SugarGlass
        brix={f.brix}
        band={result?.brix}
        aim={content.targets?.brix}
        colour={colour}
        unknown="–"
        onPoint={askFor && ((value) => askFor('brix', value))}
      />
      <Yield forecast={f} content={content}>
        {children}
      </Yield>
    </div>
  );
}

function bandWords({ forecast: f, simulated }: Props): string {
  const spread = simulated.result?.ph;
  const under = simulated.result?.chances.phUnderLimit;
  if (!f.ph) return f.phWhy ?? '';
  const rests = f.phFrom.length > 0 ? ` It rests on what you measured of ${f.phFrom.join(', ')}.` : '';
  return `${bandOf(f.ph, spread, under)}${rests}`;
}

function bandOf(
  ph: NonNullable<Forecast['ph']>,
  spread: { low: number; high: number } | null | undefined,
  under: number | null | undefined,
): string {
  if (!spread) return `pH ${ph.low.toFixed(2)} to ${ph.high.toFixed(2)} at the outmost.`;
  return `pH ${spread.low.toFixed(2)} to ${spread.high.toFixed(2)} in nine batches of ten; ${inAHundred(under ?? 0)} at or under the limit.`;
}

function Figure({ value, name }: { value: string; name: ReactNode }) {
  return (
    <div className="flex flex-col-reverse justify-end">
      <dt className="text-sm text-ink-2">{name}</dt>
      <dd className="figure text-lg font-bold whitespace-nowrap">{value}</dd>
    </div>
  );
}

function Yield({ forecast: f, content, children }: Pick<Props, 'forecast' | 'content' | 'children'>) {
  const { kitchen } = useSession();
  const perBottle =
    f.cost !== null && f.bottles > 0 ? money(Math.round(f.cost / f.bottles), kitchen.currency) : '–';
  return (
    <div className="flex flex-col">
      <dl className="mt-7 flex flex-col gap-3.5">
        <Figure value={batchVolume(f.millilitres)} name="yield" />
        <Figure value={String(f.bottles)} name={`× ${volume(content.bottleMl)}`} />
        <Figure value={perBottle} name="a bottle, to buy" />
      </dl>
      <div className="mt-4 grid gap-2">{children}</div>
    </div>
  );
}

function Figures({ forecast: f }: Props) {
  return (
    <dl className="mt-4 flex justify-between gap-x-3 border-t border-ink pt-3">
      <Figure
        value={f.taPercent === null ? '–' : `${f.taPercent.toFixed(2)} %`}
        name={<Term of="acid">acid</Term>}
      />
      <Figure value={f.ratio === null ? '–' : f.ratio.toFixed(0)} name={<Term of="ratio">°Bx/acid</Term>} />
      <Figure value={f.waterActivity?.toFixed(3) ?? '–'} name={<Term of="waterActivity">a_w</Term>} />
      <Figure value={`${f.abv.toFixed(1)} %`} name={<Term of="abv">ABV</Term>} />
      <Figure
        value={f.processMinutes === null ? '–' : `${f.processMinutes} min`}
        name={<Term of="process">process</Term>}
      />
    </dl>
  );
}

function mendSaid(mend: Mend): string {
  if (mend.do === 'process') return `Choose “${mend.name}”`;
  if (mend.do === 'jar') return `“${mend.name}” in jars up to ${bottleSize(mend.largestMl)}`;
  if (mend.do === 'acid')
    return `Put in ${weight(mend.grams)} of citric acid${mend.time ? `: ${plural(mend.time.count, mend.time.unit)}` : ''}`;
  if (mend.do === 'heat') return `Boil it before it is filled: ${plural(mend.time.count, mend.time.unit)}`;
  if (mend.do === 'change')
    return mend.without === null
      ? `Boil it last, so that it is packed hot, for “${mend.name}”`
      : `Without ${mend.without}, “${mend.name}” matches`;
  return `Store it cold: ${plural(mend.time.count, mend.time.unit)}`;
}

function Mends({ mends, mend }: Pick<Props, 'mends' | 'mend'>) {
  if (mends.length === 0) return null;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      <span className="text-sm text-ink-2">What would mend it:</span>
      {mends.map((m) => (
        <Button key={mendSaid(m)} size="small" tone="plain" disabled={!mend} onClick={() => mend?.(m)}>
          {mendSaid(m)}
        </Button>
      ))}
    </div>
  );
}

function Headline({ forecast: f }: Pick<Props, 'forecast'>) {
  const heading = !f.holds
    ? 'A lot of this would not be released:'
    : f.keeping.class === 'cold'
      ? 'Days in the cold, no more.'
      : 'A lot of this would be held.';
  return f.holds || f.processFault ? (
    <Caution className="mt-3">
      <strong>{heading}</strong> {f.holds ?? `${f.processFault}.`}
    </Caution>
  ) : (
    <p className="mt-3 border-l-4 border-rim py-0.5 pl-3">{f.reason}</p>
  );
}

const tab =
  'border-b-3 border-transparent px-1 pb-1.5 text-sm font-semibold text-ink-2 hover:text-link data-[state=active]:border-rim data-[state=active]:text-link';

/** The forecast beside the formula: levels against limits, the sentence that says what keeps it, and all that stands behind the figures. */
export function ForecastPanel(props: Props) {
  const { forecast: f, simulated, content, contributions, criticalPh, colour } = props;
  const whole = f.cautions.filter((c) => !c.lineId && !c.stepId);
  return (
    <div>
      <div className="mb-3 flex items-baseline justify-between">
        <h2 className="text-lg font-bold">Forecast</h2>
        <span className="text-sm text-ink-2" aria-live="off">
          {f.complete ? 'as you type' : 'without the open lines'} ·{' '}
          {simulated.behind || !simulated.result
            ? simulated.drawn > 0
              ? `${grouped(simulated.drawn)} of ${grouped(simulated.of)} batches simulated`
              : 'calculating'
            : `${grouped(simulated.result.scenarios)} simulated batches`}
        </span>
      </div>
      <Glasses {...props} />
      <p className={`mt-1 text-sm ${f.ph ? 'text-ink-2' : 'font-semibold text-hold'}`}>{bandWords(props)}</p>
      {f.grams > 0 && <Headline forecast={f} />}
      {f.grams > 0 && <Mends mends={props.mends} mend={props.mend} />}
      <Figures {...props} />
      <Tabs.Root defaultValue="hurdles" className="mt-5">
        <Tabs.List aria-label="What it rests on" className="flex justify-between border-b border-steel-line">
          <Tabs.Trigger value="hurdles" className={tab}>
            Hurdles
          </Tabs.Trigger>
          <Tabs.Trigger value="sure" className={tab}>
            How sure
          </Tabs.Trigger>
          <Tabs.Trigger value="does" className={tab}>
            What does what
          </Tabs.Trigger>
          <Tabs.Trigger value="glass" className={tab}>
            In the glass
          </Tabs.Trigger>
        </Tabs.List>
        <Tabs.Content value="hurdles">
          <HurdleLevels forecast={f} criticalPh={criticalPh} />
          {whole.map((c) => (
            <p key={c.text} className="mt-3 text-sm text-ink-2">
              {c.text}
            </p>
          ))}
        </Tabs.Content>
        <Tabs.Content value="sure">
          <HowSure simulation={simulated.result} content={content} criticalPh={criticalPh} colour={colour} />
          <AsMeasured pairs={props.pairs} colour={colour} />
        </Tabs.Content>
        <Tabs.Content value="does">
          <WhatDoesWhat content={content} forecast={f} contributions={contributions} />
        </Tabs.Content>
        <Tabs.Content value="glass">
          <InTheGlass forecast={f} content={content} colour={colour} />
        </Tabs.Content>
      </Tabs.Root>
    </div>
  );
}
