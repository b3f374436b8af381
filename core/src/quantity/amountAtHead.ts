import { numberAtHead } from './numberWords.ts';
import { singular } from './singular.ts';
import { unitNamed } from './units.ts';

const COUNTED = new Set(
  'pinch handful sprig bunch stick strip slice piece clove pod head knob glug dash splash capful drop leaf spoon mug jar bottle twist curl bag packet'.split(
    ' ',
  ),
);

/** Words before an amount that say it is no measured one. */
const ABOUT = /^(?:about|approx(?:imately)?\.?|around|some|roughly)\s+/i;

const BEHIND = /\band (?:an? |one )(?:half|third|quarter)$/i;

/**
 * Whether a word, one of several, is what small things are counted by.
 * @example isCounted('sprig') // true
 */
export const isCounted = (word: string): boolean => COUNTED.has(word);

/** An amount with its unit as it was said, and the words behind it. */
export interface AmountAtHead {
  said: string;
  rest: string;
}

/** The unit at the head of some words, and what is left: up to three words for a unit, one for a count. */
function unitAtHead(words: string, measures: ReadonlySet<string>): { unit: string; rest: string } {
  const list = words.split(/\s+/).filter(Boolean);
  for (let n = Math.min(3, list.length); n > 0; n--) {
    const unit = list.slice(0, n).join(' ').replace(/[,;]$/, '');
    if (unitNamed(unit)) return { unit, rest: list.slice(n).join(' ') };
  }
  const first = singular(list[0] ?? '');
  if (COUNTED.has(first) || measures.has(first)) return { unit: list[0]!, rest: list.slice(1).join(' ') };
  return { unit: '', rest: words };
}

/**
 * The amount at the head of a text: a number in figures or words with its unit, attached or not, compound weights included.
 * @param text what a cook wrote; @param measures names of the kitchen's own measures
 * @returns null where no number stands in front; what is counted is the thing itself where no more is said ("10 cloves")
 * @example amountAtHead('two thirds of a cup of sugar', new Set()) // { said: 'two thirds of a cup', rest: 'sugar' }
 */
export function amountAtHead(text: string, measures: ReadonlySet<string>): AmountAtHead | null {
  // "500g": the unit may stand at the figure.
  const head = numberAtHead(text.replace(ABOUT, '').replace(/^(\d[\d.,/⁄¼½¾⅓⅔⅛⅜⅝⅞]*)(?=[a-z])/i, '$1 '));
  if (!head) return null;
  const { unit, rest } = unitAtHead(head.rest, measures);
  // "a cup and a half": in figures, since the unit stood between.
  const number = BEHIND.test(head.said) ? head.plain : head.said;
  let said = `${number} ${unit}`.trim();
  let left = rest.replace(/^of\s+/i, '');
  const more = /^(\d+(?:[.,]\d+)?)\s*(oz|ounces?|g|grams?)\b\s*(.*)$/i.exec(left);
  if (/^(lbs?|pounds?|kgs?|kilos?)$/i.test(unit) && more) {
    said = `${said} ${more[1]} ${more[2]}`;
    left = more[3]!.replace(/^of\s+/i, '');
  }
  // "10 cloves": what is counted is the ingredient itself.
  return left === '' ? { said: number, rest: unit } : { said, rest: left };
}
