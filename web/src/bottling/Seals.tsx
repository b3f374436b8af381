import type { LotView } from '@inch/contract/making/lot';
import { checkSaid, signs } from '@inch/core/bottling';
import { failuresOpen, sealsFrom } from '@inch/core/lot';
import { plural } from '@inch/core/quantity';
import { serverNow } from '../data/serverClock.ts';
import { useNow } from '../data/useNow.ts';
import { EnteredBy } from '../parts/lot/EnteredBy.tsx';
import { dayAndTime } from '../ui/dates.ts';
import { duration } from '../ui/format.ts';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { Fates } from './Fates.tsx';
import { PressLids } from './PressLids.tsx';

function Waiting({ from }: { from: string }) {
  useNow();
  const left = (Date.parse(from) - Date.parse(serverNow())) / 1000;
  return left > 0 ? (
    <p className="border-l-4 border-rim py-0.5 pl-3">
      Undisturbed until {dayAndTime(from)}:{' '}
      <span className="figure font-bold" role="timer" aria-label="Until the seals may be checked">
        {duration(left)}
      </span>
      . Checked before, a seal tells nothing.
    </p>
  ) : (
    <p className="border-l-4 border-go py-0.5 pl-3">The seals may be checked since {dayAndTime(from)}.</p>
  );
}

function Checks({ lot }: { lot: LotView }) {
  const checks = lot.sealChecks.filter((c) => c.struck === null);
  const said = checkSaid(lot.bottlings.flatMap((b) => (b.struck === null ? [b.closure] : [])));
  if (checks.length === 0) return null;
  return (
    <Ruled title="Checked" className="mt-6">
      {checks.map((c) => (
        <div key={c.id} id={`entry-${c.id}`} className="border-b border-steel-line py-3">
          <p>
            <span className="figure font-bold">{c.checked}</span> {said},{' '}
            <State tone={c.failed > 0 ? 'hold' : 'go'}>{c.failed} failed</State>
            {c.failedBottles.length > 0 && `, number ${c.failedBottles.join(', ')}`}{' '}
            <EnteredBy
              lot={lot}
              noun="seal-check"
              entry={c}
              named={`the check of ${plural(c.checked, 'bottle')}`}
            />
          </p>
          {signs
            .filter((s) => c.signs.includes(s.id))
            .map((s) => (
              <p key={s.id} className="text-sm">
                <State tone={s.holds ? 'stop' : 'plain'}>{s.shows}</State> {s.means} {s.todo}
              </p>
            ))}
          {lot.fates
            .filter((f) => f.checkId === c.id)
            .map((f) => (
              <p key={f.id} className="text-sm text-ink-2">
                {f.count} {f.fate}, {dayAndTime(f.at)}, {f.by}
              </p>
            ))}
        </div>
      ))}
    </Ruled>
  );
}

/** The seals: bottle by bottle, a key each, and what became of those that failed. */
export function Seals({ lot, open }: { lot: LotView; open: boolean }) {
  const from = sealsFrom(lot);
  if (from === null) return <p className="py-6 text-ink-2">Nothing is filled yet, so nothing is sealed.</p>;
  const shut = lot.gates.some((g) => g.id === 'seal' && !g.open);
  const failed = failuresOpen(lot);
  return (
    <>
      {shut && failed === 0 && <Waiting from={from} />}
      {open && failed > 0 && <Fates lot={lot} />}
      {open && shut && failed === 0 && lot.bottles.left > 0 && (
        <PressLids key={lot.bottles.left} lot={lot} early={from > serverNow()} />
      )}
      {!shut && (
        <p className="border-l-4 border-go py-0.5 pl-3">
          Every seal of {plural(lot.bottles.left, 'bottle')} is checked. Rings off, bottles washed.
        </p>
      )}
      <Checks lot={lot} />
      <Ruled title="What a bottle may show" className="mt-6">
        <dl>
          {signs.map((s) => (
            <div
              key={s.id}
              className="grid grid-cols-[11rem_1fr] gap-4 border-b border-steel-line py-2 max-sm:grid-cols-1 max-sm:gap-0"
            >
              <dt className="font-semibold">{s.holds ? <State tone="stop">{s.shows}</State> : s.shows}</dt>
              <dd>
                {s.means} <span className="text-ink-2">{s.todo}</span>
              </dd>
            </div>
          ))}
        </dl>
      </Ruled>
    </>
  );
}
