import type { Words } from './words.ts';

const PART =
  '(?:skins?|peels?|stalks?|stems?|lea(?:f|ves)|stones?|pits?|pips?|seeds?|cores?|ends?|tops?|husks?|pith|calyx|calyces|hulls?|rinds?|shells?|flowers?|heads?|crowns?)';

/** What is said of how a thing is made ready, in more than one word. */
const PHRASES: RegExp[] = [
  /(?:, )?plus (?:a (?:little|bit|few) )?(?:more|extra)(?: (?:to|for) [^ ]+)?/,
  /(?:, )?at room temperature/,
  /(?:, )?(?:straight )?from the (?:fridge|freezer|garden|tree|market)/,
  /(?:, )?(?:cut|sliced|chopped|broken|torn) (?:in|into)(?: [^ ,;]+){0,2} (?:half|halves|quarters?|pieces?|chunks?|slices?|wedges?|strips?|cubes?|rounds?|coins?|dice|matchsticks?|bits)(?: lengthwise| crosswise)?/,
  new RegExp(
    `(?:, )?(?:and )?(?:the )?${PART}(?: and ${PART})* (?:off|out|removed|discarded|taken out|taken off|cut off|pulled off)`,
  ),
  // Only what may stay on: a stem or a leaf left on a poisonous one is another thing, and is asked about.
  /(?:, )?(?:and )?(?:the )?(?:skins?|peels?|stones?|pits?|pips?|cores?)(?: and (?:skins?|stones?|pips?))? (?:on|left on|left in|kept|intact|and all)/,
  new RegExp(`(?:, )?without (?:the |their |its )?${PART}(?: and ${PART})?`),
  /(?:, )?with (?:the |their |its )?(?:skins?|peels?)(?: on)?/,
  /(?:, )?no need to (?:peel|core|stone|stem|hull|chop)/,
  /(?:, )?(?:washed|rinsed|picked over)(?: well)? and (?:dried|drained|patted dry|picked over)(?: well)?/,
  /(?:, )?(?:patted dry|picked over|picked clean|left whole|cut up|set aside|chilled|well chilled|at a (?:simmer|boil)|just boiled|off the boil|freshly boiled|boiling)(?= |$)/,
  /(?:, )?(?:for|to) (?:the )?(?:garnish|serving|serve|dusting|decoration|decorate|bottling|steeping|syrup|infusion|finish|start|begin with|begin)(?= |$)/,
  /(?:, )?shaken (?:free of|to (?:remove|get rid of)) (?:any )?(?:insects|bugs|dirt)/,
  /(?:, )?tied (?:in|into) [^,;]+/,
  new RegExp(`(?:, )?(?:stripped|picked|pulled|cut) (?:from|off) (?:the |their )?${PART}`),
  /(?:, )?(?:stoned|prepared|peeled|trimmed|net|drained|cleaned) weight/,
  /(?:, )?(?:or more|or less|or so|give or take|more or less|if small|if large)(?= |$)/,
];

/** What says that a thing may be left out, or how much is up to taste. */
const UP_TO_YOU: RegExp[] = [
  /(?:, )?(?:\( )?optional(?:ly)?(?: \))?/,
  /(?:, )?if (?:you )?(?:like|liked|wish|wished|want|wanted|desired|using)(?: it)?(?= |$|\))/,
  /(?:, )?(?:or )?(?:according )?to (?:your )?taste(?= |$|\))/,
];

/** Marks how a thing is made ready, where several words say it. */
export function takePreparation(words: Words): void {
  for (const phrase of PHRASES)
    while (words.take(new RegExp(`(?:^|(?<= ))(?:${phrase.source})(?= |$)`), 'preparation')) {
      // Each phrase as often as it stands there.
    }
}

/** Whether a line says that the thing may be left out, or that its amount is up to taste; the words are marked. */
export function takeOptional(words: Words): { optional: boolean; toTaste: boolean } {
  const [optional, liked, taste] = UP_TO_YOU.map(
    (pattern) => words.take(new RegExp(`(?:^|(?<= ))${pattern.source}`), 'choice') !== null,
  );
  return { optional: optional! || liked!, toTaste: taste! };
}
