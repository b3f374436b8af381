import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { type Closure, closures, signs } from '@inch/core/bottling';
import { numberedBottles } from '@inch/core/lot';
import { inWords, plural } from '@inch/core/quantity';
import { useState } from 'react';
import { recordEntry } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { AT_HINT, happened } from '../ui/dates.ts';
import { useKey } from '../ui/keys.tsx';
import { Tick } from '../ui/Tick.tsx';
import { WhenField } from '../ui/WhenField.tsx';

type Seal = 'sealed' | 'failed' | null;

const LOOK: Record<'sealed' | 'failed' | 'open', string> = {
  sealed: 'border-go bg-go text-enamel',
  failed: 'border-stop bg-stop text-enamel',
  open: 'border-steel bg-enamel text-ink',
};

function Lid({ n, seal, here, press }: { n: number; seal: Seal; here: boolean; press: () => void }) {
  const word = seal ?? 'not checked';
  return (
    <button
      type="button"
      onClick={press}
      aria-label={`Bottle ${n}: ${word}`}
      aria-current={here ? 'true' : undefined}
      className={`figure relative size-14 rounded-full border-[3px] text-lg font-bold ${LOOK[seal ?? 'open']} ${here ? 'outline-4 outline-offset-2 outline-rim' : ''}`}
    >
      {n}
      <span className="absolute inset-x-0 bottom-0.5 text-[0.7rem] leading-none" aria-hidden="true">
        {seal === 'sealed' ? '✓' : seal === 'failed' ? '✕' : ''}
      </span>
    </button>
  );
}

/** Numbers of the bottles that are there still: those that failed and were not processed again are gone. */
function bottlesThere(lot: LotView): number[] {
  const again = new Set(lot.fates.filter((f) => f.fate === 'processed-again').map((f) => f.checkId));
  const gone = new Set(
    lot.sealChecks.filter((c) => c.struck === null && !again.has(c.id)).flatMap((c) => c.failedBottles),
  );
  return numberedBottles(lot)
    .map((b) => b.number)
    .filter((n) => !gone.has(n));
}

/** The form of a seal check: lids one after another, what each showed, and which comes next. */
function useLids(lot: LotView) {
  const count = lot.bottles.left;
  const [empty] = useState(() => ({
    lids: Array.from({ length: count }, (): Seal => null),
    signs: [] as string[],
    at: '',
  }));
  const [here, setHere] = useState(0);
  const there = bottlesThere(lot);
  const numberOf = (i: number) => there[i] ?? i + 1;
  const form = useDeedForm({
    of: 'entry',
    draft: `lids ${lot.id} ${count}`,
    empty,
    schema: bodyOf('seal-check'),
    read: (a) => {
      const failedBottles = a.lids.flatMap((lid, i) => (lid === 'failed' ? [numberOf(i)] : []));
      const checked = a.lids.filter((lid) => lid !== null).length;
      const numbers = a.lids.flatMap((lid, i) => (lid === null ? [] : [numberOf(i)]));
      return {
        checked,
        numbers,
        failed: failedBottles.length,
        failedBottles,
        signs: a.signs,
        ...happened(a.at),
      };
    },
    fieldAt: (path) => (path === 'at' ? 'at' : 'lids'),
    write: (body) => recordEntry('seal-check', lot, body),
  });
  const { lids } = form.values;
  const set = (to: (lid: Seal, n: number) => Seal) => form.set('lids', lids.map(to));
  const go = (by: number) => setHere((i) => Math.max(0, Math.min(count - 1, i + by)));
  return {
    form,
    lids,
    here,
    go,
    count,
    numberOf,
    pressed: lids.filter((lid) => lid !== null).length,
    press: (seal: Seal) => {
      set((lid, i) => (i === here ? seal : lid));
      go(1);
    },
    /** A lid touched: sealed, then failed, then not pressed. */
    turn: (i: number) => {
      setHere(i);
      set((lid, n) => (n === i ? NEXT[lid ?? 'open'] : lid));
    },
    restSealed: () => set((lid) => lid ?? 'sealed'),
  };
}
type Lids = ReturnType<typeof useLids>;
const NEXT: Record<'sealed' | 'failed' | 'open', Seal> = { open: 'sealed', sealed: 'failed', failed: null };

/** Signs seen on any of the bottles, and what each means. */
function Signs({ form }: Pick<Lids, 'form'>) {
  const seen = form.values.signs;
  return (
    <fieldset className="mt-4">
      <legend className="mb-1 text-sm font-semibold text-ink-2">Seen on any of them</legend>
      <div className="flex flex-wrap gap-x-6 gap-y-1">
        {signs.map((s) => (
          <Tick key={s.id} value={s.id} {...form.register('signs')}>
            {s.shows}
          </Tick>
        ))}
      </div>
      {signs
        .filter((s) => seen.includes(s.id))
        .map((s) => (
          <p key={s.id} className={`mt-1 text-sm ${s.holds ? 'font-semibold text-stop' : 'text-ink-2'}`}>
            {s.shows}: {s.todo}
          </p>
        ))}
    </fieldset>
  );
}

function LidButtons({ lids }: { lids: Lids }) {
  const { count } = lids;
  return (
    <>
      <fieldset className="flex max-w-3xl flex-wrap gap-2.5">
        <legend className="sr-only">Closures of {plural(count, 'bottle')}</legend>
        {lids.lids.map((seal, i) => (
          <Lid key={i} n={lids.numberOf(i)} seal={seal} here={i === lids.here} press={() => lids.turn(i)} />
        ))}
      </fieldset>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button tone="plain" onClick={() => lids.press('sealed')}>
          Sealed
        </Button>
        <Button tone="stop" onClick={() => lids.press('failed')}>
          Failed
        </Button>
        <Button tone="quiet" onClick={lids.restSealed} disabled={lids.pressed === count}>
          The others are sealed
        </Button>
      </div>
    </>
  );
}

/** How each kind of closure of a lot is checked, in its own words. */
export function HowToCheck({ lot }: { lot: LotView }) {
  const kinds = [...new Set(lot.bottlings.flatMap((b) => (b.struck === null ? [b.closure as Closure] : [])))];
  return (
    <ul className="mb-2 grid gap-1">
      {kinds.map((kind) => (
        <li key={kind}>
          <strong className="inline-block first-letter:uppercase">{inWords(kind)}</strong>:{' '}
          {closures[kind].check} It failed where it {closures[kind].failed}.
        </li>
      ))}
    </ul>
  );
}

/** Lids pressed one by one: s sealed, f failed, the next comes by itself. */
export function PressLids({ lot, early }: { lot: LotView; early: boolean }) {
  const lids = useLids(lot);
  const { form, pressed, count } = lids;
  useKey('s', 'this lid is sealed', () => lids.press('sealed'));
  useKey('f', 'this lid failed', () => lids.press('failed'));
  useKey('ArrowRight', 'the next lid', () => lids.go(1));
  useKey('ArrowLeft', 'the lid before', () => lids.go(-1));
  const refused = form.error('lids');
  return (
    <form className="mt-5" onSubmit={form.submit}>
      <DraftNote form={form} />
      <HowToCheck lot={lot} />
      <p className="mb-3 text-ink-2">
        Bottle by bottle: <kbd>s</kbd> sealed, <kbd>f</kbd> failed, or touch one once or twice.
      </p>
      <LidButtons lids={lids} />
      <Signs form={form} />
      <div className="mt-4 flex flex-wrap items-end gap-4">
        <WhenField kind="moment" label="Checked at" {...form.when('at')} hint={AT_HINT} />
        <Button type="submit" className="mb-6" disabled={form.busy || pressed === 0}>
          Record {pressed} of {count}
        </Button>
        {early && (
          <p className="mb-7 font-semibold text-hold">
            Before its twelve hours it is recorded, and does not count.
          </p>
        )}
      </div>
      {refused && (
        <p role="alert" className="font-semibold text-stop">
          {refused}
        </p>
      )}
    </form>
  );
}
