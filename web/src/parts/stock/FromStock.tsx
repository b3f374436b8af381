import { dayOf } from '@inch/core/calendar';
import { weight } from '@inch/core/quantity';
import { coverFrom, fitLots } from '@inch/core/stock';
import { serverNow } from '../../data/serverClock.ts';
import { useSession } from '../../data/session.tsx';
import { useStock } from '../../data/stock.ts';
import { Button } from '../../ui/Button.tsx';
import { dayMonth } from '../../ui/dates.ts';

/** From where a line is taken: the oldest fit stock lot, one chosen by hand, or a place in words. */
export type TakenFrom = { by: 'oldest' } | { by: 'lot'; stockId: string } | { by: 'words'; words: string };

/** The stock lots of one thing that may be used today, the oldest first. */
export function useFit(thing: string) {
  const { stock, day } = useStockToday();
  return { stock, fit: fitLots(stock, thing, day), day };
}

function useStockToday() {
  const { kitchen } = useSession();
  const { data } = useStock();
  return { stock: data ?? [], day: dayOf(serverNow(), kitchen.timeZone) };
}

function oldestSaid(thing: string, grams: number, { stock, day }: ReturnType<typeof useFit>): string {
  const { withdrawals, short } = coverFrom(stock, thing, grams, day);
  const codes = withdrawals.map((d) => {
    const lot = stock.find((s) => s.id === d.stockId)!;
    return `${lot.code}, ${weight(lot.left)} left`;
  });
  return `the oldest: ${codes.join('; ')}${short > 0.5 ? `; ${weight(short)} from none` : ''}`;
}

/** Asks from which stock lot a line comes: the oldest unless another is chosen. */
export function FromStock({
  name,
  thing,
  grams,
  value,
  onChange,
}: {
  name: string;
  thing: string;
  grams: number;
  value: TakenFrom;
  onChange: (value: TakenFrom) => void;
}) {
  const found = useFit(thing);
  if (value.by === 'words')
    return (
      <input
        aria-label={`${name}, from which bag or picking`}
        autoFocus
        value={value.words}
        onChange={(e) => onChange({ by: 'words', words: e.target.value })}
        placeholder="bag, picking or bottle"
        className="min-h-12 w-56 rounded-lg border border-steel bg-enamel px-3"
      />
    );
  if (found.fit.length === 0)
    return (
      <Button
        tone="quiet"
        className="min-h-14 px-2 font-normal"
        onClick={() => onChange({ by: 'words', words: '' })}
      >
        from which bag or picking…
      </Button>
    );
  return (
    <label className="flex items-center gap-2 text-ink-2">
      from
      <select
        aria-label={`${name}, from which stock lot`}
        value={value.by === 'lot' ? value.stockId : ''}
        onChange={(e) =>
          onChange(
            e.target.value === 'words'
              ? { by: 'words', words: '' }
              : e.target.value === ''
                ? { by: 'oldest' }
                : { by: 'lot', stockId: e.target.value },
          )
        }
        className="min-h-14 max-w-80 rounded-lg border border-steel bg-enamel px-3 text-ink"
      >
        <option value="">{oldestSaid(thing, grams, found)}</option>
        {found.fit.map((s) => (
          <option key={s.id} value={s.id}>
            {s.code}, {weight(s.left)} left, {dayMonth(s.gotOn)}
            {s.words && `, ${s.words}`}
          </option>
        ))}
        <option value="words">somewhere else, in words…</option>
      </select>
    </label>
  );
}

/** What is sent with an addition of where it comes from. A chosen lot gives what it has; the oldest others give the rest. */
export function useTaken() {
  const { stock, day } = useStockToday();
  return (thing: string, value: TakenFrom, grams: number) => {
    if (value.by === 'words') return { from: value.words || null, stock: null };
    const chosen =
      value.by === 'lot' ? fitLots(stock, thing, day).find((s) => s.id === value.stockId) : undefined;
    return {
      from: null,
      stock: chosen && grams > 0 ? [{ stockId: chosen.id, amount: Math.min(chosen.left, grams) }] : null,
    };
  };
}
