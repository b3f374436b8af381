import { NewVessel, type Vessel, vesselRoutes } from '@inch/contract/making/vessel';
import { grouped } from '@inch/core/quantity';
import { call } from '../data/api.ts';
import { send } from '../data/record.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useWrite } from '../data/useWrite.ts';
import { useVessels } from '../data/vessels.ts';
import { HeldNotice, HoldButton } from '../parts/trace/HoldSource.tsx';
import { PanRuler } from '../parts/vessel/PanRuler.tsx';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Choice, Field, TextField } from '../ui/Field.tsx';
import { useRulerUnit } from '../ui/ruler.ts';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Unread } from '../ui/Unread.tsx';
import { BenchNav } from './BenchNav.tsx';
import { type PanForm, shapeFrom } from './panShape.ts';

const MATERIALS: Record<Vessel['material'], string> = {
  steel: 'stainless steel',
  enamel: 'enamel',
  glass: 'glass',
  ceramic: 'ceramic',
  aluminium: 'aluminium',
  copper: 'copper',
  plastic: 'food plastic',
  cloth: 'cloth',
};

const USES: Record<Vessel['use'], string> = {
  pan: ', half of it for a boil',
  canner: ', a canner',
  blender: ', a blender, filled to seven tenths',
  bag: ', a drip bag',
  crock: ', a crock',
};

const COLOUR = '#8E1230';

type Answers = PanForm & Pick<Vessel, 'material' | 'use'> & { name: string };

const EMPTY: Answers = {
  name: '',
  material: 'steel',
  use: 'pan',
  kind: 'straight',
  across: '',
  lower: '',
  high: '',
  poured: '',
};

function usePanForm() {
  const { kitchen } = useSession();
  return useDeedForm({
    of: 'vessel',
    draft: 'pan',
    empty: EMPTY,
    schema: NewVessel,
    read: (a, fields) => {
      const read = shapeFrom(a, kitchen.cupSchool);
      if ('asks' in read) fields.problem(a.kind === 'poured' ? 'poured' : 'across', read.asks);
      return { name: a.name, material: a.material, use: a.use, shape: 'shape' in read ? read.shape : null };
    },
    fieldAt: (path) => (path.startsWith('shape') ? 'across' : undefined),
    write: (body) => send(vesselRoutes.add, { of: 'vessel', code: 'Pan', words: body.name, body }),
    done: 'Pan saved',
  });
}
type PanFields = ReturnType<typeof usePanForm>;

/** The measures of a pan: its widths and height, or volumes poured in and their depths. */
function ShapeFields({ form }: { form: PanFields }) {
  const { kind } = form.values;
  if (kind === 'poured')
    return (
      <TextField
        label="One to a line: what was poured in all, then its depth"
        rows={5}
        placeholder={'1 l, 7/8 in\n2 l, 1 5/8 in\n4 l, 3 1/8 in'}
        {...form.field('poured')}
      />
    );
  return (
    <div className="grid grid-cols-2 gap-3">
      {kind === 'tapered' && (
        <Field label="Across at the bottom, inside" figure placeholder="9 1/2 in" {...form.field('lower')} />
      )}
      <Field
        label={kind === 'tapered' ? 'Across at the rim, inside' : 'Across, inside'}
        figure
        placeholder="11 in"
        {...form.field('across')}
      />
      <Field label="High, inside" figure placeholder="5 in" {...form.field('high')} />
    </div>
  );
}

function NewPan() {
  const { kitchen } = useSession();
  const [unit] = useRulerUnit();
  const form = usePanForm();
  const drawn = shapeFrom(form.values, kitchen.cupSchool);
  return (
    <form className="grid gap-4 py-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Field label="Name" {...form.field('name')} />
      <Choice
        label="Made of"
        {...form.field('material')}
        options={Object.entries(MATERIALS).map(([key, words]) => [key, words])}
      />
      <Choice
        label="Used as"
        {...form.field('use')}
        options={[
          ['pan', 'a pan'],
          ['canner', 'a canner for jars'],
          ['blender', 'a blender'],
          ['bag', 'a drip bag or jelly bag'],
          ['crock', 'a crock or bowl that a draw stands in'],
        ]}
      />
      <Choice
        label="Known by"
        {...form.field('kind')}
        options={[
          ['straight', 'its width and height, straight sides'],
          ['tapered', 'its widths and height, tapered'],
          ['poured', 'volumes poured in, and the depth each reached'],
        ]}
      />
      <ShapeFields form={form} />
      {'shape' in drawn && (
        <PanRuler
          shape={drawn.shape}
          level={null}
          colour={COLOUR}
          unit={unit}
          said="The pan as measured, beside a ruler"
        />
      )}
      <Button type="submit" disabled={form.busy}>
        Save pan
      </Button>
    </form>
  );
}

function PanRow({ pan, mayWrite }: { pan: Vessel; mayWrite: boolean }) {
  const [unit] = useRulerUnit();
  const write = useWrite('vessel', (retired: boolean) =>
    call(vesselRoutes.retire, { params: { id: pan.id }, body: { retired } }),
  );
  return (
    <li className="flex flex-wrap items-start gap-5 border-b border-steel-line py-4">
      <div className={`w-52 ${pan.retired ? 'opacity-50' : ''}`}>
        <PanRuler
          shape={pan.shape}
          level={null}
          colour={COLOUR}
          unit={unit}
          said={`${pan.name}, beside a ruler`}
        />
      </div>
      <div className="min-w-48 flex-1">
        <p className="text-lg font-semibold">{pan.name}</p>
        <p className="text-ink-2">
          {MATERIALS[pan.material]}, holds <span className="figure">{grouped(pan.holdsMl / 1000, 2)} L</span>
          {USES[pan.use]}
        </p>
        <p className={pan.use === 'pan' ? 'mt-1' : 'hidden'}>
          {pan.learned ? (
            <>
              Boils off <strong className="figure">{pan.learned.gramsPerMinute.toFixed(0)} g</strong> a
              minute, by {pan.learned.lots === 1 ? 'one lot' : `${pan.learned.lots} lots`}, give or take{' '}
              <span className="figure">{Math.round(pan.learned.spread * 100)} %</span>
            </>
          ) : (
            <span className="text-ink-2">
              Its boil-off rate is not known yet. It is learned from the first lot reduced in it.
            </span>
          )}
        </p>
        <HeldNotice noun="vessel" subjectId={pan.id} />
      </div>
      <HoldButton noun="vessel" subjectId={pan.id} name={pan.name} />
      {mayWrite && (
        <Button tone="quiet" size="small" disabled={write.busy} onClick={() => write.run(!pan.retired)}>
          {pan.retired ? 'Restore' : 'Retire'}
        </Button>
      )}
    </li>
  );
}

/** The kitchen's pans: measured once, so that a dip of the ruler tells volume, °Bx and minutes. */
export function Pans() {
  const { data, error, refetch } = useVessels();
  const mayWrite = useMayWrite();
  const [unit, setUnit] = useRulerUnit();
  if (!data) return <Unread title="Pans" error={error} retry={refetch} />;
  return (
    <Sheet
      asideLabel="Measure a pan"
      aside={
        mayWrite && (
          <Ruled title="Measure a pan">
            <NewPan />
          </Ruled>
        )
      }
    >
      <BenchNav />
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h1>Pans</h1>
        <Button tone="quiet" size="small" onClick={() => setUnit(unit === 'in' ? 'mm' : 'in')}>
          rulers in {unit === 'in' ? 'millimetres' : 'inches'}
        </Button>
      </div>
      {data.length === 0 ? (
        <Empty title="No pan measured yet">
          Measure across and down the inside of your pan, or pour water in by the litre and read each depth.
          From then on one dip of a ruler tells what is in it.
        </Empty>
      ) : (
        <ul>
          {data.map((pan) => (
            <PanRow key={pan.id} pan={pan} mayWrite={mayWrite} />
          ))}
        </ul>
      )}
    </Sheet>
  );
}
