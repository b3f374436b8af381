import { type LotView, lotRoutes } from '@inch/contract/making/lot';
import type { StrikeableNoun } from '@inch/core/record';
import { useState } from 'react';
import { call } from '../../data/api.ts';
import { NOT_SENT } from '../../data/outbox/overlay.ts';
import { useMayWrite } from '../../data/session.tsx';
import { useWrite } from '../../data/useWrite.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Field } from '../../ui/Field.tsx';

interface Struck {
  lot: Pick<LotView, 'id'>;
  noun: StrikeableNoun;
  entryId: string;
}

/** Why an entry is struck: it stays in the record, struck through. */
export function StrikeDialog({ lot, noun, entryId, onClose }: Struck & { onClose: () => void }) {
  const [why, setWhy] = useState('');
  const write = useWrite(
    'entry',
    () => call(lotRoutes.strike, { params: { id: lot.id }, body: { noun, entryId, why } }),
    { after: onClose },
  );
  return (
    <Dialog open onClose={onClose} title={noun === 'reading' ? 'Undo this reading' : 'Undo this entry'}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          write.run(undefined);
        }}
      >
        <p className="text-ink-2">
          It stays in the record, crossed out, with your name, the time and the reason. What followed from it
          is undone with it. Enter the right one anew.
        </p>
        <Field
          label="Why"
          autoFocus
          value={why}
          onChange={(e) => setWhy(e.target.value)}
          error={write.fields.why}
        />
        <div className="flex justify-end gap-3">
          <Button tone="plain" onClick={onClose}>
            Cancel
          </Button>
          <Button tone="stop" type="submit" disabled={write.busy || why.trim().length < 2}>
            Undo
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

/** The way to put an entry right where it is shown: struck with a word why, then entered anew. */
export function StrikeEntry({ by, named, ...struck }: Struck & { by: string; named: string }) {
  const [open, setOpen] = useState(false);
  if (!useMayWrite() || by === NOT_SENT) return null;
  return (
    <>
      <Button size="small" tone="quiet" aria-label={`Undo ${named}`} onClick={() => setOpen(true)}>
        undo
      </Button>
      {open && <StrikeDialog {...struck} onClose={() => setOpen(false)} />}
    </>
  );
}
