import { type LabelView, labelRoutes } from '@inch/contract/making/label';
import type { LotView } from '@inch/contract/making/lot';
import { tagRoutes } from '@inch/contract/route/tag';
import type { LabelDesign } from '@inch/core/label';
import { printsOf } from '@inch/core/lot';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { urlOf } from '../data/address.ts';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useLot } from '../data/lots.ts';
import { useMayWrite } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Stopped } from '../parts/lot/Stopped.tsx';
import { Button } from '../ui/Button.tsx';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { Caution, Fruit, lotTone, State } from '../ui/State.tsx';
import { fetchFile } from '../ui/sendOut.ts';
import { Unread } from '../ui/Unread.tsx';
import { Artwork, useArtwork } from './Artwork.tsx';
import { DesignForm } from './DesignForm.tsx';
import { NutritionTable } from './NutritionTable.tsx';
import { PrintForm } from './PrintForm.tsx';
import { PrintRecord } from './PrintRecord.tsx';

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

function SaveBar({
  lot,
  label,
  design,
  reset,
}: {
  lot: LotView;
  label: LabelView;
  design: LabelDesign;
  reset: () => void;
}) {
  const write = useWrite(
    'label-design',
    () =>
      call(labelRoutes.design, {
        params: { id: lot.product.formulaId },
        body: { design, revision: label.revision },
      }),
    { done: 'Label saved', after: reset },
  );
  return (
    <div className="flex flex-wrap items-center gap-3" role="status">
      <Button onClick={() => write.run(undefined)} disabled={write.busy}>
        Save the label
      </Button>
      <Button tone="plain" onClick={reset}>
        Undo the changes
      </Button>
      <span className="text-sm text-ink-2">
        Not saved yet: it is of every lot of {lot.product.name}, and what is printed is what was saved.
      </span>
    </div>
  );
}

function Files({ lot }: { lot: LotView }) {
  return (
    <div className="mt-4 flex flex-wrap gap-2">
      {(['svg', 'png'] as const).map((kind) => (
        <Button
          key={kind}
          tone="quiet"
          size="small"
          onClick={() =>
            fetchFile(urlOf(labelRoutes[kind].path, { id: lot.code }, { differencesSeen: 'true' }), '')
          }
        >
          one as {kind.toUpperCase()}
        </Button>
      ))}
      <a
        className="inline-flex min-h-8 items-center px-2 text-link underline"
        href={urlOf(tagRoutes.print.path, {}, { of: 'retained', code: lot.code })}
        target="_blank"
        rel="noopener noreferrer"
      >
        tag for bottles kept back
      </a>
    </div>
  );
}

function Desk({ lot, label }: { lot: LotView; label: LabelView }) {
  const mayWrite = useMayWrite();
  const [changed, setChanged] = useState<LabelDesign | null>(null);
  const design = changed ?? label.design;
  const drawn = useArtwork(label, design);
  const faces = drawn?.faces.length ?? 1;
  const printed = printsOf(lot)
    .filter((p) => !p.reprintOf)
    .reduce((sum, p) => sum + p.copies, 0);
  const files = label.printable && mayWrite && !changed;
  return (
    <>
      <div className="my-6 overflow-x-auto p-1">
        <Artwork label={label} design={design} drawn={drawn} lotCode={lot.code} />
      </div>
      {drawn && drawn.problems.length > 0 && (
        <Caution tone="stop" className="mb-5">
          {drawn.problems.join(' ')}
        </Caution>
      )}
      {mayWrite && (
        <Ruled title="How it looks" className="mb-6">
          <div className="grid gap-4 py-3">
            <DesignForm label={label} design={design} change={setChanged} />
            {changed && <SaveBar {...{ lot, label, design }} reset={() => setChanged(null)} />}
          </div>
        </Ruled>
      )}
      {mayWrite && !changed && (
        <Ruled title="Print" className="mb-2">
          <div className="py-3">
            <PrintForm lot={lot} label={label} faces={faces} left={lot.bottles.filled - printed} />
            {files && <Files lot={lot} />}
          </div>
        </Ruled>
      )}
    </>
  );
}

/** The label of the lot as made, at true size, beside what the rules ask for. */
export function Label() {
  const { code = '' } = useParams();
  const lot = useLot(code);
  const label = useQuery({
    queryKey: keys.one('label', code),
    queryFn: () => call(labelRoutes.read, { params: { id: code } }),
  });
  const mayWrite = useMayWrite();
  if (!lot.data || !label.data) return <Unread error={lot.error ?? label.error} retry={label.refetch} />;
  return (
    <Sheet asideLabel="Label check" aside={<Checks label={label.data} />}>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="flex items-center gap-3">
          <Fruit colour={lot.data.product.colour} size={20} />
          <span className="figure">{lot.data.code}</span> {lot.data.product.name}
        </h1>
        <State tone={lotTone(lot.data.state)}>{lot.data.state}</State>
        <Link className="text-link underline" to={`/shelf/${lot.data.code}/looks`}>
          Why this date
        </Link>
      </div>
      <Stopped lot={lot.data} />
      <Desk lot={lot.data} label={label.data} />
      {label.data.nutrition && (
        <NutritionTable nutrition={label.data.nutrition} printed={label.data.nutritionPrinted} />
      )}
      <PrintRecord lot={lot.data} mayWrite={mayWrite} />
    </Sheet>
  );
}
