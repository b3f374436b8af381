import { NewSourceHold, type SourceHold, sourceHoldRoutes } from '@inch/contract/kitchen/sourceHold';
import { plural } from '@inch/core/quantity';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../data/api.ts';
import { useIds } from '../../data/ids.ts';
import { send } from '../../data/record.ts';
import { useMayWrite, useSession } from '../../data/session.tsx';
import { useHoldOf } from '../../data/sourceHolds.ts';
import { useDeedForm } from '../../data/useDeedForm.ts';
import { useWrite } from '../../data/useWrite.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { dayMonthYear } from '../../ui/dates.ts';
import { Choice, Field } from '../../ui/Field.tsx';
import { FormEnd } from '../../ui/FormEnd.tsx';
import { Caution } from '../../ui/State.tsx';

interface Of {
  noun: SourceHold['noun'];
  subjectId: string;
  name: string;
}

function HoldDialog({ noun, subjectId, name, onClose }: Of & { onClose: () => void }) {
  const form = useDeedForm({
    of: 'source-hold',
    draft: `hold ${subjectId}`,
    empty: { why: '', recalled: 'no' },
    schema: NewSourceHold,
    read: (a) => ({ noun, subjectId, recalled: a.recalled === 'yes', why: a.why }),
    write: (body) => send(sourceHoldRoutes.hold, { of: 'source-hold', code: name, words: 'Held', body }),
    after: onClose,
  });
  return (
    <Dialog open onClose={onClose} title={`Hold ${name}`}>
      <form className="grid gap-4" onSubmit={form.submit}>
        <DraftNote form={form} />
        <p className="text-ink-2">
          Every lot that was made with it is held at once, and so is what their by-products went into. Nothing
          of them leaves the kitchen until the hold is lifted and each lot is resumed.
        </p>
        <Choice
          label="Who holds it"
          {...form.field('recalled')}
          options={[
            ['no', 'this kitchen'],
            ['yes', 'its supplier or maker calls it back'],
          ]}
        />
        <Field label="Why" {...form.field('why')} />
        <FormEnd tone="stop" onCancel={onClose} disabled={form.busy}>
          Hold
        </FormEnd>
      </form>
    </Dialog>
  );
}

function LiftDialog({ hold, onClose }: { hold: SourceHold; onClose: () => void }) {
  const ids = useIds();
  const [why, setWhy] = useState('');
  const write = useWrite(
    'source-hold',
    (reason: string) =>
      call(sourceHoldRoutes.lift, { params: { id: hold.id }, body: { id: ids.of('lift'), why: reason } }),
    { after: onClose, showsErrors: true },
  );
  return (
    <Dialog open onClose={onClose} title={`Lift the hold of ${hold.name}`}>
      <form
        className="grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          write.run(why.trim());
        }}
      >
        <p className="text-ink-2">
          The lots that it held stay held: each is looked at, and resumed by itself.
        </p>
        <Field
          label="Why"
          autoFocus
          value={why}
          onChange={(e) => setWhy(e.target.value)}
          error={write.fields.why ?? write.error?.message}
        />
        <div className="flex justify-end gap-3">
          <Button tone="plain" onClick={onClose}>
            Cancel
          </Button>
          <Button type="submit" disabled={write.busy || why.trim().length < 2}>
            Lift
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

/** The codes of some lots, each a link to its record. */
export const LotLinks = ({ codes }: { codes: readonly string[] }) =>
  codes.map((code, i) => (
    <span key={code}>
      {i > 0 && ', '}
      <Link className="figure text-link underline" to={`/records/${code}`}>
        {code}
      </Link>
    </span>
  ));

/** Why something that lots are made with is held, and what it went into; nothing where it is not. */
export function HeldNotice({ noun, subjectId }: Omit<Of, 'name'>) {
  const hold = useHoldOf(noun, subjectId);
  const { account } = useSession();
  const [open, setOpen] = useState(false);
  if (!hold) return null;
  return (
    <Caution tone="stop" className="my-3">
      <p>
        <strong>{hold.recalled ? 'Called back' : 'Held'}</strong> since {dayMonthYear(hold.at)} by {hold.by}:{' '}
        {hold.why}
      </p>
      <p className="mt-1">
        {hold.lots.length === 0 ? (
          'No lot was made with it.'
        ) : (
          <>
            It went into {plural(hold.lots.length, 'lot')}: <LotLinks codes={hold.lots} />.
          </>
        )}
      </p>
      {account.role === 'owner' && (
        <Button tone="plain" size="small" className="mt-2" onClick={() => setOpen(true)}>
          Lift the hold
        </Button>
      )}
      {open && <LiftDialog hold={hold} onClose={() => setOpen(false)} />}
    </Caution>
  );
}

/** Holds something that lots are made with; nothing where it is held already. */
export function HoldButton(of: Of) {
  const hold = useHoldOf(of.noun, of.subjectId);
  const mayWrite = useMayWrite();
  const [open, setOpen] = useState(false);
  if (hold || !mayWrite) return null;
  return (
    <>
      <Button tone="quiet" size="small" aria-label={`Hold ${of.name}`} onClick={() => setOpen(true)}>
        Hold…
      </Button>
      {open && <HoldDialog {...of} onClose={() => setOpen(false)} />}
    </>
  );
}
