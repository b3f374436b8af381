import type { LotView } from '@inch/contract/making/lot';
import { movesOf } from '@inch/core/lot';
import { bottleSize, degrees, degreesShown, depthSaid, inWords, plural } from '@inch/core/quantity';
import { EnteredBy } from '../parts/lot/EnteredBy.tsx';
import { EverythingIn, everythingIn } from '../parts/lot/EverythingIn.tsx';
import { JarGlyph } from '../ui/BottleGlyph.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { BottleTicks } from './BottleTicks.tsx';
import { Expected } from './Expected.tsx';
import { FillForm } from './FillForm.tsx';
import { Fold } from './Fold.tsx';
import { Origins } from './Origins.tsx';
import { RetireForm } from './RetireForm.tsx';
import { Tally } from './Tally.tsx';
import { Weighings } from './Weighings.tsx';

type Bottling = LotView['bottlings'][number];

function closedWords(b: Bottling): string {
  if (b.closing === 'cooled') return 'cooled open';
  const read = [b.fillCelsius, b.middleCelsius, b.lastCelsius].filter((t) => t !== null);
  return read.length === 0 ? 'closed hot' : `closed hot at ${read.map(degreesShown).join(', ')} ${degrees()}`;
}

function Row({ lot, bottling: b, failed }: { lot: LotView; bottling: Bottling; failed: number }) {
  return (
    <div id={`entry-${b.id}`} className="border-b border-steel-line py-3">
      <p>
        <span className="figure text-lg font-bold">
          {b.count} × {bottleSize(b.nominalMl)}
        </span>{' '}
        {b.container}, {closedWords(b)}
        {b.headspaceInches !== null && `, ${depthSaid(b.headspaceInches * 25.4, 'in')} headspace`}
        {b.checked ? ', rims and lids looked at' : ''}{' '}
        <EnteredBy lot={lot} noun="bottling" entry={b} named={`the filling of ${b.count} bottles`} />
      </p>
      <div
        className="mt-2 flex max-w-2xl flex-wrap gap-1"
        role="img"
        aria-label={`${plural(b.count, 'bottle')}${failed > 0 ? `, ${failed} with a failed seal` : ''}`}
      >
        {Array.from({ length: Math.min(b.count, 60) }, (_, n) => (
          <JarGlyph key={n} colour={lot.product.colour} failed={n >= b.count - failed} />
        ))}
      </div>
    </div>
  );
}

function Filled({ lot }: { lot: LotView }) {
  const failed = lot.bottles.filled - lot.bottles.left;
  const bottlings = lot.bottlings.filter((b) => b.struck === null);
  const faults = lot.faults.filter((f) => f.struck === null);
  if (bottlings.length === 0) return null;
  const seals = movesOf(lot)
    .filter((m) => m.kind === 'failed-seal')
    .reduce((sum, m) => sum + m.count, 0);
  return (
    <Ruled
      title="Filled"
      className="mt-6"
      aside={<span className="figure text-sm font-bold">{plural(lot.bottles.filled, 'bottle')}</span>}
    >
      {bottlings.map((b, i) => (
        <Row key={b.id} lot={lot} bottling={b} failed={i === 0 ? Math.min(seals, failed) : 0} />
      ))}
      {faults.length > 0 && (
        <p className="py-2 text-ink-2">
          Retired:{' '}
          {faults.map((f) => `${f.count} × ${f.container.toLowerCase()}, ${inWords(f.fault)}`).join('; ')}.
        </p>
      )}
    </Ruled>
  );
}

/** From litres to bottles: what was promised, what fits, glass looked at, every millilitre told. */
export function Fill({ lot, open }: { lot: LotView; open: boolean }) {
  const ready = lot.state !== 'making' || everythingIn(lot);
  const filled = lot.bottles.filled > 0;
  return (
    <>
      <Expected lot={lot} />
      {open && lot.state === 'making' && !ready && <EverythingIn lot={lot} at={undefined} />}
      {open && ready && <Origins lot={lot} />}
      <Filled lot={lot} />
      {open && ready && lot.state !== 'held' && (
        <Fold title={filled ? 'More bottles' : 'Fill'} open={!filled}>
          <FillForm lot={lot} />
        </Fold>
      )}
      <BottleTicks lot={lot} open={open} />
      {filled && <Tally lot={lot} open={open} />}
      {filled && <Weighings lot={lot} open={open} />}
      {open && (
        <Fold title="Retire glass, a ring or a lid" open={false}>
          <RetireForm lot={lot} />
        </Fold>
      )}
    </>
  );
}
