import { calendarRoutes } from '@inch/contract/kitchen/calendar';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { base } from '../data/base.ts';
import { keys } from '../data/keys.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { dayMonthYear } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';

/** A secret address at which a calendar program reads what is due and planned; it can be withdrawn. */
export function CalendarAddress() {
  const { data } = useQuery({ queryKey: keys.all('calendar'), queryFn: () => call(calendarRoutes.mine) });
  const [address, setAddress] = useState<string | null>(null);
  const make = useWrite('calendar', () => call(calendarRoutes.make), {
    after: ({ path }) => setAddress(`${window.location.origin}${base}${path}`),
  });
  const withdraw = useWrite('calendar', () => call(calendarRoutes.withdraw), {
    done: 'Address withdrawn',
    after: () => setAddress(null),
  });
  return (
    <Ruled title="Calendar" className="mt-6">
      <p className="py-3 text-sm text-ink-2">
        What is due and what plans have scheduled, in your calendar program. Whoever has the address can read
        it.
      </p>
      {address && (
        <Field
          label="Address to subscribe to"
          readOnly
          value={address}
          onFocus={(event) => event.target.select()}
          hint="Copy it now: it is not shown again."
          className="mb-3"
        />
      )}
      {data?.madeAt && !address && <p className="pb-3">Address made {dayMonthYear(data.madeAt)}</p>}
      <div className="flex flex-wrap gap-3">
        <Button tone="plain" size="small" disabled={make.busy} onClick={() => make.run(undefined)}>
          {data?.madeAt ? 'Make another address' : 'Make an address'}
        </Button>
        {data?.madeAt && (
          <Button tone="quiet" size="small" disabled={withdraw.busy} onClick={() => withdraw.run(undefined)}>
            Withdraw it
          </Button>
        )}
      </div>
    </Ruled>
  );
}
