/** A run of digits as it was written, and what it may mean. */
export interface ReadDigits {
  value: number;
  /** Set where the sign in it may part thousands as well as decimals: the other value. */
  or?: number;
}

/** Thin and unbroken spaces part thousands, as does an apostrophe; none of them ever is a decimal sign. */
const GROUPED = /(?<=\d)[\u00a0\u2009\u202f'’](?=\d{3}(?!\d))/g;
const GROUPS = /^\d{1,3}(?:([.,])\d{3})(?:\1\d{3})*$/;

/**
 * Digits with a point, a comma or both. The last of two unlike signs is the decimal one; one that comes several times parts thousands;
 * after a single 0 nothing is ever thousands. A comma before exactly three digits parts thousands, a point decimals; where the unit
 * is one of which a thousand and a thousandth are both usual (kg, L), that is asked.
 * @param text digits and signs alone, as in "1,500" or "0.125"; @param open whether both readings are usual with its unit
 * @throws RangeError where the signs make no number, such as "1,50,3"
 * @example readDigits('1.234,5', false) // { value: 1234.5 }
 */
export function readDigits(text: string, open: boolean): ReadDigits {
  const bare = text.replace(GROUPED, '');
  const signs = [...bare.matchAll(/[.,]/g)].map((m) => m[0]);
  const refuse = () => new RangeError(`"${text}" is not a number. Write it as 1234.5`);
  if (signs.length === 0) return { value: Number(bare) };
  const last = signs.at(-1)!;
  if (new Set(signs).size === 2) {
    const [whole, decimals] = [bare.slice(0, bare.lastIndexOf(last)), bare.slice(bare.lastIndexOf(last) + 1)];
    if (!GROUPS.test(whole) || decimals.includes(last) || signs.filter((s) => s === last).length > 1)
      throw refuse();
    return { value: Number(`${whole.replace(/[.,]/g, '')}.${decimals}`) };
  }
  const grouped = Number(bare.replace(/[.,]/g, ''));
  if (signs.length > 1) {
    if (!GROUPS.test(bare)) throw refuse();
    return { value: grouped };
  }
  const decimal = Number(bare.replace(',', '.'));
  if (!GROUPS.test(bare) || /^0+[.,]/.test(bare)) return { value: decimal };
  if (open) return { value: decimal, or: grouped };
  return { value: last === ',' ? grouped : decimal };
}
