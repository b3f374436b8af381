import { ingredientRoutes } from '@inch/contract/making/ingredient';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useLotsOnHand } from '../data/lots.ts';
import { useRecord } from '../data/record.ts';
import { useWrite } from '../data/useWrite.ts';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { Button } from '../ui/Button.tsx';
import { kitchenDay } from '../ui/dates.ts';
import { Choice } from '../ui/Field.tsx';
import type { Worked } from './useTitration.ts';

/** The acidity of a lot's sample, recorded with the lot. */
export function KeepToLot({
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
      <Choice
        label="Lot"
        value={code}
        onChange={(e) => setCode(e.target.value)}
        options={[['', 'Choose a lot'], ...making.map((l) => [l.code, `${l.code} ${l.name}`] as const)]}
      />
      <Choice
        label="Sample"
        value={sample}
        onChange={(e) => setSample(e.target.value as typeof sample)}
        options={[
          ['pan', 'what is in the pan'],
          ['finished', 'the finished product, cooled'],
        ]}
      />
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
export function KeepStrength({ worked }: { worked: Worked }) {
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
