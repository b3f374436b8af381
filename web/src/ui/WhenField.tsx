import { readClock, readDay, readMoment } from '@inch/core/calendar';
import { CalendarDays } from 'lucide-react';
import { Popover } from 'radix-ui';
import { Suspense, useId, useRef, useState } from 'react';
import { twMerge } from 'tailwind-merge';
import { clockSaid, dayMonthYear, kitchenDay, wallClock } from './dates.ts';
import { box, type Common, described, Frame } from './Field.tsx';
import { lazyPart } from './lazyPart.ts';

const Calendar = lazyPart(async () => (await import('./Calendar.tsx')).default);

/** What a field of time asks: a day YYYY-MM-DD, a day and time YYYY-MM-DDTHH:MM, or a time HH:MM. */
type Kind = 'day' | 'moment' | 'clock';

const READABLE: Record<Kind, RegExp> = {
  day: /^\d{4}-\d{2}-\d{2}$/,
  moment: /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/,
  clock: /^\d{2}:\d{2}$/,
};

/** A value as it stands on the screen; what cannot be read stands as it was typed. */
function shownAs(kind: Kind, value: string): string {
  if (!READABLE[kind].test(value) || kind === 'clock') return value;
  return kind === 'day'
    ? dayMonthYear(value)
    : `${dayMonthYear(value.slice(0, 10))}, ${clockSaid(value.slice(11))}`;
}

/** Nothing here happened before it. */
const EARLIEST = '2000-01-01';

/** Days between which a field of time takes one: what happened, happened since 2000 and not later than today. */
const boundsOf = ({ kind, min, max }: Pick<Props, 'kind' | 'min' | 'max'>) => ({
  min: min ?? EARLIEST,
  max: max ?? (kind === 'moment' ? kitchenDay(Date.now()) : undefined),
});

function read(asked: Pick<Props, 'kind' | 'min' | 'max'>, text: string) {
  const { kind } = asked;
  if (kind === 'clock') return readClock(text);
  const today = kitchenDay(Date.now());
  const found = kind === 'day' ? readDay(text, today) : readMoment(text, today);
  const day = found.value?.slice(0, 10);
  const { min, max } = boundsOf(asked);
  if (day !== undefined && day < min) return { value: null, problem: `Not before ${dayMonthYear(min)}.` };
  if (day !== undefined && max !== undefined && day > max)
    return { value: null, problem: `Not after ${dayMonthYear(max)}.` };
  return found;
}

interface Props extends Common {
  kind: Kind;
  /** As read, or as typed where it cannot be. */
  value: string;
  onChange: (value: string) => void;
  /** First and last day of the calendar, YYYY-MM-DD. */
  min?: string | undefined;
  max?: string | undefined;
  name?: string;
  'aria-label'?: string;
}

/** The text of a field: what is typed, until it is left; then as it was understood. */
function useTyped(asked: Pick<Props, 'kind' | 'value' | 'onChange' | 'min' | 'max'>) {
  const { kind, value, onChange } = asked;
  const [text, setText] = useState(() => shownAs(kind, value));
  const [left, setLeft] = useState(false);
  const sent = useRef(value);
  // Set from elsewhere: emptied, restored, or chosen in the calendar.
  if (sent.current !== value) {
    sent.current = value;
    setText(shownAs(kind, value));
  }
  const send = (next: string) => {
    sent.current = next;
    onChange(next);
  };
  return {
    text,
    problem: left ? read(asked, text).problem : undefined,
    type: (typed: string) => {
      setText(typed);
      setLeft(false);
      const { value: found, problem } = read(asked, typed);
      send(problem === undefined ? (found ?? '') : typed);
    },
    leave: () => {
      setLeft(true);
      setText(shownAs(kind, sent.current));
    },
    choose: (next: string) => {
      setText(shownAs(kind, next));
      send(next);
    },
  };
}

/** Chooses a day in a calendar that opens beside the field. */
function ChooseDay({
  day,
  choose,
  min,
  max,
}: {
  day: string | undefined;
  choose: (day: string) => void;
} & Pick<Props, 'min' | 'max'>) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        type="button"
        aria-label="Open the calendar"
        className="absolute inset-y-0 right-0 grid w-9 place-items-center rounded-r-lg text-ink-2 hover:text-link"
      >
        <CalendarDays size={17} aria-hidden="true" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          className="z-[60] rounded-xl border-2 border-rim bg-enamel p-3 shadow-lg"
        >
          <Suspense fallback={null}>
            <Calendar
              day={day}
              min={min}
              max={max}
              choose={(chosen) => {
                choose(chosen);
                setOpen(false);
              }}
            />
          </Suspense>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** A day, a time, or both: typed in any usual way, or chosen in a calendar; shown as everywhere in the program, whatever the browser speaks. */
export function WhenField(props: Props) {
  const { kind, value, label, hint, error, className, labelHidden, min: _, max: __, ...rest } = props;
  const { min, max } = boundsOf(props);
  const id = useId();
  const typed = useTyped(props);
  const wrong = error === undefined ? typed.problem : (read(props, typed.text).problem ?? error);
  const day = kind !== 'clock' && READABLE[kind].test(value) ? value.slice(0, 10) : undefined;
  return (
    <Frame {...{ id, label, hint, error: wrong, labelHidden }} {...(className ? { className } : {})}>
      <div className="relative">
        <input
          {...rest}
          id={id}
          type="text"
          autoComplete="off"
          className={twMerge(box, 'figure', kind !== 'clock' && 'pr-9')}
          aria-invalid={wrong ? true : undefined}
          aria-describedby={described(id, wrong, hint)}
          value={typed.text}
          onChange={(event) => typed.type(event.target.value)}
          onBlur={typed.leave}
        />
        {kind !== 'clock' && (
          <ChooseDay
            day={day}
            min={min}
            max={max}
            choose={(chosen) =>
              typed.choose(
                kind === 'day' ? chosen : `${chosen}T${value.slice(11, 16) || wallClock(Date.now())}`,
              )
            }
          />
        )}
      </div>
    </Frame>
  );
}
