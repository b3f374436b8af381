import {
  type ExtractionMethod,
  extractionMethods,
  type Forecast,
  type FormulaStep,
  fireOf,
  heldAt,
  kills,
  lidOf,
  type StrainMethod,
  strainMethods,
} from '@inch/core/formula';
import { FIRES, type Fire, LIDS } from '@inch/core/pan';
import {
  batchVolume,
  celsiusOf,
  degrees,
  degreesShown,
  limitOfHeat,
  temperature,
  weight,
} from '@inch/core/quantity';
import { minutesInWords } from '../../ui/format.ts';
import { Figure, Share, Tick } from '../../ui/StepFigures.tsx';
import { redrawnBy } from '../draft.ts';
import { HowThick } from '../forecast/HowThick.tsx';

interface Props {
  step: FormulaStep;
  n: number;
  /** Share that a drawing step draws by the forecast. */
  drew?: number | null | undefined;
  /** g of water a minute that it loses by the forecast. */
  rate?: number | undefined;
  set: (part: Partial<FormulaStep>) => void;
}

const choice =
  'max-w-52 rounded-md border border-transparent bg-transparent py-0.5 text-sm text-ink-2 [field-sizing:content] hover:border-steel focus:border-steel';

function DrawDetails({ step, n, drew, set }: Props) {
  const facts = step.method && extractionMethods[step.method];
  return (
    <>
      <select
        aria-label={`Step ${n}, extraction method`}
        className={choice}
        value={step.method ?? ''}
        onChange={(e) => e.target.value && set(redrawnBy(step, e.target.value as ExtractionMethod))}
      >
        {!step.method && <option value="">all of it</option>}
        {Object.entries(extractionMethods).map(([id, method]) => (
          <option key={id} value={id}>
            {method.name}
          </option>
        ))}
      </select>
      <Share
        key={step.method ?? ''}
        label={`Step ${n}, percent extracted`}
        value={step.draws}
        typical={drew ?? facts?.draws.soft[1]}
        words="% extracted"
        set={(draws) => set({ draws })}
      />
      <Tick
        label={`${limitOfHeat(90)} or boils, 1 min`}
        checked={step.killStep ?? false}
        set={(killStep) => set({ killStep })}
      />
      {heldAt(step) >= 60 && <OnTheFire step={step} n={n} set={set} />}
    </>
  );
}

const LID_SAYS = { on: 'lid on', half: 'lid half on', off: 'lid off' } as const;
const FIRE_SAYS = { low: 'low fire', medium: 'medium fire', full: 'full fire' } as const;

/** What every heated step has: its lid, its fire, and whether it must never boil. */
function OnTheFire({ step, n, set }: Props) {
  return (
    <>
      <select
        aria-label={`Step ${n}, lid`}
        className={choice}
        value={lidOf(step)}
        onChange={(e) =>
          set({
            lidOff: e.target.value === 'half' ? undefined : e.target.value === 'off',
            lidHalf: e.target.value === 'half' || undefined,
          })
        }
      >
        {LIDS.filter((lid) => lid !== 'on' || step.kind !== 'reduce').map((lid) => (
          <option key={lid} value={lid}>
            {LID_SAYS[lid]}
          </option>
        ))}
      </select>
      <select
        aria-label={`Step ${n}, fire`}
        className={choice}
        value={fireOf(step)}
        onChange={(e) => set({ fire: e.target.value as Fire })}
      >
        {FIRES.map((fire) => (
          <option key={fire} value={fire}>
            {FIRE_SAYS[fire]}
          </option>
        ))}
      </select>
      <Tick
        label="simmer, never boil"
        checked={step.neverBoil ?? false}
        set={(neverBoil) => set({ neverBoil: neverBoil || undefined })}
      />
    </>
  );
}

function StrainDetails({ step, n, set }: Props) {
  const facts = step.cloth && strainMethods[step.cloth];
  return (
    <>
      <select
        aria-label={`Step ${n}, how it is strained`}
        className={choice}
        value={step.cloth ?? ''}
        onChange={(e) =>
          set({ cloth: (e.target.value || undefined) as StrainMethod | undefined, keeps: undefined })
        }
      >
        {!step.cloth && <option value="">strained</option>}
        {Object.entries(strainMethods).map(([id, method]) => (
          <option key={id} value={id}>
            {method.name}
          </option>
        ))}
      </select>
      <Share
        key={step.cloth ?? ''}
        label={`Step ${n}, percent of the liquid that comes through`}
        value={step.keeps}
        typical={facts?.keeps[1] ?? 1}
        words="% through"
        set={(keeps) => set({ keeps })}
      />
      <Tick
        label="the liquid is thrown away"
        checked={step.liquidAway ?? false}
        set={(liquidAway) => set({ liquidAway: liquidAway || undefined })}
      />
      <Tick
        label="sugar that did not dissolve stays behind"
        checked={step.sugarStays ?? false}
        set={(sugarStays) => set({ sugarStays: sugarStays || undefined })}
      />
    </>
  );
}

type Mark = 'toBrix' | 'toFraction' | 'toCelsius' | 'toThickness' | 'time';
const MARKS: Record<Mark, string> = {
  toBrix: 'to °Bx',
  toFraction: 'to a part of it',
  toCelsius: 'to a temperature',
  toThickness: 'until it looks',
  time: 'for its minutes',
};
const markOf = (step: FormulaStep): Mark =>
  step.toFraction !== undefined
    ? 'toFraction'
    : step.toCelsius !== undefined
      ? 'toCelsius'
      : step.toThickness !== undefined
        ? 'toThickness'
        : step.toBrix !== undefined
          ? 'toBrix'
          : 'time';
const FRESH: Record<Mark, Partial<FormulaStep>> = {
  toBrix: { toBrix: 50 },
  toFraction: { toFraction: 0.5 },
  toCelsius: { toCelsius: 103 },
  toThickness: { toThickness: 'coats' },
  time: {},
};

function ReduceDetails({ step, n, rate, set }: Props) {
  const mark = markOf(step);
  return (
    <>
      <select
        aria-label={`Step ${n}, reduced how far`}
        className={choice}
        value={mark}
        onChange={(e) =>
          set({
            toBrix: undefined,
            toFraction: undefined,
            toCelsius: undefined,
            toThickness: undefined,
            ...FRESH[e.target.value as Mark],
          })
        }
      >
        {Object.entries(MARKS).map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      {mark === 'toBrix' && (
        <Figure
          label={`Step ${n}, reduce to °Bx`}
          value={step.toBrix}
          unit="°Bx"
          set={(toBrix) => toBrix !== undefined && set({ toBrix })}
        />
      )}
      {mark === 'toFraction' && (
        <Share
          label={`Step ${n}, percent of the volume left`}
          value={step.toFraction}
          words="% of its volume"
          set={(toFraction) => toFraction !== undefined && set({ toFraction })}
        />
      )}
      {mark === 'toCelsius' && (
        <Figure
          label={`Step ${n}, temperature of the boil`}
          value={step.toCelsius === undefined ? undefined : degreesShown(step.toCelsius)}
          unit={degrees()}
          set={(shown) => shown !== undefined && set({ toCelsius: celsiusOf(shown) })}
        />
      )}
      {step.toThickness !== undefined && (
        <HowThick n={n} chosen={step.toThickness} set={(toThickness) => set({ toThickness })} />
      )}
      <Tick label="boils, 1 min" checked={kills(step)} set={(killStep) => set({ killStep })} />
      <OnTheFire step={step} n={n} set={set} />
      <Figure
        label={`Step ${n}, grams boiled off a minute`}
        value={step.evaporates}
        typical={rate === undefined ? undefined : Math.round(rate)}
        unit="g a minute"
        set={(evaporates) => set({ evaporates })}
      />
    </>
  );
}

/** What a kind of step asks besides its words: how much comes through, where to stop, whether it boils. */
export function StepDetails({ step, n, drew, rate, set }: Props) {
  if (step.kind === 'draw') return <DrawDetails step={step} n={n} drew={drew} set={set} />;
  if (step.kind === 'strain') return <StrainDetails step={step} n={n} set={set} />;
  if (step.kind === 'reduce') return <ReduceDetails step={step} n={n} rate={rate} set={set} />;
  if (step.kind === 'prepare')
    return (
      <Share
        label={`Step ${n}, percent left after trimming`}
        value={step.keeps}
        typical={1}
        words="% left after trimming"
        set={(keeps) => set({ keeps })}
      />
    );
  if (step.kind === 'heat')
    return (
      <>
        <Tick
          label={`${limitOfHeat(90)} or boils, 1 min`}
          checked={step.killStep ?? false}
          set={(killStep) => set({ killStep })}
        />
        <OnTheFire step={step} n={n} set={set} />
      </>
    );
  return null;
}

/** °Bx after a step: between two where it stops by its looks. */
const brixWords = ({ brixAfter, brixLooks }: Forecast['steps'][number]): string =>
  brixLooks ? `${brixLooks.map((brix) => brix.toFixed(0)).join(' to ')} °Bx` : `${brixAfter.toFixed(0)} °Bx`;

/** What a step does to the pan, as forecast. */
export function stepOutcomeWords(step: FormulaStep, outcome: Forecast['steps'][number] | undefined): string {
  if (!outcome) return '';
  const said: string[] = [];
  if (outcome.trimmed > 1) said.push(`${weight(outcome.trimmed)} trimmed off`);
  if (outcome.retained > 1) said.push(`${weight(outcome.retained)} stays behind`);
  if (outcome.evaporated > 1) said.push(`${weight(outcome.evaporated)} boils off`);
  if (outcome.minutes !== null && outcome.evaporated > 1) said.push(`≈ ${minutesInWords(outcome.minutes)}`);
  if (outcome.boilsAt !== null && step.kind === 'reduce')
    said.push(`boils at ${temperature(outcome.boilsAt, 1)}`);
  if (['draw', 'strain', 'reduce'].includes(step.kind) && outcome.millilitresAfter > 1)
    said.push(`${batchVolume(outcome.millilitresAfter)} at ${brixWords(outcome)}`);
  return said.join(' · ');
}
