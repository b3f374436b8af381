import type { LotView } from '@inch/contract/making/lot';
import { ENDED, whyNotKept } from '@inch/core/lot';
import { limitOfHeat } from '@inch/core/quantity';
import { useState } from 'react';
import { useRecord } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useMayWrite } from '../data/session.tsx';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Field } from '../ui/Field.tsx';

type Instead = 'cold' | 'frozen';

/** What keeping it so asks for, before it is chosen. */
const ASKS: Record<Instead, { name: string; says: () => string }> = {
  cold: {
    name: 'Store it cold',
    says: () =>
      `Cooled open, to ${limitOfHeat(21)} in 2 hours and ${limitOfHeat(5)} in 6, then closed. Bottles closed hot already are opened, cooled and filled anew: strike that filling. Its date follows the keeping table for the cold, and its label says so.`,
  },
  frozen: {
    name: 'Freeze it',
    says: () =>
      `Cooled open first, to ${limitOfHeat(21)} in 2 hours and ${limitOfHeat(5)} in 6, with room in each bottle for the ice; then at ${limitOfHeat(-18)}. Move the bottles to the freezer on the shelf: the hour counts, and those before it. What was to be kept cold keeps its date of the cold.`,
  },
};

function InsteadDialog({ lot, to, onClose }: { lot: LotView; to: Instead; onClose: () => void }) {
  const [why, setWhy] = useState('');
  const write = useRecord('storage-change', lot, { after: onClose, showsErrors: true });
  const refused = whyNotKept(lot, to, serverNow());
  return (
    <Dialog open onClose={onClose} title={`${ASKS[to].name}, ${lot.code}`}>
      <form
        className="grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          write.run({ to, why: why.trim() });
        }}
      >
        <p className="text-ink-2">{ASKS[to].says()}</p>
        {refused ? (
          <p role="alert" className="font-semibold text-hold">
            {refused}
          </p>
        ) : (
          <Field label="Why" autoFocus value={why} onChange={(e) => setWhy(e.target.value)} />
        )}
        {write.error && (
          <p role="alert" className="font-semibold text-stop">
            {write.error.message}
          </p>
        )}
        <div className="flex justify-end gap-3">
          <Button tone="plain" onClick={onClose}>
            Cancel
          </Button>
          <Button type="submit" disabled={write.busy || refused !== null || why.trim().length < 2}>
            {ASKS[to].name}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

/** A lot that goes another way than it was begun for, while there is time: cold in place of the shelf, or frozen. */
export function KeepInstead({ lot }: { lot: LotView }) {
  const mayWrite = useMayWrite();
  const [to, setTo] = useState<Instead | null>(null);
  const ways: Instead[] =
    lot.storage === 'shelf' ? ['cold', 'frozen'] : lot.storage === 'cold' ? ['frozen'] : [];
  if (!mayWrite || ways.length === 0 || lot.state === 'released' || ENDED.includes(lot.state)) return null;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2 text-sm text-ink-2">
      It goes another way:
      {ways.map((way) => (
        <Button key={way} size="small" tone="plain" onClick={() => setTo(way)}>
          {ASKS[way].name}…
        </Button>
      ))}
      {to && <InsteadDialog lot={lot} to={to} onClose={() => setTo(null)} />}
    </div>
  );
}
