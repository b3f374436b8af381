import type { AgeingView } from '@inch/contract/making/ageing';
import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { recordEntry } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Tick } from '../ui/Tick.tsx';
import { WhenField } from '../ui/WhenField.tsx';

/** The owner's own date: earlier as they like, the longer row of the keeping table only where their bottles support it. */
export function DatingForm({ lot, view }: { lot: LotView; view: AgeingView }) {
  const form = useDeedForm({
    of: 'entry',
    draft: `dating ${lot.id}`,
    empty: { until: '', longer: false, why: '' },
    schema: bodyOf('dating'),
    read: (a) => ({ until: a.until || null, longer: a.longer, why: a.why }),
    write: (body) => recordEntry('dating', lot, body, 'The date of the lot was set'),
    done: 'Date set',
  });
  return (
    <Ruled title="Set the date" className="mt-8">
      <form className="grid grid-cols-2 items-start gap-4 py-3 max-sm:grid-cols-1" onSubmit={form.submit}>
        <DraftNote form={form} />
        <WhenField
          kind="day"
          label="Last day"
          {...form.when('until')}
          hint={
            view.evidence.shorter ??
            'As early as you like; never later than the keeping table gives. Empty leaves it as it is.'
          }
        />
        <Field label="Why" {...form.field('why')} />
        <Tick
          className="col-span-full"
          hint={`${view.evidence.longer}`}
          disabled={!view.evidence.supportsLonger}
          {...form.register('longer')}
        >
          Take the longer row of the keeping table
        </Tick>
        <Button type="submit" className="justify-self-start" disabled={form.busy}>
          Set the date
        </Button>
      </form>
    </Ruled>
  );
}
