import { entryRoutes, type LabelView, lotRoutes } from '@inch/contract/lot';
import { labelSizes } from '@inch/core/label';
import { readFigure } from '@inch/core/quantity';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { urlOf } from '../data/address.ts';
import { call } from '../data/api.ts';
import { useIds } from '../data/ids.ts';
import { keys } from '../data/keys.ts';
import { useLot } from '../data/lots.ts';
import { useMayWrite } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { dayAndTime } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { Caution, Fruit, lotTone, State } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { Artwork } from './Artwork.tsx';
import { NutritionTable } from './NutritionTable.tsx';

const TONES = { there: 'go', doubtful: 'hold', stops: 'stop' } as const;
const WORDS = { there: 'present', doubtful: 'check yourself', stops: 'missing' } as const;

function Checks({ label }: { label: LabelView }) {
  return (
    <Ruled title="What the rules ask for">
      <ul>
        {label.checks.map((c) => (
          <li key={c.element} className="border-b border-steel-line py-2">
            <div className="flex justify-between gap-3">
              <span className="font-semibold">{c.element}</span>
              <State tone={TONES[c.state]} className="text-sm">
                {WORDS[c.state]}
              </State>
            </div>
            <p className="text-sm text-ink-2">{c.sentence}</p>
            <p className="text-xs text-ink-2">{c.rule}</p>
          </li>
        ))}
      </ul>
    </Ruled>
  );
}

function PrintForm({
  code,
  lotId,
  label,
  size,
}: {
  code: string;
  lotId: string;
  label: LabelView;
  size: string;
}) {
  const [copies, setCopies] = useState('12');
  const [seen, setSeen] = useState(false);
  const read = readFigure(copies, { unit: '', whole: true, min: 1, max: 200 });
  const ids = useIds();
  const write = useWrite(
    'entry',
    (n: number) =>
      call(entryRoutes.print, {
        params: { id: lotId },
        body: { id: ids.of('print'), copies: n, differencesSeen: seen },
      }),
    {
      done: 'Print recorded',
      after: (_, n) => {
        ids.forget();
        window.open(urlOf(lotRoutes.labelPdf.path, { id: code }, { size, copies: n }), '_blank', 'noopener');
      },
    },
  );
  if (label.refusal)
    return (
      <Caution tone="stop">
        <strong>Not printed.</strong> {label.refusal}
      </Caution>
    );
  return (
    <form
      className="flex flex-wrap items-end gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (read.value) write.run(read.value);
      }}
    >
      {label.differences.length > 0 && (
        <Caution className="basis-full">
          <strong>What went in differs from the formula.</strong> {label.differences.join(' ')}
          <label className="mt-2 flex items-center gap-2 font-semibold">
            <input
              type="checkbox"
              className="size-5"
              checked={seen}
              onChange={(e) => setSeen(e.target.checked)}
            />{' '}
            I have seen it; the label says what went in.
          </label>
        </Caution>
      )}
      <Field
        className="w-28"
        label="Labels"
        figure
        inputMode="numeric"
        value={copies}
        onChange={(e) => setCopies(e.target.value)}
        error={read.problem ?? write.fields.copies}
      />
      <Button type="submit" disabled={write.busy || (label.differences.length > 0 && !seen)}>
        Print as PDF
      </Button>
    </form>
  );
}

/** The label of the lot as made, at true size, beside what the rules ask for. */
export function Label() {
  const { code = '' } = useParams();
  const lot = useLot(code);
  const label = useQuery({
    queryKey: keys.one('label', code),
    queryFn: () => call(lotRoutes.label, { params: { id: code } }),
  });
  const [sizeId, setSizeId] = useState('usual');
  const mayWrite = useMayWrite();
  const failed = lot.error ?? label.error;
  if (!lot.data || !label.data) return <Unread error={failed} retry={label.refetch} />;
  const size = labelSizes.find((s) => s.id === sizeId)!;
  return (
    <Sheet asideLabel="Label check" aside={<Checks label={label.data} />}>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="flex items-center gap-3">
          <Fruit colour={lot.data.product.colour} size={20} />
          <span className="figure">{lot.data.code}</span> {lot.data.product.name}
        </h1>
        <State tone={lotTone(lot.data.state)}>{lot.data.state}</State>
      </div>
      <div className="my-6 overflow-x-auto p-1">
        <Artwork label={label.data} size={size} />
      </div>
      <Choice className="mb-5 w-44" label="Size" value={sizeId} onChange={(e) => setSizeId(e.target.value)}>
        {labelSizes.map((s) => (
          <option key={s.id} value={s.id}>
            {s.name}
          </option>
        ))}
      </Choice>
      {mayWrite && <PrintForm code={lot.data.code} lotId={lot.data.id} label={label.data} size={sizeId} />}
      {label.data.nutrition && <NutritionTable nutrition={label.data.nutrition} />}
      <Ruled title="Printed" className="mt-8">
        {lot.data.prints.length === 0 ? (
          <p className="py-3 text-ink-2">Nothing is printed yet.</p>
        ) : (
          <ul>
            {lot.data.prints.map((p) => (
              <li key={p.id} className="flex gap-4 border-b border-steel-line py-2">
                <span className="figure w-10 text-right font-bold">{p.copies}</span>
                <span className="min-w-0 flex-1 text-sm text-ink-2">{p.statement}</span>
                <span className="text-sm text-ink-2">
                  {dayAndTime(p.at)}, {p.by}
                </span>
              </li>
            ))}
          </ul>
        )}
      </Ruled>
    </Sheet>
  );
}
