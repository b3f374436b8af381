import { ingredientRoutes } from '@inch/contract/ingredient';
import { titratableAcidity, titrationEndpoint } from '@inch/core/acid';
import { useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { call } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useLots } from '../data/lots.ts';
import { useRecord } from '../data/record.ts';
import { useMayWrite } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { useLiveFigure } from '../parts/instrument/attached.ts';
import { Button } from '../ui/Button.tsx';
import { kitchenDay } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { figureIn } from '../ui/typed.ts';
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

function KeepToLot({ worked, normality, sampleMl }: { worked: Worked; normality: number; sampleMl: number }) {
  const lots = useLots();
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
        onClick={() => write.run({ kind: 'ta', sample, said, shownAs: `Acid ${said.slice(3)}` })}
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

/** A titration by the burette: readings or a stream, the curve, the endpoint, the acidity. */
export function Titration() {
  const [text, setText] = useState('');
  const [normality, setNormality] = useState('0.1');
  const [sample, setSample] = useState('10');
  const [acid, setAcid] = useState<Acid>('citric');
  const [by, setBy] = useState<'8.2' | 'steepest'>('8.2');
  const [burette, meter] = [useLiveFigure('burette'), useLiveFigure('ph-meter')];
  const mayWrite = useMayWrite();
  const { points, unread } = curveFrom(text);
  const endpoint = by === 'steepest' ? null : 8.2;
  const at = { endpoint, normality: figureIn(normality), sampleMl: figureIn(sample), acid };
  const worked = workedOut(points, at);
  const done = typeof worked === 'string' ? null : worked;
  const live = burette?.value != null && meter?.value != null;
  return (
    <Sheet
      asideLabel="What it comes to"
      aside={
        <Ruled title="What it comes to">
          {done ? (
            <div className="py-3">
              <p>
                <span className="figure text-5xl font-bold">{done.gramsPerLitre.toFixed(2)}</span>{' '}
                <span className="text-xl font-semibold">g/L</span>
              </p>
              <p className="mt-1 text-ink-2">
                as {acid} acid, at <span className="figure">{done.endpointMl.toFixed(2)} mL</span>{' '}
                {by === 'steepest' ? 'where the curve is steepest' : 'where it crosses pH 8.2'}
              </p>
              {mayWrite && acid === 'citric' && (
                <KeepToLot worked={done} normality={at.normality!} sampleMl={at.sampleMl!} />
              )}
              {mayWrite && acid === 'acetic' && <KeepStrength worked={done} />}
            </div>
          ) : (
            <p className="py-3 text-ink-2">{worked as string}</p>
          )}
        </Ruled>
      }
    >
      <BenchNav />
      <h1>Titration</h1>
      <p className="mt-1 text-ink-2">
        Drive off gas first. Run base in, stir, and write what the burette and the meter read.
      </p>
      <div className="mt-4 grid grid-cols-4 gap-3 max-sm:grid-cols-2">
        <Field label="Base, N" figure value={normality} onChange={(e) => setNormality(e.target.value)} />
        <Field label="Sample, mL" figure value={sample} onChange={(e) => setSample(e.target.value)} />
        <Choice label="As" value={acid} onChange={(e) => setAcid(e.target.value as Acid)}>
          {ACIDS.map((a) => (
            <option key={a} value={a}>
              {a} acid
            </option>
          ))}
        </Choice>
        <Choice label="Endpoint" value={by} onChange={(e) => setBy(e.target.value as typeof by)}>
          <option value="8.2">pH 8.2</option>
          <option value="steepest">the steepest point</option>
        </Choice>
      </div>
      <div className="mt-4 grid grid-cols-[15rem_1fr] gap-6 max-sm:grid-cols-1">
        <div>
          <label className="block">
            <span className="mb-1 block text-sm font-semibold text-ink-2">
              mL and pH, one reading to a line
            </span>
            <textarea
              rows={10}
              className="figure w-full rounded-lg border border-steel bg-enamel px-3 py-2 text-lg"
              placeholder={'0 3.12\n5 4.20\n10 5.90\n12.5 8.31'}
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
          </label>
          {unread.length > 0 && (
            <p className="font-semibold text-stop">Not read as mL and pH: “{unread[0]}”</p>
          )}
          {live && (
            <Button
              className="mt-2 w-full"
              disabled={!meter.steady}
              onClick={() =>
                setText(`${text.trimEnd()}\n${burette.value!.toFixed(2)} ${meter.value!.toFixed(2)}`.trim())
              }
            >
              {meter.steady
                ? `Take ${burette.value!.toFixed(2)} mL at pH ${meter.value!.toFixed(2)}`
                : 'the meter still moves'}
            </Button>
          )}
        </div>
        <Curve points={points} endpointMl={done?.endpointMl ?? null} ph={endpoint} />
      </div>
    </Sheet>
  );
}
