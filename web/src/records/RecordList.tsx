import { useState } from 'react';
import { useLots } from '../data/lots.ts';
import { LotList } from '../parts/lot/LotList.tsx';
import { plural } from '../ui/format.ts';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Caution } from '../ui/State.tsx';

/** Every lot ever begun, newest first. */
export function RecordList() {
  const { data } = useLots();
  const [find, setFind] = useState('');
  if (!data) return null;
  const lots = data.lots.filter((lot) =>
    `${lot.code} ${lot.name} ${lot.state}`.toLowerCase().includes(find.trim().toLowerCase()),
  );
  return (
    <Sheet>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1>Records</h1>
        <input
          type="search"
          value={find}
          onChange={(e) => setFind(e.target.value)}
          aria-label="Find a lot by code, name or state"
          placeholder="Find a code, name or state"
          className="min-h-10 w-64 rounded-lg border border-steel bg-enamel px-3 max-sm:w-full"
        />
      </div>
      {data.lots.length === 0 ? (
        <Empty title="No records yet">The record writes itself while a lot is made.</Empty>
      ) : (
        <>
          {data.broken.map((lot) => (
            <Caution key={lot.id} className="mt-4">
              <strong>
                Lot {lot.code}, {lot.name}, cannot be shown.
              </strong>{' '}
              {lot.why}. The others are not touched. Run <code>npm run verify</code>: it names what was
              changed.
            </Caution>
          ))}
          <Ruled title="Every lot, newest first" className="mt-4">
            <LotList
              lots={lots}
              to={(lot) => `/records/${lot.code}`}
              end={(lot) =>
                lot.bottles.filled > 0
                  ? `${plural(lot.bottles.filled, 'bottle')}, ${lot.bottles.left} left`
                  : (lot.step ?? '')
              }
            />
          </Ruled>
        </>
      )}
    </Sheet>
  );
}
