import type { LotHead } from '@inch/contract/making/lot';
import { plural } from '@inch/core/quantity';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { useLotsOnHand } from '../data/lots.ts';
import { useMayWrite } from '../data/session.tsx';
import { useNow } from '../data/useNow.ts';
import { lotsAsCsv } from '../parts/lot/lotsAsCsv.ts';
import { BottleGlyph } from '../ui/BottleGlyph.tsx';
import { Button, buttonLook } from '../ui/Button.tsx';
import { useKey } from '../ui/keys.tsx';
import { Empty, Sheet } from '../ui/Sheet.tsx';
import { Fruit, State } from '../ui/State.tsx';
import { sendOut } from '../ui/sendOut.ts';
import { Unread } from '../ui/Unread.tsx';
import { LotBar, MonthRule } from './DateRule.tsx';
import { MoveDialog, type MoveKind } from './MoveDialog.tsx';
import { matches, placeOn, type Span, spanOf, warningOf } from './span.ts';

function ShelfRow({ lot, span, now, open }: { lot: LotHead; span: Span; now: string; open: () => void }) {
  const warning = warningOf(lot, now);
  const places = [...new Set(lot.bottles.groups.map((g) => g.place))].join(', ');
  const start = placeOn(span, lot.madeOn);
  const end = lot.bestBy ? placeOn(span, `${lot.bestBy}T23:59:00Z`) : start + 4;
  return (
    <li className="relative grid grid-cols-[4.5rem_10.5rem_4.75rem_1fr] items-center border-b border-steel-line max-md:grid-cols-[1.25rem_4.5rem_1fr_4.5rem]">
      <span className="md:hidden">
        <Fruit colour={lot.colour} size={13} />
      </span>
      <button
        type="button"
        onClick={open}
        className="figure py-2 text-left text-[17px] font-bold after:absolute after:inset-0"
        aria-label={`${lot.code} ${lot.name}, ${plural(lot.bottles.left, 'bottle')}`}
      >
        {lot.code}
      </button>
      <span className="min-w-0 py-1 pr-2 leading-snug">
        <span className="block truncate font-semibold">{lot.name}</span>
        <span className="block truncate text-sm text-ink-2">{places}</span>
        {warning && (
          <State tone={warning.tone} className="block text-sm md:hidden">
            {warning.words}
          </State>
        )}
      </span>
      <span className="flex items-center gap-2">
        <BottleGlyph share={lot.bottles.left / lot.bottles.filled} colour={lot.colour} height={36} />
        <span className="figure text-lg font-bold">{lot.bottles.left}</span>
      </span>
      <span className="relative h-full max-md:hidden">
        <LotBar lot={lot} span={span} />
        {warning && (
          <span
            className="absolute top-1/2 z-10 ml-2 -translate-y-1/2 bg-enamel/90 px-1 text-sm whitespace-nowrap"
            style={end > 62 ? { right: `${100 - start}%`, marginRight: 8 } : { left: `${end}%` }}
          >
            <State tone={warning.tone}>{warning.words}</State>
          </span>
        )}
      </span>
    </li>
  );
}

function Heading({
  lots,
  shown,
  find,
  setFind,
}: {
  lots: LotHead[];
  /** Those that are found, as they go out. */
  shown: LotHead[];
  find: string;
  setFind: (text: string) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  useKey('/', 'find a lot on the shelf', () => input.current?.focus());
  const bottles = lots.reduce((sum, lot) => sum + lot.bottles.left, 0);
  const places = new Set(lots.flatMap((lot) => lot.bottles.groups.map((g) => g.place))).size;
  return (
    <div className="flex flex-wrap items-center justify-between gap-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1>Shelf</h1>
        <p className="text-ink-2">
          {plural(bottles, 'bottle')} of {plural(lots.length, 'lot')} in {plural(places, 'place')}
        </p>
      </div>
      <div className="flex flex-wrap items-center gap-2 max-sm:w-full">
        <Link className={buttonLook({ tone: 'plain', size: 'small' })} to="/shelf/scan">
          Scan
        </Link>
        <Link className={buttonLook({ tone: 'quiet', size: 'small' })} to="/shelf/stores">
          Places and warmth
        </Link>
        <Button tone="quiet" size="small" onClick={() => sendOut('shelf.csv', 'text/csv', lotsAsCsv(shown))}>
          as CSV
        </Button>
        <input
          ref={input}
          type="search"
          value={find}
          onChange={(e) => setFind(e.target.value)}
          aria-label="Find a lot by code, name or place"
          placeholder="Find a code, name or place"
          className="min-h-10 w-64 rounded-lg border border-steel bg-enamel px-3 max-sm:w-full"
        />
      </div>
    </div>
  );
}

const firstKind = ({ state }: LotHead): MoveKind =>
  state === 'released' ? 'sold' : ['recalled', 'discarded', 'closed'].includes(state) ? 'destroyed' : 'moved';

/** What exists, where, until when: every lot a bar on a date rule. */
export function Shelf() {
  const { data, error, refetch } = useLotsOnHand();
  const now = useNow(60_000);
  const mayWrite = useMayWrite();
  const [find, setFind] = useState('');
  const [open, setOpen] = useState<{ id: string; kind: MoveKind } | null>(null);
  if (!data) return <Unread title="Shelf" error={error} retry={refetch} />;
  const standing = data.lots
    .filter((lot) => lot.bottles.left > 0 && lot.state !== 'discarded')
    .sort((a, b) => a.madeOn.localeCompare(b.madeOn) || a.code.localeCompare(b.code));
  const shown = standing.filter((lot) => matches(lot, find));
  const span = spanOf(standing, now);
  const chosen = data.lots.find((lot) => lot.id === open?.id);
  return (
    <Sheet>
      <Heading lots={standing} shown={shown} find={find} setFind={setFind} />
      {standing.length === 0 ? (
        <Empty title="No bottles on the shelf">Bottles stand here once they are counted at Bottling.</Empty>
      ) : (
        <div className="relative mt-3">
          <div className="ml-[19.75rem] max-md:hidden">
            <MonthRule span={span} now={now} />
          </div>
          <ul className="relative">
            {shown.map((lot) => (
              <ShelfRow
                key={lot.id}
                lot={lot}
                span={span}
                now={now}
                open={() => setOpen({ id: lot.id, kind: firstKind(lot) })}
              />
            ))}
          </ul>
          <div
            aria-hidden="true"
            className="pointer-events-none absolute inset-y-0 right-0 left-[19.75rem] max-md:hidden"
          >
            <span
              className="absolute top-6 bottom-0 w-[2.5px] -translate-x-1/2 bg-rim"
              style={{ left: `${placeOn(span, now)}%` }}
            />
          </div>
          {shown.length === 0 && <p className="py-6 text-ink-2">No lot on the shelf goes by "{find}".</p>}
        </div>
      )}
      {chosen && open && (
        <MoveDialog lot={chosen} kind={open.kind} mayWrite={mayWrite} onClose={() => setOpen(null)} />
      )}
    </Sheet>
  );
}
