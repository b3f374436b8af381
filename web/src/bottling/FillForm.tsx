import type { LotView } from '@inch/contract/making/lot';
import { readFigure, volumeShown } from '@inch/core/quantity';
import { useState } from 'react';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Field } from '../ui/Field.tsx';
import { Bars } from '../ui/Unread.tsx';
import { BestFit } from './BestFit.tsx';
import { Checks, Closing, Rating } from './FillFields.tsx';
import { useFilling } from './useFilling.ts';
import { useRest, useSizes } from './useSizes.ts';

/** Bottles of one or several sizes filled in one go: what fits, what was looked at, how hot it was. */
export function FillForm({ lot }: { lot: LotView }) {
  const shelf = lot.storage === 'shelf';
  const form = useFilling(lot, shelf);
  const { rows, fit, lids } = useSizes(form, shelf);
  const rest = useRest(lot);
  const [noFit, setNoFit] = useState(false);
  if (!rows) return <Bars rows={4} />;
  const millilitres = form.values.ml || (rest > 0 ? String(Math.round(volumeShown(rest) * 10) / 10) : '');
  const chosen = rows.filter((r) => (readFigure(r.count, { unit: '' }).value ?? 0) > 0);
  return (
    <form className="grid gap-5 py-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <BestFit
        lot={lot}
        rows={rows}
        millilitres={millilitres}
        setMillilitres={(ml) => form.set('ml', ml)}
        setCount={(id, count) => form.set('counts', { ...form.values.counts, [id]: count })}
        fit={() => setNoFit(!fit(readFigure(millilitres, { unit: 'ml', kitchens: true }).value ?? 0))}
        noFit={noFit && chosen.length === 0}
        lids={lids}
        error={form.error('counts')}
      />
      <Rating sizes={chosen.map((r) => r.container)} shelf={shelf} />
      <Checks form={form} sizes={chosen.map((r) => r.container)} />
      <Closing form={form} />
      {(form.error('why') || form.values.why !== '') && (
        <Field label="Why there are more than the pan held" {...form.field('why')} />
      )}
      <Button type="submit" disabled={form.busy || chosen.length === 0} className="justify-self-start">
        Count the bottles
      </Button>
    </form>
  );
}
