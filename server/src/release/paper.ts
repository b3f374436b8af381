import { localeNow } from '@inch/core/quantity';
/** One part of the sheet: its heading and its lines; that of a release check says whether it is passed. */
export interface SheetPart {
  heading: string;
  lines: string[];
}

/** What is printed of a lot on paper. */
export interface Sheet {
  title: string;
  /** Whether it is released, held, or not yet, and by whom. */
  verdict: string;
  released: boolean;
  head: string[];
  parts: SheetPart[];
  foot: string;
  /** When the record stood as the sheet says. */
  at: string;
  /** Whether it has a line to sign by hand. */
  toSign: boolean;
}

/** Day and hour in the kitchen's own time. */
export const momentIn = (instant: string, timeZone: string): string =>
  new Intl.DateTimeFormat(localeNow(), { timeZone, dateStyle: 'long', timeStyle: 'short' }).format(
    new Date(instant),
  );
