import { inWords } from '@inch/core/quantity';
import { useLotsOnHand } from '../data/lots.ts';
import { LotList } from '../parts/lot/LotList.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Unread } from '../ui/Unread.tsx';

/** Lots with bottles that want a label. */
export function LabelList() {
  const { data, error, refetch } = useLotsOnHand();
  if (!data) return <Unread title="Labels" error={error} retry={refetch} />;
  const lots = data.lots.filter((lot) => lot.bottles.filled > 0);
  return (
    <Sheet>
      <h1>Labels</h1>
      {lots.length === 0 ? (
        <Empty title="No bottles yet">
          A label is of the lot as made: it is written from what went in, what was measured and what was
          filled.
        </Empty>
      ) : (
        <>
          <p className="mt-1 text-ink-2">A label says what is in this bottle, not what the formula said.</p>
          <Ruled title="With bottles" className="mt-4">
            <LotList
              lots={lots}
              to={(lot) => `/labels/${lot.code}`}
              end={(lot) =>
                lot.bestBy ? `${inWords(lot.dateWord)} ${dayMonthYear(lot.bestBy)}` : 'no date yet'
              }
            />
          </Ruled>
        </>
      )}
    </Sheet>
  );
}
