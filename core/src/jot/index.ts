import { type ReadingKind, readLotCode } from '../lot/index.ts';
import { commandOf } from '../recipe/index.ts';
import { type Addition, additionIn, bottlesIn } from './doings.ts';
import { readingIn } from './readings.ts';
import { spokenNumbers } from './spoken.ts';
import { type JotWhen, takeWhen, whenSaid } from './when.ts';

export { type JotWeighing, weighedAddition } from './doings.ts';
export { type JotWhen, jottedAt } from './when.ts';

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
  /** When it happened, where the line says so; now where not. */
  when: JotWhen | null;
  /** It nearly reads, as a reading or as something that went in: how it would be written. It is not kept as it stands. */
  asks?: string;
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
const typed = (rest: string): string => rest.replace(/[.!,;]+$/, '').trim();

const dictated = (rest: string): string => spokenNumbers(typed(rest).toLowerCase());

/** What something is said to be: "it's at", "the pan reads". */
const STATES =
  /^(?:(?:it|that|the (?:pan|pot|syrup|juice|liquid|level|ruler|scale|thermometer))(?: is| was)?|is) (?:now |just |about |only )*(?:at |reads? |reading |says? |shows? |stands? at |measures? |down to |up to |still )*(?=\S)/;
const PUTS_IN = /^(?:put|stir|pour|mix|whisk|add) (?:back )?in (?=\S)/;

/** A line as somebody says it: "it's at two and a quarter inches", "I've put in 12 g of citric". */
function spokenly(rest: string): string {
  const { said } = commandOf(typed(rest));
  return spokenNumbers(said.replace(PUTS_IN, 'add ').replace(STATES, ''));
}

/** How each reading is jotted, by the word that such a line begins with: what begins so, has a figure and is not understood, is asked about. */
const NEARLY: readonly [RegExp, string][] = [
  [/^(?:ph)\b/i, 'a pH: ph 3.42'],
  [/^(?:b|bx|brix|sugar)\b/i, 'sugar: b 31.4 @27'],
  [/^(?:ta|acid|acidity)\b/i, 'acid: ta 12.6/10'],
  [/^(?:t|temp|temperature)\b/i, 'a temperature: t 88'],
  [/^(?:sg|gravity)\b/i, 'a gravity: sg 1.250 @22'],
  [/^(?:aw|a_w|water activity)\b/i, 'a water activity: aw 0.842'],
  [/^(?:v|vol|volume|jug)\b/i, 'a volume: v 2.4 l'],
  [/^(?:m|mass|w|weight|weighs?|weighed|scale)\b/i, 'a weight: m 2.41 kg'],
  [/^(?:d|dip|depth|ruler|level)\b/i, 'a dip: d 3 5/8 in'],
  [/^(?:add(?:ed)?|put in|went in|plus)\b/i, 'something that went in: add 12 g citric'],
];

/** What a line that was not understood nearly is, as a question; undefined for words. */
function nearly(words: string): string | undefined {
  if (!/\d/.test(words)) return undefined;
  const found = NEARLY.find(([begins]) => begins.test(words));
  return found && `Is it ${found[1]}? Write it so, or begin with “note” to keep the words.`;
}

/**
 * Reads a jotted line, typed or dictated: `b 31.4 @27`, `ph 3.42`, `ta 12.6/10`, `t 88`, `t 96 held 1 min`, `sg 1.250 @22`, `v 2.4 l @85`, `aw 0.842`, `boil 1 min`, `m 2.41 kg`, `d 3 5/8 in`, `add 12 g citric`,
 * `14 x 250 ml`, `note …`, with a lot code anywhere in it, and a time: `at 9:40`, `10 min ago`.
 * @param line as it came; @returns what was understood, or a note that keeps every word; never throws
 */
export function parseJot(line: string): Jotting {
  const text = line.trim();
  const [lotCode, words] = takeLotCode(text);
  const noted = /^note\b[:,\s]*/i.exec(words);
  // A note keeps every word of it, and happened now.
  const { when, rest } = noted ? { when: null, rest: words } : takeWhen(words);
  if (!noted)
    for (const wordsOf of [typed, dictated, spokenly]) {
      const said = wordsOf(rest);
      const read = readingIn(said);
      if (read) return { ...read, text, lotCode, when };
      const addition = additionIn(said);
      if (addition)
        return {
          kind: 'add',
          raw: null,
          celsius: null,
          text,
          lotCode,
          when,
          addition,
          understood: `In: ${addition.said ? `${addition.said} of ` : ''}${addition.words}`,
        };
    }
  const note = words.slice(noted?.[0].length ?? 0);
  const bottles = noted ? null : bottlesIn(dictated(rest));
  const kept = note || words;
  const asks = noted || bottles ? undefined : nearly(typed(rest));
  return {
    kind: 'note',
    raw: null,
    celsius: null,
    text,
    lotCode,
    when,
    note: kept,
    ...(asks ? { asks } : {}),
    understood: `Note: ${bottles ?? kept}`,
  };
}

/** Where one thing that was said ends and the next begins. */
const NEXT =
  /\s*(?:;|\.(?=\s)|,(?=\s)(?:\s*and\b)?|\band(?: then)?\b(?! (?:an? |\w+ )?(?:half|halves|thirds?|quarters?|eighths?|sixteenths?)\b)|\bthen\b)\s*/i;

/**
 * Reads everything that one line says, each to be kept by itself: "put in another half cup of sugar and it's at two and a quarter inches" is an addition and a dip.
 * @param line as it came; @returns several where each part of the line is understood, else the one jotting of the whole; never throws
 * @example jotsIn('add 12 g citric and it is at 31 brix').map(({ kind }) => kind) // ['add', 'brix']
 */
export function jotsIn(line: string): Jotting[] {
  const whole = parseJot(line);
  // What went in takes all words behind it: those of the next reading as well.
  if ((whole.kind !== 'note' && whole.kind !== 'add') || /^note\b/i.test(line.trim())) return [whole];
  const [lotCode, words] = takeLotCode(line.trim());
  const { when, rest } = takeWhen(words);
  const parts = rest.split(NEXT).filter((part) => part.trim() !== '');
  // What is kept later still says when it happened.
  const told = when ? ` ${whenSaid(when)}` : '';
  const read = parts.map((part) => ({ ...parseJot(part), text: `${part.trim()}${told}`, lotCode, when }));
  return parts.length > 1 && read.every(({ kind }) => kind !== 'note') ? read : [whole];
}
