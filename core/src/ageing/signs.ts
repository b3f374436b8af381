/** Words by which people tell of spoilage, and of what it did: as they are said, not as they are chosen from a list. */
const SPOILED =
  /\b(?:gass?(?:y|ed|ing)?|gas bubbles?|(?<!air )bubbl(?:e|es|ed|ing|y)|fizz(?:e[ds]|ing|y|les?)?|hiss(?:e[ds]|ing)?|frothed|frothing|foam(?:ed|ing)|ferment(?:s|ed|ing|ation)?|explo(?:de[ds]?|ding|sions?)|burst(?:s|ing)?|blew (?:up|out|open|its?|the|off)|blown (?:up|out|open|lid|cap|seal)?|popped|shattered|bulg(?:e[ds]?|ing)|swell(?:s|ed|ing)?|swollen|(?:lift(?:ed|ing|s)|raised|domed|loose|popped) (?:lids?|caps?|corks?|tops?|stoppers?|seals?|closures?|crowns?|clips?)|(?:lids?|caps?|corks?|tops?|stoppers?|seals?|closures?|crowns?|clips?) (?:(?:that|is|are|was|were|has|have|had|been|it|all|both|slightly|just) ){0,4}(?:lift(?:ed|ing|s)?|up|raised|loose|came off|flew|flown|pop\w*|bulg\w*|blew|blown|domed|gave way)|unseal(?:ed|ing)|leak(?:s|ed|ing|y)?|weep(?:s|ing)|mou?ld(?:s|y|ed)?|mildew\w*|fung(?:us|al)|slim(?:e|y)|ropy|scum|film(?:s|ed|y)?|pellicle|furry|off[ -](?:smell|odou?r|taste|flavou?r)(?:s|ed|ing)?|(?:smell|smelt|smelled|smells|stinks?|stank|reeks?|taste[ds]?|tasting) (?:very |a bit |a little |slightly )?(?:off|bad|foul|rotten|sour milk|yeasty|cheesy|putrid|musty|strange|odd|wrong)|rotten|putrid|foul|rancid|spoil(?:s|ed|t|ing|age)|gone off|went off|turned (?:sour|bad)|(?:gone|went|turned|unexpectedly) cloudy|unexpected cloud\w*)\b/i;
const ILL =
  /\b(?:ill(?:ness)?|sick(?:ness|ened)?|vomit\w*|threw up|throwing up|diarrh\w*|poison(?:ed|ing)?|hospital\w*|stomach (?:ache|cramps?|upset|bug)|nausea\w*|botulism|allergic reaction|anaphyla\w*)\b/i;
/** What is told of bottles that left, beside a name: a buyer may be called after gas or mould. */
const HAPPENED =
  /\b(?:explo(?:ded|ding|sions?)|burst|vomit\w*|diarrh\w*|poison(?:ed|ing)|(?:fell|got|was|were|became|felt|feels?|made \w+) (?:very |badly )?(?:ill|sick)|gone off|went off|mou?ldy|fizz(?:ed|ing)|bulging|leak(?:ed|ing)|hospital)\b/i;
const DANGER =
  /\b(?:listeri\w*|salmonell\w*|e ?coli|stec|botul\w*|clostrid\w*|cronobacter|campylobacter|norovirus|hepatitis|staphyloc\w*|bacillus|patulin|aflatoxin\w*|mycotoxin\w*|contaminat\w*|adulterat\w*|recall(?:ed|s|ing)?|call(?:s|ed|ing)? (?:\w+ ){0,3}back|withdrawn (?:by|from)|(?:glass|metal|plastic|wire|stone) (?:shards?|splinters?|bits?|pieces?|fragments?|found|in it)|(?:shards?|splinters?|fragments?|pieces?|bits?) of (?:glass|metal|plastic)|rodents?|mouse|mice|rats?|droppings|cockroach\w*|pesticides?|herbicides?|arsenic|bleach|lye|antifreeze|undeclared|lead (?:paint|glass|solder)|not declared|food ?safety alert|health department|authority says)\b/i;

/** Words that say that something was looked for and not there; they reach to the end of their part of the sentence. */
const NOT =
  /\b(?:no|not|without|never|none|free (?:of|from)|nothing|neither|nor|isn t|wasn t|didn t|doesn t|hasn t|isn’t|wasn’t|didn’t|isn't|wasn't|didn't|doesn't|hasn't)\b/i;

/** Parts of a text that say one thing each: a "no" does not reach past a "but", a full stop or a semicolon. */
const parts = (text: string): string[] =>
  text
    .replace(/\be\. ?(?=coli)/gi, 'e ')
    .split(/[.;!?\n]|\bbut\b|\bhowever\b|\balthough\b|\bexcept\b|\byet\b|\bthen\b|\buntil\b/i);

function foundIn(text: string, words: RegExp): string[] {
  return parts(text).flatMap((part) => {
    const found: string[] = [];
    for (const match of part.matchAll(new RegExp(words.source, 'gi')))
      if (!NOT.test(part.slice(0, match.index))) found.push(match[0].trim().toLowerCase());
    return found;
  });
}

/**
 * Signs of spoilage, and of somebody who fell ill, that a text tells of in whichever words; what was looked for and not there is none.
 * @example signsIn('one jar exploded in the night; no mould on the others') // ['exploded']
 */
export const signsIn = (text: string): string[] => [
  ...new Set([...foundIn(text, SPOILED), ...foundIn(text, ILL)]),
];

/**
 * What a text tells of that makes a whole batch dangerous, whoever has it: germs, glass, poison, a recall.
 * @example dangersIn('supplier rang: listeria in that bag') // ['listeria']
 */
export const dangersIn = (text: string): string[] => [
  ...new Set([...foundIn(text, DANGER), ...foundIn(text, ILL)]),
];

/**
 * Signs that a text beside a buyer's name tells of: only what happened, since a name may be any word.
 * @example signsBesideName('Mrs Gascoigne, the Fizz Bar') // []
 */
export const signsBesideName = (text: string): string[] => [...new Set(foundIn(text, HAPPENED))];
