import type { LotView } from '@inch/contract/lot';
import { signs } from '@inch/core/bottling';
import { useState } from 'react';
import { useRecord } from '../data/record.ts';
import { Button } from '../ui/Button.tsx';
import { AT_HINT, happened } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { plural } from '../ui/format.ts';
import { useKey } from '../ui/keys.tsx';

type Told = 'sealed' | 'failed' | null;

const LOOK: Record<'sealed' | 'failed' | 'open', string> = {
  sealed: 'border-go bg-go text-on-rim',
  failed: 'border-stop bg-stop text-on-rim',
  open: 'border-steel bg-enamel text-ink',
};

/** A lid seen from above: flat when it sealed, sprung when it failed. */
function Lid({ n, told, here, press }: { n: number; told: Told; here: boolean; press: () => void }) {
  const word = told ?? 'not pressed';
  return (
    <button
      type="button"
      onClick={press}
      aria-label={`Bottle ${n}: ${word}`}
      aria-current={here ? 'true' : undefined}
      className={`figure relative size-14 rounded-full border-[3px] text-lg font-bold ${LOOK[told ?? 'open']} ${here ? 'outline-4 outline-offset-2 outline-rim' : ''}`}
    >
      {n}
      <span className="absolute inset-x-0 bottom-0.5 text-[0.7rem] leading-none" aria-hidden="true">
        {told === 'sealed' ? '✓' : told === 'failed' ? '✕' : ''}
      </span>
    </button>
  );
}

/** The lids of a lot, one after another: what each showed, and which comes next. */
function useLids(count: number) {
  const [lids, setLids] = useState<Told[]>(() => Array.from({ length: count }, () => null));
  const [here, setHere] = useState(0);
  const go = (by: number) => setHere((i) => Math.max(0, Math.min(count - 1, i + by)));
  const tell = (told: Told) => {
    setLids((before) => before.map((lid, i) => (i === here ? told : lid)));
    go(1);
  };
  return {
    ...{ lids, here, go, tell },
    pressed: lids.filter((lid) => lid !== null).length,
    failed: lids.flatMap((lid, i) => (lid === 'failed' ? [i + 1] : [])),
    /** A lid touched: sealed, then failed, then not pressed. */
    turn: (i: number) => {
      setHere(i);
      setLids((before) => before.map((lid, n) => (n === i ? NEXT[lid ?? 'open'] : lid)));
    },
    restSealed: () => setLids((before) => before.map((lid) => lid ?? 'sealed')),
  };
}
const NEXT: Record<'sealed' | 'failed' | 'open', Told> = { open: 'sealed', sealed: 'failed', failed: null };

/** Signs seen on any of the bottles, and what each means. */
function Signs({ seen, see }: { seen: readonly string[]; see: (seen: string[]) => void }) {
  return (
    <fieldset className="mt-4">
      <legend className="mb-1 text-sm font-semibold text-ink-2">Seen on any of them</legend>
      <div className="flex flex-wrap gap-x-6 gap-y-1">
        {signs.map((s) => (
          <label key={s.id} className="flex min-h-8 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-[var(--rim)]"
              checked={seen.includes(s.id)}
              onChange={(e) => see(e.target.checked ? [...seen, s.id] : seen.filter((id) => id !== s.id))}
            />
            {s.shows}
          </label>
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

function LidButtons({ lids, count }: { lids: ReturnType<typeof useLids>; count: number }) {
  return (
    <>
      <fieldset className="flex max-w-3xl flex-wrap gap-2.5">
        <legend className="sr-only">Lids of {plural(count, 'bottle')}</legend>
        {lids.lids.map((told, i) => (
          <Lid key={i} n={i + 1} told={told} here={i === lids.here} press={() => lids.turn(i)} />
        ))}
      </fieldset>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button tone="plain" onClick={() => lids.tell('sealed')}>
          Sealed
        </Button>
        <Button tone="stop" onClick={() => lids.tell('failed')}>
          Failed
        </Button>
        <Button tone="quiet" onClick={lids.restSealed} disabled={lids.pressed === count}>
          The others are sealed
        </Button>
      </div>
    </>
  );
}

/** Lids pressed one by one: s sealed, f failed, the next comes by itself. */
export function PressLids({ lot, early }: { lot: LotView; early: boolean }) {
  const count = lot.bottles.left;
  const lids = useLids(count);
  const [seen, see] = useState<string[]>([]);
  const [at, setAt] = useState('');
  const write = useRecord('seal-check', lot);
  const { pressed, failed } = lids;
  useKey('s', 'this lid is sealed', () => lids.tell('sealed'));
  useKey('f', 'this lid failed', () => lids.tell('failed'));
  useKey('ArrowRight', 'the next lid', () => lids.go(1));
  useKey('ArrowLeft', 'the lid before', () => lids.go(-1));
  const refused = write.fields.checked ?? write.fields.failed;
  return (
    <form
      className="mt-5"
      onSubmit={(e) => {
        e.preventDefault();
        write.run({
          ...{ checked: pressed, failed: failed.length, failedBottles: failed, signs: seen },
          ...happened(at),
        });
      }}
    >
      <p className="mb-3 text-ink-2">
        Press bottle by bottle: <kbd>s</kbd> sealed, <kbd>f</kbd> failed, or touch a lid once or twice.
      </p>
      <LidButtons lids={lids} count={count} />
      <Signs seen={seen} see={see} />
      <div className="mt-4 flex flex-wrap items-end gap-4">
        <Field
          label="Pressed at"
          type="datetime-local"
          value={at}
          onChange={(e) => setAt(e.target.value)}
          error={write.fields.at}
          hint={AT_HINT}
        />
        <Button type="submit" className="mb-6" disabled={write.busy || pressed === 0}>
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
