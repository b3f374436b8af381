import type { LotHead } from '@inch/contract/making/lot';
import { addDays } from '@inch/core/calendar';
import { inWords } from '@inch/core/quantity';
import { dayMonth } from '../ui/dates.ts';
import { placeOn, type Span } from './span.ts';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** The months along the top, with today's mark. */
export function MonthRule({ span, now }: { span: Span; now: string }) {
  const months: Date[] = [];
  for (
    let d = new Date(span.from);
    d.getTime() < span.to;
    d = new Date(Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + 1, 1))
  )
    months.push(d);
  const every = months.length > 20 ? 2 : 1;
  return (
    <div aria-hidden="true" className="relative h-12 border-b-2 border-ink">
      {months.map((m, i) => (
        <span
          key={m.getTime()}
          className="absolute bottom-0 border-l-[1.5px] border-ink pl-1 text-[13px] leading-4 text-ink-2"
          style={{ left: `${placeOn(span, m.toISOString())}%`, height: i % every === 0 ? 18 : 7 }}
        >
          {i % every === 0 ? MONTHS[m.getUTCMonth()] : ''}
        </span>
      ))}
      <span
        className="absolute top-0 -translate-x-1/2 bg-rim px-2 pb-1 text-sm font-bold text-on-rim [clip-path:polygon(0_0,100%_0,100%_75%,50%_100%,0_75%)]"
        style={{ left: `${placeOn(span, now)}%` }}
      >
        today
      </span>
    </div>
  );
}

/** One lot from made through ready to its date; hatched where it is held, open until it is ready. */
export function LotBar({ lot, span }: { lot: LotHead; span: Span }) {
  const end = lot.bestBy ?? addDays(lot.madeOn, 14);
  const [left, ready, right] = [
    placeOn(span, lot.madeOn),
    placeOn(span, lot.readyOn),
    placeOn(span, addDays(end, 1)),
  ];
  const held = lot.state === 'held' || !lot.bestBy;
  const said = `made ${dayMonth(lot.madeOn)}, ${lot.readyOn > lot.madeOn ? `ready ${dayMonth(lot.readyOn)}, ` : ''}${lot.bestBy ? `${inWords(lot.dateWord)} ${dayMonth(lot.bestBy)}` : 'no date'}`;
  return (
    <div role="img" aria-label={said} title={said} className="absolute inset-0">
      {held ? (
        <span
          className="hatch absolute top-1/2 h-6 -translate-y-1/2 rounded-[3px] border-2 border-hold"
          style={{ left: `${left}%`, width: `${Math.max(1.2, right - left)}%` }}
        />
      ) : (
        <>
          <span
            className="absolute top-1/2 h-6 -translate-y-1/2 rounded-[3px] border-2 bg-enamel"
            style={{ left: `${left}%`, width: `${Math.max(0.8, right - left)}%`, borderColor: lot.colour }}
          />
          <span
            className="absolute top-1/2 h-6 -translate-y-1/2 rounded-[3px]"
            style={{ left: `${ready}%`, width: `${Math.max(0.8, right - ready)}%`, background: lot.colour }}
          />
        </>
      )}
    </div>
  );
}
