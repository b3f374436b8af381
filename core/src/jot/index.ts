import { type ReadingKind, readLotCode } from '../lot/index.ts';
import { type Addition, additionIn, bottlesIn } from './doings.ts';
import { readingIn } from './readings.ts';
import { spokenNumbers } from './spoken.ts';

export { type JotWeighing, weighedAddition } from './doings.ts';

/** What a jotted line was understood as; nothing is dropped, what is not understood is a note. */
export interface Jotting {
  kind: ReadingKind | 'add';
  /** The value as read, in core units (°Bx, pH, g/L as citric, °C, g, mm); null for a note and an addition. */
  raw: number | null;
  celsius: number | null;
  /** Temperature: minutes it stayed so hot. */
  heldMinutes?: number;
  /** Sugar: the specific gravity that a hydrometer showed. */
  gravity?: number;
  /** pH: thinned 1:1 with distilled water. */
  diluted?: true;
  text: string;
  /** Lot code named in the line. */
  lotCode: string | null;
  /** What went in, where the line says that something did. */
  addition?: Addition;
  /** The words of a note as they were written, lot code and "note" aside; absent for anything else. */
  note?: string;
  /** How it was understood, for the cook to see before it is kept. */
  understood: string;
}

/** A lot code among the words, and the line without it. */
function takeLotCode(text: string): [string | null, string] {
  const words = text.split(/\s+/);
  const found = words.findIndex(
    (word) => /^\S{4,6}$/.test(word) && /\d/.test(word) && readLotCode(word) !== null,
  );
  if (found < 0) return [null, text];
  const rest = words
    .filter((_, i) => i !== found)
    .join(' ')
    .replace(/^(?:lot|for lot|on lot)\s+|\s+(?:lot|for lot|on lot)$/i, '');
  return [readLotCode(words[found]!), rest];
}

/** The words of a line as typed, without its full stop. */
const typed = (rest: string): string => rest.replace(/[.!]$/, '').trim();

/** The words of a line with dictated numbers in figures. */
const dictated = (rest: string): string => spokenNumbers(typed(rest).toLowerCase());

/**
 * Reads a jotted line, typed or dictated: `b 31.4 @27`, `ph 3.42`, `ta 12.6/10`, `t 88`, `t 96 held 1 min`, `sg 1.250 @22`, `v 2.4 l @85`, `aw 0.842`, `boil 1 min`, `m 2.41 kg`, `d 3 5/8 in`, `add 12 g citric`,
 * `14 x 250 ml`, `note …`, with a lot code anywhere in it.
 * @param line as it came; @returns what was understood, or a note that keeps every word; never throws
 */
export function parseJot(line: string): Jotting {
  const text = line.trim();
  const [lotCode, rest] = takeLotCode(text);
  const noted = /^note\b[:,\s]*/i.exec(rest);
  if (!noted)
    for (const wordsOf of [typed, dictated]) {
      const words = wordsOf(rest);
      const read = readingIn(words);
      if (read) return { ...read, text, lotCode };
      const addition = additionIn(words);
      if (addition)
        return {
          kind: 'add',
          raw: null,
          celsius: null,
          text,
          lotCode,
          addition,
          understood: `In: ${addition.said ? `${addition.said} of ` : ''}${addition.words}`,
        };
    }
  const note = rest.slice(noted?.[0].length ?? 0);
  const bottles = noted ? null : bottlesIn(dictated(rest));
  const words = note || rest;
  return {
    kind: 'note',
    raw: null,
    celsius: null,
    text,
    lotCode,
    note: words,
    understood: `Note: ${bottles ?? words}`,
  };
}
