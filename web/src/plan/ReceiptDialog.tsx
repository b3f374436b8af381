import type { Basket } from '@inch/contract/kitchen/stock';
import { useState } from 'react';
import type { Planning } from '../data/planning.ts';
import { useSession } from '../data/session.tsx';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Field } from '../ui/Field.tsx';
import { FileButton } from '../ui/FileButton.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { offerUndo } from '../ui/undo.ts';
import { WhenField } from '../ui/WhenField.tsx';
import { receiptFromCsv } from './receipt.ts';
import { lineOf, type ReceiptForm, useReceipt } from './useReceipt.ts';

function LineRow({ form, at, drop }: { form: ReceiptForm; at: number; drop: () => void }) {
  const { kitchen } = useSession();
  const line = form.values.lines[at]!;
  const field = (part: 'amount' | 'paid') => form.field(`lines.${at}.${part}`);
  return (
    <li className="grid grid-cols-2 gap-x-3 gap-y-2 border-b border-steel-line py-3 sm:grid-cols-[1fr_7rem_6rem_9.500rem_auto] sm:items-start">
      <span className="col-span-2 leading-tight font-semibold sm:col-span-1 sm:pt-7">
        {line.name}
        {line.words && <span className="block text-sm font-normal text-ink-2">{line.words}</span>}
      </span>
      <Field label="How much" aria-label={`${line.name}, how much`} figure {...field('amount')} />
      <Field
        label={`Paid, ${kitchen.currency}`}
        aria-label={`${line.name}, paid`}
        figure
        inputMode="decimal"
        {...field('paid')}
      />
      <WhenField
        kind="day"
        label="Best by"
        aria-label={`${line.name}, best by`}
        {...form.when(`lines.${at}.bestBy`)}
      />
      <Button tone="quiet" size="small" className="sm:mt-7" onClick={drop} aria-label={`Remove ${line.name}`}>
        remove
      </Button>
    </li>
  );
}

/** Lines read out of a shop's file, or what is wrong with it. */
function FromFile({ planning, add }: { planning: Planning; add: (lines: Lines) => void }) {
  const [problem, setProblem] = useState<string | null>(null);
  const open = async (chosen: File) => {
    try {
      add(receiptFromCsv(await chosen.text(), planning));
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <>
      <FileButton
        tone="quiet"
        label="A receipt as CSV"
        accept=".csv,text/csv"
        onFile={(file) => void open(file)}
      >
        from a CSV file…
      </FileButton>
      {problem && (
        <p role="alert" className="w-full font-semibold text-stop">
          {problem}
        </p>
      )}
    </>
  );
}
type Lines = ReceiptForm['values']['lines'];

function ReceiptLines({ form }: { form: ReceiptForm }) {
  const { lines } = form.values;
  const drop = (at: number) => {
    form.set('lines', lines.toSpliced(at, 1));
    offerUndo(`${lines[at]!.name} removed`, () => form.set('lines', lines));
  };
  const error = form.error('lines');
  return (
    <>
      <ul className="mt-4 border-t border-ink">
        {lines.map((line, at) => (
          <LineRow key={line.key} form={form} at={at} drop={() => drop(at)} />
        ))}
      </ul>
      {lines.length === 0 && (
        <p className="py-3 text-ink-2">Nothing is ticked off. Add what else was bought.</p>
      )}
      {error && (
        <p role="alert" className="font-semibold text-stop">
          {error}
        </p>
      )}
    </>
  );
}

interface Props {
  planning: Planning;
  basket: Basket;
  names: ReadonlyMap<string, string>;
  onClose: () => void;
}

/** A receipt turned into stock lots in one go: what was ticked off, what else was bought, or a file of the shop's. */
export function ReceiptDialog({ planning, basket, names, onClose }: Props) {
  const form = useReceipt(planning, basket, names, onClose);
  const add = (more: Lines) => form.set('lines', [...form.values.lines, ...more]);
  return (
    <Dialog open onClose={onClose} title="Receipt" wide>
      <form onSubmit={form.submit}>
        <DraftNote form={form} />
        <div className="grid grid-cols-2 gap-4">
          <Field label="Bought at" {...form.field('supplier')} />
          <WhenField kind="day" label="On" max={planning.today} {...form.when('gotOn')} />
        </div>
        <ReceiptLines form={form} />
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <div className="w-64 rounded-lg border border-steel">
            <IngredientPicker
              label="Add another item"
              value=""
              onChoose={(thing) => add([lineOf(thing, planning.catalogue.find(thing)?.name ?? thing)])}
            />
          </div>
          <FromFile planning={planning} add={add} />
        </div>
        <FormEnd className="mt-5" onCancel={onClose} disabled={form.busy}>
          Save receipt
        </FormEnd>
      </form>
    </Dialog>
  );
}
