import { Dialog } from '../ui/Dialog.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { clockTime } from '../ui/dates.ts';
import { Choice } from '../ui/Field.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { LiveFigure } from './LiveFigure.tsx';
import { Because, InstrumentNote, SampleFields, WhatIsRead, WITH_WARMTH } from './ReadingFields.tsx';
import { kinds } from './taking.ts';
import { type ReadingOf, useReading } from './useReading.ts';

function ReadingForm(props: ReadingOf) {
  const { kind } = props;
  const reading = useReading(props);
  const { form, own, chosen } = reading;
  return (
    <form className="grid gap-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <LiveFigure
        kind={kind}
        take={(figure, warm, live) => {
          form.set('text', figure);
          form.set('live', live.simulated ? live.name : '');
          if (WITH_WARMTH.has(kind)) form.set('warmth', warm);
        }}
      />
      <WhatIsRead lot={props.lot} kind={kind} reading={reading} />
      {form.values.live === '' ? (
        <InstrumentNote kind={kind} instrument={chosen} />
      ) : (
        <p className="text-sm font-semibold text-hold">
          From {form.values.live}, which is simulated: it is marked so, and counts for no release.
        </p>
      )}
      {form.values.live === '' && own.length > 1 && (
        <Choice
          label="With"
          value={chosen?.id}
          onChange={(event) => form.set('instrumentId', event.target.value)}
          options={own.map((i) => [i.id, i.name])}
        />
      )}
      <SampleFields kind={kind} reading={reading} />
      <Because form={form} />
      <FormEnd large onCancel={props.onClose} disabled={form.busy} />
    </form>
  );
}

/** One reading: what was read, how it is corrected, and whether it will count. */
export function TakeReading({ open, ...props }: ReadingOf & { open: boolean }) {
  return (
    <Dialog
      open={open}
      onClose={props.onClose}
      title={`${kinds[props.kind].name}, lot ${props.lot.code}${props.at ? `, at ${clockTime(props.at)}` : ''}`}
    >
      <ReadingForm {...props} />
    </Dialog>
  );
}
