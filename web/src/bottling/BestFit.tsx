import type { Container } from '@inch/contract/making/container';
import type { LotView } from '@inch/contract/making/lot';
import { bottleSize, depthSaid, plural, volume, volumeSign } from '@inch/core/quantity';
import { BottleGlyph } from '../ui/BottleGlyph.tsx';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { figureIn } from '../ui/typed.ts';

export interface SizeRow {
  container: Container;
  /** Pieces in stock. */
  toHand: number;
  count: string;
}

/** Lids kept back for those that will not close. */
const SPARE_LIDS = 2;

/** Headspace drawn as it is read: a neck with its rim, the fill line, and the gap as a fraction of an inch. */
function FillLine({ container, colour }: { container: Container; colour: string }) {
  const inches = container.headspaceInches;
  if (inches === null) return <span className="text-sm text-ink-2">fill line not measured</span>;
  const gap = 8 + inches * 22;
  return (
    <span className="flex items-center gap-2">
      <svg viewBox="0 0 46 46" width="46" height="46" aria-hidden="true">
        <path d="M6 3h34v6h-3v34H9V9H6z" fill="var(--enamel)" stroke="var(--ink-2)" strokeWidth="1.4" />
        <path d={`M10 ${3 + gap}h26V42H10z`} fill={colour} className="level" />
        <path d={`M4 3V${3 + gap}M1.500 3h5M1.500 ${3 + gap}h5`} stroke="var(--rim)" strokeWidth="1.600" />
      </svg>
      <span className="text-sm whitespace-nowrap text-ink-2">
        <span className="figure font-bold text-ink">{depthSaid(inches * 25.4, 'in')}</span> (
        {Math.round(inches * 25.4)} mm)
        <br />
        headspace
      </span>
    </span>
  );
}

function Size({
  row: { container, toHand, count },
  colour,
  setCount,
}: {
  row: SizeRow;
  colour: string;
  setCount: (count: string) => void;
}) {
  return (
    <li className="grid grid-cols-[1fr_12rem_6rem] items-center gap-4 border-b border-steel-line py-2 max-sm:grid-cols-[1fr_5.5rem]">
      <span>
        <span className="font-semibold">{container.name}</span>{' '}
        <span className="figure">{bottleSize(container.nominalMl)}</span>
        <span className="block text-sm text-ink-2">
          {plural(toHand, 'piece')} in stock
          {container.brimfulMl !== null && `, ${volume(container.brimfulMl)} to the brim`}
        </span>
      </span>
      <span className="max-sm:hidden">
        <FillLine container={container} colour={colour} />
      </span>
      <Field
        label="How many"
        aria-label={`How many of ${container.name}`}
        figure
        inputMode="numeric"
        value={count}
        onChange={(e) => setCount(e.target.value)}
      />
    </li>
  );
}

/** How many bottles a field says; none where it says nothing that can be read. */
const bottlesIn = (text: string): number => figureIn(text, { unit: '', whole: true, min: 0 }) ?? 0;

/** Bottles as they would stand: full ones by size, and the short one with what is over. */
function Drawn({ rows, over, colour }: { rows: readonly SizeRow[]; over: number; colour: string }) {
  const chosen = rows.filter((r) => bottlesIn(r.count) > 0);
  const largest = Math.max(...rows.map((r) => r.container.nominalMl), 1);
  const smallest = Math.min(...rows.map((r) => r.container.nominalMl));
  const count = chosen.reduce((sum, r) => sum + bottlesIn(r.count), 0);
  if (chosen.length === 0) return null;
  const short = over > 0.5 ? Math.min(1, over / smallest) : 0;
  return (
    <div
      className="flex max-w-3xl flex-wrap items-end gap-1"
      role="img"
      aria-label={`${plural(count, 'full bottle')}${short ? ` and a short one of ${volume(over, 0)}` : ''}`}
    >
      {chosen.flatMap((r) =>
        Array.from({ length: Math.min(60, bottlesIn(r.count)) }, (_, n) => (
          <BottleGlyph
            key={`${r.container.id} ${n}`}
            share={1}
            colour={colour}
            height={26 + 26 * Math.sqrt(r.container.nominalMl / largest)}
          />
        )),
      )}
      {short > 0 && (
        <span className="ml-3 flex items-end gap-1.5 border-l border-steel-line pl-4">
          <BottleGlyph share={short} colour={colour} height={44} />
          <span className="text-sm text-ink-2">
            <span className="figure font-bold text-ink">{volume(over, 0)}</span>
            <br />
            the kitchen’s own
          </span>
        </span>
      )}
    </div>
  );
}

interface Props {
  lot: LotView;
  rows: readonly SizeRow[];
  millilitres: string;
  setMillilitres: (ml: string) => void;
  setCount: (id: string, count: string) => void;
  fit: () => void;
  noFit: boolean;
  lids: Record<string, number>;
  error: string | undefined;
}

function Filled({ filled, over, noFit }: { filled: number; over: number; noFit: boolean }) {
  return (
    <p className="pb-2 text-ink-2" role="status">
      {noFit && (
        <span className="font-semibold text-hold">
          No glass in stock takes this. Enter what stands on the table.
        </span>
      )}
      {filled > 0 && (
        <>
          <span className="figure font-bold text-ink">{volume(filled, 0)}</span> in bottles,{' '}
          {over >= -0.5 ? `${volume(Math.max(0, over), 0)} over` : `${volume(-over, 0)} more than there is`}
        </>
      )}
    </p>
  );
}

/** Closures of which there are not lids enough. */
function ScarceLids({ rows, lids }: Pick<Props, 'rows' | 'lids'>) {
  const wanted = (closure: string) =>
    rows.filter((r) => r.container.closure === closure).reduce((sum, r) => sum + bottlesIn(r.count), 0);
  return Object.entries(lids)
    .filter(([closure, left]) => wanted(closure) > 0 && left < wanted(closure) + SPARE_LIDS)
    .map(([closure, left]) => (
      <p key={closure} className="font-semibold text-hold">
        {left} of the lids for {closure} bottles in stock, {wanted(closure)} wanted, and {SPARE_LIDS} spare:
        get more first.
      </p>
    ));
}

/** Litres into bottles of the sizes to hand: as little over as can be, and lids enough. */
export function BestFit(props: Props) {
  const { lot, rows, millilitres, error } = props;
  const filled = rows.reduce((sum, r) => sum + bottlesIn(r.count) * r.container.nominalMl, 0);
  const toFill = figureIn(millilitres, { unit: 'ml', kitchens: true, min: 0 }) ?? 0;
  const over = toFill - filled;
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end gap-4">
        <Field
          label={`To fill, ${volumeSign()}`}
          className="w-40"
          figure
          inputMode="decimal"
          value={millilitres}
          onChange={(e) => props.setMillilitres(e.target.value)}
        />
        <Button tone="plain" onClick={props.fit} disabled={!(toFill > 0 && toFill <= 100_000)}>
          Fit the sizes in stock
        </Button>
        <Filled filled={filled} over={over} noFit={props.noFit} />
      </div>
      <ul className="border-t border-steel-line">
        {rows.map((row) => (
          <Size
            key={row.container.id}
            row={row}
            colour={lot.product.colour}
            setCount={(count) => props.setCount(row.container.id, count)}
          />
        ))}
      </ul>
      <Drawn rows={rows} over={over} colour={lot.product.colour} />
      <ScarceLids rows={rows} lids={props.lids} />
      {error && (
        <p role="alert" className="font-semibold text-stop">
          {error}
        </p>
      )}
    </div>
  );
}
