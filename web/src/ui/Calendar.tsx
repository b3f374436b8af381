import { localeNow } from '@inch/core/quantity';
import { DayPicker } from 'react-day-picker';
import 'react-day-picker/style.css';

/** A calendar day as the calendar takes it: noon, so that no zone moves it. */
const atNoon = (day: string): Date => {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  return new Date(year, month - 1, date, 12);
};
const dayOf = (date: Date): string =>
  [date.getFullYear(), date.getMonth() + 1, date.getDate()].map((n) => String(n).padStart(2, '0')).join('-');

/** Sunday or Monday, as the kitchen's calendar has it; 0 is Sunday. */
function firstDayOfWeek(): 0 | 1 {
  const locale = new Intl.Locale(localeNow()) as Intl.Locale & {
    weekInfo?: { firstDay: number };
    getWeekInfo?: () => { firstDay: number };
  };
  return (locale.getWeekInfo?.() ?? locale.weekInfo)?.firstDay === 7 ? 0 : 1;
}

interface Props {
  day: string | undefined;
  choose: (day: string) => void;
  min: string | undefined;
  max: string | undefined;
}

/** A month's days, to choose one of. */
export default function Calendar({ day, choose, min, max }: Props) {
  const chosen = day === undefined ? undefined : atNoon(day);
  return (
    <DayPicker
      mode="single"
      autoFocus
      weekStartsOn={firstDayOfWeek()}
      selected={chosen}
      defaultMonth={chosen ?? new Date()}
      disabled={[...(min ? [{ before: atNoon(min) }] : []), ...(max ? [{ after: atNoon(max) }] : [])]}
      onSelect={(date) => date && choose(dayOf(date))}
      className="calendar"
    />
  );
}
