import { ingredientRoutes } from '@inch/contract/ingredient';
import { titratableAcidity, titrationEndpoint } from '@inch/core/acid';
import { useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { call } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useLotsOnHand } from '../data/lots.ts';
import { useRecord } from '../data/record.ts';
import { useMayWrite } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { useLiveFigure } from '../parts/instrument/attached.ts';
import { Button } from '../ui/Button.tsx';
import { kitchenDay } from '../ui/dates.ts';
import { Choice, Field, TextField } from '../ui/Field.tsx';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { figureIn, problemIn } from '../ui/typed.ts';
import { BenchNav } from './BenchNav.tsx';
import { curveFrom } from './curve.ts';

const ACIDS = ['citric', 'malic', 'tartaric', 'acetic', 'lactic'] as const;
type Acid = (typeof ACIDS)[number];

interface Worked {
  endpointMl: number;
  gramsPerLitre: number;
}

function workedOut(
  points: ReturnType<typeof curveFrom>['points'],
  at: {
    endpoint: number | null;
    normality: number | null;
    sampleMl: number | null;
    acid: Acid;
  },
): Worked | string {
  if (points.length < 2) return 'Two readings at least: before any base, and past the endpoint.';
  try {
    const endpointMl = titrationEndpoint(points, { ph: at.endpoint });
    const gramsPerLitre = titratableAcidity({
      titrantMl: endpointMl,
      normality: at.normality ?? 0,
      sampleMl: at.sampleMl ?? 0,
      as: at.acid,
    });
    return { endpointMl, gramsPerLitre };
  } catch (error) {
    return (error as Error).message;
  }
}

/** The curve as it grows, with the endpoint on it. */
function Curve({
  points,
  endpointMl,
  ph,
}: {
  points: readonly { ml: number; ph: number }[];
  endpointMl: number | null;
  ph: number | null;
}) {
  return (
    <div className="h-72" role="img" aria-label={`pH against millilitres of base, ${points.length} readings`}>
      <ResponsiveContainer>
        <LineChart data={[...points]} margin={{ top: 12, right: 16, bottom: 18, left: 0 }}>
          <CartesianGrid stroke="var(--steel-line)" />
          <XAxis
            dataKey="ml"
            type="number"
            domain={[0, 'dataMax']}
            stroke="var(--ink-2)"
            tick={{ fontSize: 13 }}
            label={{ value: 'mL of base', position: 'insideBottom', offset: -10, fill: 'var(--ink-2)' }}
          />
          <YAxis
            type="number"
            domain={[2, 12]}
            ticks={[2, 4, 6, 8, 10, 12]}
            stroke="var(--ink-2)"
            tick={{ fontSize: 13 }}
            width={44}
          />
          {ph !== null && <ReferenceLine y={ph} stroke="var(--rim)" strokeDasharray="6 4" />}
          {endpointMl !== null && <ReferenceLine x={endpointMl} stroke="var(--stop)" strokeWidth={2} />}
          <Line
            dataKey="ph"
            stroke="var(--ink)"
            strokeWidth={2.5}
            dot={{ r: 4, fill: 'var(--enamel)', stroke: 'var(--ink)' }}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}

function KeepToLot({
  worked,
  normality,
  sampleMl,
  simulated,
}: {
  worked: Worked;
  normality: number;
  sampleMl: number;
  simulated: boolean;
}) {
  const lots = useLotsOnHand();
  const making = (lots.data?.lots ?? []).filter((l) => ['making', 'resting', 'bottled'].includes(l.state));
  const [code, setCode] = useState('');
  const [sample, setSample] = useState<'pan' | 'finished'>('pan');
  // The reading is kept as said, in mL of 0.1 N base on the sample: the server works it out again.
  const said = `ta ${((worked.endpointMl * normality) / 0.1).toFixed(2)}/${sampleMl}`;
  const lot = making.find((l) => l.code === code);
  const write = useRecord('reading', lot ?? { id: '', code: '' }, { done: 'Acidity recorded with the lot' });
  if (making.length === 0) return null;
  return (
    <div className="mt-4 grid gap-3">
      <Choice label="Lot" value={code} onChange={(e) => setCode(e.target.value)}>
        <option value="">Choose a lot</option>
        {making.map((l) => (
          <option key={l.id} value={l.code}>
            {l.code} {l.name}
          </option>
        ))}
      </Choice>
      <Choice label="Sample" value={sample} onChange={(e) => setSample(e.target.value as typeof sample)}>
        <option value="pan">what is in the pan</option>
        <option value="finished">the finished product, cooled</option>
      </Choice>
      <Button
        tone="plain"
        disabled={code === '' || write.busy}
        onClick={() => write.run({ kind: 'ta', sample, said, simulated, shownAs: `Acid ${said.slice(3)}` })}
      >
        Record {said.slice(3)}
      </Button>
    </div>
  );
}

/** A vinegar's strength, once titrated, is used from then on. */
function KeepStrength({ worked }: { worked: Worked }) {
  const catalogue = useCatalogue();
  const [id, setId] = useState('');
  const entry = catalogue.find(id);
  const percent = worked.gramsPerLitre / 10;
  const write = useWrite(
    'entry',
    (_: undefined, idOf) =>
      call(ingredientRoutes.enter, {
        body: {
          id: idOf(),
          ingredientId: id,
          label: {
            name: entry!.name,
            labelName: entry!.labelName,
            family: 'vinegar',
            sugars: entry!.per100g.glucose + entry!.per100g.fructose + entry!.per100g.sucrose,
            acetic: Number(percent.toFixed(2)),
            source: `titrated here, ${percent.toFixed(2)} % acetic`,
            on: kitchenDay(Date.now()),
          },
        },
      }),
    { done: 'Its strength counts from now on' },
  );
  return (
    <div className="mt-4">
      <p>
        As vinegar it is <strong className="figure">{percent.toFixed(2)} %</strong> acetic acid
        {percent < 4 && ': under 4 %, weaker than what is sold as vinegar'}.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <IngredientPicker label="Which vinegar" value={id} onChoose={setId} />
        <Button
          tone="plain"
          disabled={entry?.family !== 'vinegar' || write.busy}
          onClick={() => write.run(undefined)}
        >
          Use this strength
        </Button>
      </div>
    </div>
  );
}

/** What is asked of a titration, as typed. */
interface Answers {
  readings: string;
  normality: string;
  sample: string;
  acid: Acid;
  by: '8.2' | 'steepest';
  /** Whether a figure of it came from the simulated bench. */
  simulated: boolean;
}

/** The titration as typed so far, and what it comes to. */
function useTitration() {
  const [answers, setAnswers] = useState<Answers>({
    ...{ readings: '', normality: '0.1', sample: '10', acid: 'citric', by: '8.2', simulated: false },
  });
  const { points, unread } = curveFrom(answers.readings);
  const endpoint = answers.by === 'steepest' ? null : 8.2;
  const [normality, sampleMl] = [figureIn(answers.normality), figureIn(answers.sample)];
  const worked = workedOut(points, { endpoint, normality, sampleMl, acid: answers.acid });
  return {
    ...{ answers, points, unread, endpoint, normality, sampleMl, worked },
    set: (part: Partial<Answers>) => setAnswers((before) => ({ ...before, ...part })),
  };
}
type Titrating = ReturnType<typeof useTitration>;

function Result({ titration }: { titration: Titrating }) {
  const mayWrite = useMayWrite();
  const { worked, answers, normality, sampleMl } = titration;
  if (typeof worked === 'string') return <p className="py-3 text-ink-2">{worked}</p>;
  return (
    <div className="py-3">
      <p>
        <span className="figure text-5xl font-bold">{worked.gramsPerLitre.toFixed(2)}</span>{' '}
        <span className="text-xl font-semibold">g/L</span>
      </p>
      <p className="mt-1 text-ink-2">
        as {answers.acid} acid, at <span className="figure">{worked.endpointMl.toFixed(2)} mL</span>{' '}
        {answers.by === 'steepest' ? 'where the curve is steepest' : 'where it crosses pH 8.2'}
      </p>
      {mayWrite && answers.acid === 'citric' && (
        <KeepToLot
          worked={worked}
          normality={normality!}
          sampleMl={sampleMl!}
          simulated={answers.simulated}
        />
      )}
      {mayWrite && answers.acid === 'acetic' && !answers.simulated && <KeepStrength worked={worked} />}
      {answers.simulated && (
        <p className="mt-2 font-semibold text-hold">
          From the simulated bench: it is marked so, and counts for nothing real.
        </p>
      )}
    </div>
  );
}

function TitrationFields({ titration: { answers, set } }: { titration: Titrating }) {
  return (
    <div className="mt-4 grid grid-cols-4 gap-3 max-sm:grid-cols-2">
      <Field
        label="Base, N"
        figure
        value={answers.normality}
        error={problemIn(answers.normality)}
        onChange={(e) => set({ normality: e.target.value })}
      />
      <Field
        label="Sample, mL"
        figure
        value={answers.sample}
        error={problemIn(answers.sample)}
        onChange={(e) => set({ sample: e.target.value })}
      />
      <Choice label="As" value={answers.acid} onChange={(e) => set({ acid: e.target.value as Acid })}>
        {ACIDS.map((a) => (
          <option key={a} value={a}>
            {a} acid
          </option>
        ))}
      </Choice>
      <Choice
        label="Endpoint"
        value={answers.by}
        onChange={(e) => set({ by: e.target.value as Answers['by'] })}
      >
        <option value="8.2">pH 8.2</option>
        <option value="steepest">the steepest point</option>
      </Choice>
    </div>
  );
}

/** Readings one to a line: typed, or taken from the burette and the meter on the counter. */
function TitrationReadings({ titration: { answers, set, unread } }: { titration: Titrating }) {
  const [burette, meter] = [useLiveFigure('burette'), useLiveFigure('ph-meter')];
  const live =
    burette?.value != null && meter?.value != null
      ? {
          ml: burette.value.toFixed(2),
          ph: meter.value.toFixed(2),
          steady: meter.steady,
          simulated: burette.simulated || meter.simulated,
        }
      : null;
  return (
    <div>
      <TextField
        label="mL and pH, one reading to a line"
        rows={10}
        placeholder={'0 3.12\n5 4.20\n10 5.90\n12.5 8.31'}
        value={answers.readings}
        error={unread.length > 0 ? `Not read as mL and pH: “${unread[0]}”` : undefined}
        onChange={(e) =>
          set({ readings: e.target.value, simulated: answers.simulated && e.target.value.trim() !== '' })
        }
      />
      {live && (
        <Button
          className="mt-2 w-full"
          disabled={!live.steady}
          onClick={() =>
            set({
              readings: `${answers.readings.trimEnd()}\n${live.ml} ${live.ph}`.trim(),
              simulated: answers.simulated || live.simulated,
            })
          }
        >
          {live.steady ? `Take ${live.ml} mL at pH ${live.ph}` : 'the meter still moves'}
        </Button>
      )}
    </div>
  );
}

/** A titration by the burette: readings or a stream, the curve, the endpoint, the acidity. */
export function Titration() {
  const titration = useTitration();
  const { points, worked, endpoint } = titration;
  return (
    <Sheet
      asideLabel="What it comes to"
      aside={
        <Ruled title="What it comes to">
          <Result titration={titration} />
        </Ruled>
      }
    >
      <BenchNav />
      <h1>Titration</h1>
      <p className="mt-1 text-ink-2">
        Drive off gas first. Run base in, stir, and write what the burette and the meter read.
      </p>
      <TitrationFields titration={titration} />
      <div className="mt-4 grid grid-cols-[15rem_1fr] gap-6 max-sm:grid-cols-1">
        <TitrationReadings titration={titration} />
        <Curve
          points={points}
          endpointMl={typeof worked === 'string' ? null : worked.endpointMl}
          ph={endpoint}
        />
      </div>
    </Sheet>
  );
}
