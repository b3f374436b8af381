const UNITS =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const TENS = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];
const PARTS: Record<string, number> = {
  half: 2,
  halves: 2,
  third: 3,
  thirds: 3,
  quarter: 4,
  quarters: 4,
  eighth: 8,
  eighths: 8,
  sixteenth: 16,
  sixteenths: 16,
};

const unitOf = (word: string): number => (word === 'oh' ? 0 : UNITS.indexOf(word));
const tenOf = (word: string): number => (word === '' ? -1 : TENS.indexOf(word));
const isNumber = (word: string | undefined): boolean =>
  word !== undefined && (UNITS.includes(word) || tenOf(word) > 1 || word === 'hundred');

interface Run {
  text: string;
  /** Words taken. */
  length: number;
}

/** A whole number said in words from a place on: "two hundred and fifty", "two fifty", "thirty one". */
function wholeRun(words: readonly string[], from: number): { value: number; length: number } | null {
  let [value, i, last] = [0, from, ''];
  for (; i < words.length; i++) {
    const word = words[i]!;
    const [unit, ten] = [unitOf(word), tenOf(word)];
    if (unit >= 0 && word !== 'oh' && (last === '' || last === 'ten' || last === 'hundred')) {
      if (last === 'ten' && unit > 9) break;
      value += unit;
      last = 'unit';
    } else if (ten > 1 && last !== 'ten') {
      // "two fifty" is two hundred and fifty.
      if (last === 'unit') {
        if (value < 1 || value > 9) break;
        value *= 100;
      }
      value += ten * 10;
      last = 'ten';
    } else if (word === 'hundred' && last === 'unit' && value > 0 && value < 10) {
      value *= 100;
      last = 'hundred';
    } else if (word === 'and' && last === 'hundred' && isNumber(words[i + 1])) {
    } else break;
  }
  return last === '' ? null : { value, length: i - from };
}

/** "point four two" after a whole number. */
function decimals(words: readonly string[], from: number): Run | null {
  if (words[from] !== 'point') return null;
  let digits = '';
  let i = from + 1;
  for (; i < words.length; i++) {
    const unit = unitOf(words[i]!);
    if (unit < 0 || unit > 9) break;
    digits += unit;
  }
  return digits === '' ? null : { text: `.${digits}`, length: i - from };
}

/** "a half", "five eighths", "three quarters" from a place on. */
function fraction(words: readonly string[], from: number): Run | null {
  const word = words[from] ?? '';
  const top = word === 'a' || word === 'an' ? 1 : unitOf(word);
  const bottom = PARTS[words[from + 1] ?? ''];
  if (bottom !== undefined && top > 0) return { text: `${top}/${bottom}`, length: 2 };
  return word === 'half' ? { text: '1/2', length: 1 } : null;
}

function runAt(words: readonly string[], i: number): Run | null {
  const part = fraction(words, i);
  if (part) return part;
  const whole = /^\d+$/.test(words[i]!) ? { value: Number(words[i]), length: 1 } : wholeRun(words, i);
  if (!whole) {
    const point = decimals(words, i);
    return point && { text: `0${point.text}`, length: point.length };
  }
  const end = i + whole.length;
  const point = decimals(words, end);
  if (point) return { text: `${whole.value}${point.text}`, length: whole.length + point.length };
  const mixed = words[end] === 'and' ? fraction(words, end + 1) : null;
  if (mixed) return { text: `${whole.value} ${mixed.text}`, length: whole.length + 1 + mixed.length };
  return { text: String(whole.value), length: whole.length };
}

/**
 * A line as it was dictated with its numbers in figures: "thirty one point four at twenty seven" is "31.4 at 27".
 * @param text lower case; @returns the same words but for the numbers; "three and five eighths" is "3 5/8"
 */
export function spokenNumbers(text: string): string {
  const words = text.replace(/([a-z])-(?=[a-z])/g, '$1 ').split(/\s+/);
  const said: string[] = [];
  for (let i = 0; i < words.length; ) {
    const run = runAt(words, i);
    if (run) {
      said.push(run.text);
      i += run.length;
    } else said.push(words[i++]!);
  }
  return said.join(' ');
}
