import { plural } from '@inch/core/quantity';
import { useLotsOnHand } from '../data/lots.ts';
import { LotList } from '../parts/lot/LotList.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Unread } from '../ui/Unread.tsx';

const WAITING = ['making', 'resting', 'bottled', 'held'];

/** Lots that wait to be filled, checked or released. */
export function BottlingList() {
  const { data, error, refetch } = useLotsOnHand();
  if (!data) return <Unread title="Bottling" error={error} retry={refetch} />;
  const waiting = data.lots.filter((lot) => WAITING.includes(lot.state));
  const through = data.lots.filter((lot) => !WAITING.includes(lot.state));
  return (
    <Sheet>
      <h1>Bottling</h1>
      {data.lots.length === 0 ? (
        <Empty title="Nothing to fill yet">
          A lot comes here from Stove: its bottles are counted, its release checks passed one by one, and then
          it is released or held.
        </Empty>
      ) : (
        <>
          <p className="mt-1 mb-5 text-ink-2">
            Between the pan and the shelf: fill, process, check, then release or hold.
          </p>
          <Ruled title="In hand">
            <LotList
              lots={waiting}
              to={(lot) => `/bottling/${lot.code}`}
              end={(lot) => `${lot.gatesOpen} of ${lot.gatesAll} release checks passed`}
            />
          </Ruled>
          {through.length > 0 && (
            <Ruled title="Released, with bottles left" className="mt-8">
              <LotList
                lots={through}
                to={(lot) => `/bottling/${lot.code}`}
                end={(lot) => `${plural(lot.bottles.filled, 'bottle')} filled`}
              />
            </Ruled>
          )}
        </>
      )}
    </Sheet>
  );
}
