import type { LotHead } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { bottleSize, inWords, plural } from '@inch/core/quantity';
import type { MOVED_BY_HAND } from '@inch/core/record';
import { Link } from 'react-router';
import { useLot } from '../data/lots.ts';
import { recordEntry } from '../data/record.ts';
import { useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useNow } from '../data/useNow.ts';
import { lifeSaid } from '../parts/lot/lifeSaid.ts';
import { Dialog } from '../ui/Dialog.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { dayMonthYear, kitchenDay } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { Caution, lotTone, State } from '../ui/State.tsx';

export type MoveKind = (typeof MOVED_BY_HAND)[number];

const STAYS: ReadonlySet<string> = new Set(['moved', 'retained', 'thawed', 'returned']);

/** What takes bottles to somebody, or to the table. */
const LEAVES: ReadonlySet<string> = new Set(['sold', 'given', 'tasted', 'drunk']);

const AT_HOME: ReadonlySet<string> = new Set(['drunk', 'tasted']);

/** What the note is of, where it is more than a note. */
const NOTES: Readonly<Record<string, string>> = {
  sold: 'Buyer or market',
  given: 'Whom it is for',
  returned: 'Who brought it back, and why',
  'thrown-away': 'Why: past its date, too warm, spoiled',
  destroyed: 'Who saw it, and how it was done',
  broken: 'How',
};

const KINDS: { kind: MoveKind; says: string; needsRelease: boolean }[] = [
  { kind: 'sold', says: 'Sell', needsRelease: true },
  { kind: 'moved', says: 'Move', needsRelease: false },
  { kind: 'given', says: 'Give', needsRelease: true },
  { kind: 'retained', says: 'Keep back', needsRelease: false },
  { kind: 'drunk', says: 'Drunk at home', needsRelease: false },
  { kind: 'tasted', says: 'Tasted', needsRelease: false },
  { kind: 'returned', says: 'Brought back', needsRelease: false },
  { kind: 'broken', says: 'Broken', needsRelease: false },
  { kind: 'thawed', says: 'Thaw', needsRelease: false },
  { kind: 'thrown-away', says: 'Throw away', needsRelease: false },
  { kind: 'destroyed', says: 'Destroy, with a witness', needsRelease: false },
];

/** What may still become of bottles of a lot that is ended. */
const AT_THE_END: ReadonlySet<string> = new Set(['returned', 'thrown-away', 'destroyed']);
const ENDED: ReadonlySet<string> = new Set(['closed', 'recalled', 'discarded']);

const offered = ({ state, storage }: LotHead) =>
  KINDS.filter(
    ({ kind }) =>
      (kind !== 'thawed' || storage === 'frozen') &&
      (!ENDED.has(state) || AT_THE_END.has(kind) || (kind === 'moved' && state === 'recalled')),
  );

/** What is said before bottles leave: that it is not ready yet, and what of the place is not for sale. */
function BeforeItLeaves({ lot, place }: { lot: LotHead; place: string }) {
  const view = useLot(lot.code).data;
  const now = useNow(60_000);
  const life = view?.lives.find((l) => l.place === place);
  const said = view && life ? lifeSaid(view, life, now) : [];
  const early = lot.readyOn > kitchenDay(now);
  if (!early && said.length === 0) return null;
  return (
    <Caution tone={said.some((s) => s.tone === 'stop') ? 'stop' : 'hold'}>
      {early && <p>It is ready on {dayMonthYear(lot.readyOn)}: tell whoever takes it.</p>}
      {said.map(({ words }) => (
        <p key={words}>
          {place}: {words}.
        </p>
      ))}
    </Caution>
  );
}

/** A sale, a gift, a move: recorded by the one form layer, so that a lost answer never sells a bottle twice. */
function useMove(lot: LotHead, kind: MoveKind, onClose: () => void) {
  const { kitchen } = useSession();
  return useDeedForm({
    of: 'entry',
    draft: `movement ${lot.id}`,
    empty: { group: '0', kind: kind as string, count: '1', to: '', price: '', note: '' },
    schema: bodyOf('movement'),
    read: (a, fields) => {
      const group = lot.bottles.groups[Number(a.group)];
      const count = fields.figure('count', { unit: '', whole: true, min: 1 });
      const each = a.kind === 'sold' ? fields.price('price', kitchen.currency) : null;
      return {
        bottlingId: group?.bottlingId,
        kind: a.kind,
        from: group?.place,
        to: STAYS.has(a.kind) ? a.to || null : null,
        count: count ?? undefined,
        priceMinor: each === null || count === null ? null : each * count,
        note: a.note || null,
      };
    },
    fieldAt: (path) => ({ from: 'group' as const, priceMinor: 'price' as const })[path],
    write: (body) => recordEntry('movement', lot, body, `${body.kind}: ${plural(body.count, 'bottle')}`),
    after: onClose,
  });
}

function MoveForm({ lot, kind, onClose }: { lot: LotHead; kind: MoveKind; onClose: () => void }) {
  const { kitchen } = useSession();
  const form = useMove(lot, kind, onClose);
  const chosen = form.values.kind;
  const released = lot.state === 'released';
  return (
    <form className="grid gap-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Choice
        label="From"
        {...form.field('group')}
        options={lot.bottles.groups.map((g, i) => [i, `${g.place}: ${g.count} × ${bottleSize(g.nominalMl)}`])}
      />
      <div className="grid grid-cols-2 gap-4">
        <Choice label="What happens" {...form.field('kind')}>
          {offered(lot).map((k) => (
            <option key={k.kind} value={k.kind} disabled={k.needsRelease && !released}>
              {k.says}
              {k.needsRelease && !released ? ', once released' : ''}
            </option>
          ))}
        </Choice>
        <Field label="Bottles" figure inputMode="numeric" {...form.field('count')} />
      </div>
      {LEAVES.has(chosen) && (
        <BeforeItLeaves lot={lot} place={lot.bottles.groups[Number(form.values.group)]?.place ?? ''} />
      )}
      {AT_HOME.has(chosen) && !released && (
        <Caution tone="hold">
          It is not released: what its checks would show is not known yet. Not for the very young, the
          pregnant, the old or the ill.
        </Caution>
      )}
      {chosen === 'returned' && (
        <p className="text-sm text-ink-2">
          Nobody knows where it stood meanwhile: what came back is not sold or given again.
        </p>
      )}
      {STAYS.has(chosen) && (
        <Field
          label="New place"
          list="places-known"
          placeholder={chosen === 'retained' ? 'retained shelf' : ''}
          {...form.field('to')}
        />
      )}
      {chosen === 'sold' && (
        <Field
          label={`Price per bottle, ${kitchen.currency}`}
          figure
          inputMode="decimal"
          {...form.field('price')}
        />
      )}
      <Field label={NOTES[chosen] ?? 'Note'} {...form.field('note')} />
      <FormEnd onCancel={onClose} disabled={form.busy}>
        {KINDS.find((k) => k.kind === chosen)?.says.split(',')[0]}
      </FormEnd>
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
        <State tone={lotTone(lot.state)}>{lot.state}</State> ·{' '}
        <Link className="text-link underline" to={`/records/${lot.code}`}>
          its record
        </Link>
      </p>
      {(lot.bottles.left > 0 || kind === 'returned') && mayWrite ? (
        <MoveForm lot={lot} kind={kind} onClose={onClose} />
      ) : (
        <p>Nothing of it stands on a shelf any more.</p>
      )}
    </Dialog>
  );
}
