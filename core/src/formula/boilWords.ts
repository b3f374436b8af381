/** What is said not to happen. */
export const DENIED =
  /\b(?:do not|don[’']?t|never|must not|should not|shouldn[’']?t|without|avoid|not|no need to|rather than|instead of|before it(?: \w+)? (?:to )?)\b(?: (?:let(?:ting)?|allow(?:ing)?|bring(?:ing)?|it|them|to|the|mixture|syrup|liquid|ever|even|come|coming|start|starting|quite|a|be|being))*\s*(?:boil(?:ing|ed)?|simmer(?:ing|ed)?|cook(?:ing|ed)?|squeez(?:e|ing)|press(?:ing)?|stir(?:ring)?|heat(?:ing)?|strain(?:ing)?)\b(?! (?:dry|over|away)\b)/gi;

/** What was boiled before, or boils elsewhere, boils nothing here. */
const BOILED_THINGS =
  /\b(?:just[- ])?(?:boiling|boiled|simmering|hot|scalding|cooled boiled|freshly boiled)(?:,? (?:hot|cooled|fresh|filtered))* (?:water|jars?|bottles?|syrup|milk|kettle)\b|\b(?:steriliz|sterilis)ed (?:hot )?(?:jars?|bottles?)\b/gi;

/** What stays short of it: "just under the boil". */
const SHORT_OF_IT =
  /\b(?:under|below|short of|nearly|almost|near|close to|off|from)(?: (?:a|the|its|at|to))* boil\w*/gi;

export const BOILS = /\bboil(?:s|ing)?\b(?! dry| over| away)/i;

/**
 * Words without what was boiled elsewhere, and without the heat that a pan is taken off.
 * @example withoutBoiled('off the heat').trim() // ''
 */
export const withoutBoiled = (said: string): string =>
  said.replace(BOILED_THINGS, ' hotwater ').replace(/\b(?:off|from)(?: the)? (?:heat|boil)\b/g, ' ');

/**
 * Whether words say that what is in the pan boils: not that it must not, nor that something boiled elsewhere.
 * @example saysBoil('Boil hard, lid off') // true
 */
export const saysBoil = (said: string): boolean =>
  BOILS.test(withoutBoiled(said.replace(DENIED, ' ').replace(SHORT_OF_IT, ' ')));
