import { brixOf } from '@inch/core/formula';
import { depthSaid, temperature, volume } from '@inch/core/quantity';
import { simulatedDepth, simulatedVolume } from '@inch/core/simulated';
import { useState } from 'react';
import { toast } from 'sonner';
import { useCatalogue } from '../data/catalogue.ts';
import { useSession } from '../data/session.tsx';
import { useVessels } from '../data/vessels.ts';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { useAttached } from '../parts/instrument/attached.ts';
import { PanRuler } from '../parts/vessel/PanRuler.tsx';
import { Button } from '../ui/Button.tsx';
import { duration } from '../ui/format.ts';
import { useRulerUnit } from '../ui/ruler.ts';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { figureIn } from '../ui/typed.ts';
import { BenchNav } from './BenchNav.tsx';
import { SimulatedInstrument } from './SimulatedInstrument.tsx';
import { type Simulation, simulated, USUAL_PAN, useSimulation } from './simulation.ts';

const FIRES = [
  { name: 'off', watts: 0 },
  { name: 'low', watts: 500 },
  { name: 'simmer', watts: 1100 },
  { name: 'full', watts: 1900 },
];
const SPEEDS = [1, 10, 60, 240];
function Choices<T>({
  label,
  options,
  chosen,
  choose,
}: {
  label: string;
  options: { name: string; value: T }[];
  chosen: T;
  choose: (value: T) => void;
}) {
  return (
    <fieldset className="flex flex-wrap items-center gap-1">
      <legend className="float-left mr-2 w-16 py-2 text-sm font-semibold text-ink-2">{label}</legend>
      {options.map((o) => (
        <button
          key={o.name}
          type="button"
          aria-pressed={o.value === chosen}
          onClick={() => choose(o.value)}
          className={`min-h-11 rounded-lg border-2 px-2.5 ${o.value === chosen ? 'border-rim bg-rim text-on-rim' : 'border-steel-line text-link hover:bg-rim-pale'}`}
        >
          {o.name}
        </button>
      ))}
    </fieldset>
  );
}

function PourIn() {
  const catalogue = useCatalogue();
  const [id, setId] = useState('water');
  const [grams, setGrams] = useState('');
  const entry = catalogue.find(id);
  const weighed = figureIn(grams, { unit: 'g', min: 0 });
  const pour = () => {
    try {
      simulated.pour(entry!, weighed!);
      setGrams('');
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <form
      aria-label="Put into the simulated pan"
      className="mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        pour();
      }}
    >
      <label className="text-sm font-semibold text-ink-2">
        Put in, g
        <input
          className="figure block min-h-11 w-28 rounded-lg border border-steel bg-enamel px-3 text-right text-lg text-ink"
          inputMode="decimal"
          value={grams}
          onChange={(e) => setGrams(e.target.value)}
        />
      </label>
      <span className="min-w-36 flex-1 rounded-lg border border-steel bg-enamel px-1 py-1.5">
        <IngredientPicker label="Put in, of what" value={id} onChoose={setId} />
      </span>
      <Button type="submit" className="min-h-11" disabled={!(weighed && weighed > 0) || !entry}>
        Add
      </Button>
    </form>
  );
}

function Jar({ simulation }: { simulation: Simulation }) {
  const { jar } = simulation.bench;
  return (
    <Ruled title="A jar to titrate" className="mt-6">
      {jar ? (
        <div className="flex flex-wrap items-center gap-3 py-3">
          <p className="min-w-44 flex-1">
            <span className="figure">{jar.sampleMl} mL</span> of the pan in water; base of{' '}
            <span className="figure">{jar.normality} N</span> in the burette
          </p>
          {[0.1, 0.5, 1].map((ml) => (
            <Button key={ml} tone="plain" onClick={() => simulated.runBurette(ml)}>
              run {ml} mL
            </Button>
          ))}
          <Button tone="quiet" onClick={() => simulated.emptyJar()}>
            empty it
          </Button>
        </div>
      ) : (
        <div className="flex items-center gap-3 py-3">
          <p className="flex-1 text-ink-2">The electrode stands in the pan.</p>
          <Button
            tone="plain"
            onClick={() => {
              try {
                simulated.fillJar(10);
              } catch (error) {
                toast.error((error as Error).message);
              }
            }}
          >
            Take 10 mL
          </Button>
        </div>
      )}
    </Ruled>
  );
}

function Pan({ simulation }: { simulation: Simulation }) {
  const [unit] = useRulerUnit();
  const { pan, seconds } = simulation.bench;
  const depth = simulatedDepth(pan);
  const { hotMillilitres } = simulatedVolume(pan);
  return (
    <div className="grid grid-cols-[minmax(16rem,1fr)_minmax(19rem,1fr)] gap-6 max-xl:grid-cols-1">
      <div className="max-w-96">
        <PanRuler
          shape={pan.shape}
          level={depth}
          colour="#8E1230"
          unit={unit}
          said={`The simulated pan, ${depthSaid(depth, unit)} deep`}
        />
        <p className="figure mt-1">
          <span className="text-ink-2">ruler</span> <strong>{depthSaid(depth, unit)}</strong>{' '}
          <span className="text-ink-2">· {volume(hotMillilitres, 0)}</span>
        </p>
        <p className="figure">
          <strong>{temperature(pan.celsius, 0)}</strong>{' '}
          <span className="text-ink-2">· truly {brixOf(pan.part).toFixed(1)} °Bx</span>
        </p>
      </div>
      <div>
        <p className="mb-3">
          <span className="figure text-4xl font-bold">{duration(seconds)}</span>{' '}
          <span className="text-ink-2">simulated</span>
        </p>
        <div className="grid gap-3">
          <Choices
            label="Burner"
            options={FIRES.map((f) => ({ name: f.name, value: f.watts }))}
            chosen={pan.watts}
            choose={(watts) => simulated.burner(watts)}
          />
          <Choices
            label="Speed"
            options={SPEEDS.map((s) => ({ name: `× ${s}`, value: s }))}
            chosen={simulation.speed}
            choose={(speed) => simulated.pace(speed)}
          />
          <Choices
            label="Time"
            options={[
              { name: 'goes on', value: true },
              { name: 'stands still', value: false },
            ]}
            chosen={simulation.running}
            choose={(running) => simulated.pause(running)}
          />
        </div>
        <PourIn />
        <Jar simulation={simulation} />
      </div>
    </div>
  );
}

/** A pan and instruments made of physics alone, that speak through the door a real one would use. */
export function SimulatedBench() {
  const simulation = useSimulation();
  const attached = useAttached();
  const { kitchen } = useSession();
  const vessels = useVessels();
  const own = vessels.data?.filter((v) => !v.retired && v.use === 'pan').slice(0, 3) ?? [];
  return (
    <Sheet
      asideLabel="Simulated instruments"
      aside={
        simulation && (
          <Ruled title="Instruments">
            <ul>
              {Object.values(simulation.bench.instruments).map((one) => (
                <SimulatedInstrument
                  key={one.kind}
                  one={one}
                  attached={attached.some((a) => a.kind === one.kind && a.name === one.name)}
                />
              ))}
            </ul>
            <p className="mt-3 text-sm text-ink-2">
              The cook view offers the figure of an attached instrument. It has the noise and the slowness of
              a real one.
            </p>
          </Ruled>
        )
      }
    >
      <BenchNav />
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h1>Simulated bench</h1>
        {simulation && (
          <Button tone="quiet" size="small" onClick={() => simulated.clear()}>
            Clear
          </Button>
        )}
      </div>
      {simulation ? (
        <div className="mt-4">
          <Pan simulation={simulation} />
        </div>
      ) : (
        <Empty title="Nothing on the simulated burner">
          <p>
            A pan, a fire and five instruments that behave like real ones: learn the cook view, or try what
            goes wrong, without fruit.
          </p>
          <div className="mt-4 flex flex-wrap justify-center gap-2">
            <Button onClick={() => simulated.setUp(USUAL_PAN, kitchen.elevationMetres)}>Put a pan on</Button>
            {own.map((pan) => (
              <Button
                key={pan.id}
                tone="plain"
                onClick={() => simulated.setUp(pan.shape, kitchen.elevationMetres)}
              >
                {pan.name}
              </Button>
            ))}
          </div>
        </Empty>
      )}
    </Sheet>
  );
}
