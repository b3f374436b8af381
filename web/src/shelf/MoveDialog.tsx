import { type LotHead, lotRoutes } from '@inch/contract/lot';
import { inWords } from '@inch/core/record';
import { useForm, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { call, newId } from '../data/api.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { plural } from '../ui/format.ts';
import { State } from '../ui/State.tsx';

export type MoveKind = 'sold' | 'moved' | 'given' | 'retained' | 'broken';

interface Answers {
  group: string;
  kind: MoveKind;
  count: string;
  to: string;
  price: string;
  note: string;
}

const KINDS: { kind: MoveKind; says: string; needsRelease: boolean }[] = [
  { kind: 'sold', says: 'Sell', needsRelease: true },
  { kind: 'moved', says: 'Move', needsRelease: false },
  { kind: 'given', says: 'Give', needsRelease: true },
  { kind: 'retained', says: 'Retain, to look at as it ages', needsRelease: false },
  { kind: 'broken', says: 'Broken', needsRelease: false },
];

function MoveForm({ lot, kind, onClose }: { lot: LotHead; kind: MoveKind; onClose: () => void }) {
  const { kitchen } = useSession();
  const groups = lot.bottles.groups;
  const { register, handleSubmit, control } = useForm<Answers>({
    defaultValues: { group: '0', kind, count: '1', to: '', price: '', note: '' },
  });
  const answers = useWatch({ control });
  const stays = answers.kind === 'moved' || answers.kind === 'retained';
  const write = useWrite(
    (a: Answers) => {
      const group = groups[Number(a.group)]!;
      const each = a.price.trim() === '' ? null : Math.round(Number(a.price.replace(',', '.')) * 100);
      const count = Number(a.count);
      return call(lotRoutes.move, {
        params: { id: lot.id },
        body: {
          id: newId(),
          bottlingId: group.bottlingId,
          kind: a.kind,
          from: group.place,
          to: a.kind === 'moved' || a.kind === 'retained' ? a.to || null : null,
          count,
          priceMinor: a.kind === 'sold' && each !== null ? each * count : null,
          note: a.note || null,
        },
      });
    },
    { after: onClose },
  );
  const released = lot.state === 'released';
  return (
    <form className="grid gap-4" onSubmit={handleSubmit((a) => write.run(a))}>
      <Choice label="From" {...register('group')} error={write.fields.from}>
        {groups.map((g, i) => (
          <option key={g.place + g.bottlingId} value={i}>
            {g.place}: {g.count} × {g.nominalMl} mL
          </option>
        ))}
      </Choice>
      <div className="grid grid-cols-2 gap-4">
        <Choice label="What happens" {...register('kind')}>
          {KINDS.map((k) => (
            <option key={k.kind} value={k.kind} disabled={k.needsRelease && !released}>
              {k.says}
              {k.needsRelease && !released ? ', once released' : ''}
            </option>
          ))}
        </Choice>
        <Field
          label="How many"
          figure
          inputMode="numeric"
          {...register('count')}
          error={write.fields.count}
        />
      </div>
      {stays && (
        <Field
          label="Where to"
          {...register('to')}
          error={write.fields.to}
          placeholder={answers.kind === 'retained' ? 'retained shelf' : ''}
        />
      )}
      {answers.kind === 'sold' && (
        <Field
          label={`Price a bottle, ${kitchen.currency}`}
          figure
          inputMode="decimal"
          {...register('price')}
          error={write.fields.priceMinor}
        />
      )}
      <Field
        label={answers.kind === 'sold' || answers.kind === 'given' ? 'To whom, or at which market' : 'A word'}
        {...register('note')}
        error={write.fields.note}
      />
      <div className="flex justify-end gap-3">
        <Button tone="plain" onClick={onClose}>
          Not now
        </Button>
        <Button type="submit" disabled={write.busy}>
          {KINDS.find((k) => k.kind === answers.kind)?.says.split(',')[0]}
        </Button>
      </div>
    </form>
  );
}

/** Bottles of one lot: where they stand, and what happens to them. */
export function MoveDialog({
  lot,
  kind,
  onClose,
  mayWrite,
}: {
  lot: LotHead;
  kind: MoveKind;
  onClose: () => void;
  mayWrite: boolean;
}) {
  return (
    <Dialog open onClose={onClose} title={`${lot.code} ${lot.name}`}>
      <p className="mb-4 text-ink-2">
        {plural(lot.bottles.left, 'bottle')} left of {lot.bottles.filled}
        {lot.bestBy && `, ${inWords(lot.dateWord)} ${dayMonthYear(lot.bestBy)}`} ·{' '}
        <State tone={lot.state === 'released' ? 'go' : 'hold'}>{lot.state}</State> ·{' '}
        <Link className="text-link underline" to={`/records/${lot.code}`}>
          its record
        </Link>
      </p>
      {lot.bottles.left > 0 && mayWrite ? (
        <MoveForm lot={lot} kind={kind} onClose={onClose} />
      ) : (
        <p>Nothing of it stands on a shelf any more.</p>
      )}
    </Dialog>
  );
}
