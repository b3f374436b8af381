import { useMayWrite } from '../data/session.tsx';
import { useLiveFigure } from '../parts/instrument/attached.ts';
import { Button } from '../ui/Button.tsx';
import { Choice, Field, TextField } from '../ui/Field.tsx';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { problemIn } from '../ui/typed.ts';
import { BenchNav } from './BenchNav.tsx';
import { KeepStrength, KeepToLot } from './KeepTitration.tsx';
import { TitrationCurve } from './TitrationCurve.tsx';
import { ACIDS, type Answers, type Titrating, useTitration } from './useTitration.ts';

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
      <Choice
        label="As"
        value={answers.acid}
        onChange={(e) => set({ acid: e.target.value as Answers['acid'] })}
        options={ACIDS.map((a) => [a, `${a} acid`])}
      />
      <Choice
        label="Endpoint"
        value={answers.by}
        onChange={(e) => set({ by: e.target.value as Answers['by'] })}
        options={[
          ['8.2', 'pH 8.2'],
          ['steepest', 'the steepest point'],
        ]}
      />
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
        <TitrationCurve
          points={points}
          endpointMl={typeof worked === 'string' ? null : worked.endpointMl}
          ph={endpoint}
        />
      </div>
    </Sheet>
  );
}
