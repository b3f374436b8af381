/** Verbs of the kitchen, as they stand in a command. */
const VERBS =
  'add put pour stir grate chop peel wash rinse take cut slice mash crush toss whisk dissolve lay throw tip dump drop stick pop place turn bring let leave cover steep strain squeeze press push run pass hang drain drip boil simmer cook heat warm reduce cool chill freeze refrigerate fill bottle ladle funnel cap seal process store taste test check measure weigh skim remove scoop fish blend blitz puree juice zest core pit stone hull trim tear bruise pound toast soak macerate infuse muddle rub massage layer sprinkle combine mix return set transfer decant shake discard wait rest fold sieve filter quarter halve dice pick strip destem wipe dry stew poach soften melt scald gather bash crack snip tie lift wring label keep hold sweeten steam pasteurise'.split(
    ' ',
  );

/** Verbs whose word is a thing as well: they are verbs only where something done with follows. */
const THINGS = new Set(
  'juice peel press cover heat zest stone core pit rest set cut check test taste bottle process store seal measure drop strip turn boil cap run cool return quarter dice cook label dry mash stir tie lift hold keep fish take pick'.split(
    ' ',
  ),
);
const DONE_WITH =
  '(?=\\s+(?:the|them|it|that|this|those|these|everything|all|up|my|our|your|a|an|in|into|out|off|down|for|at|to|through|on|over|some|half|another|until|till|hard|gently|slowly|\\d)\\b)';

const IRREGULAR: Record<string, string> = {
  left: 'leave',
  brought: 'bring',
  took: 'take',
  taken: 'take',
  threw: 'throw',
  thrown: 'throw',
  froze: 'freeze',
  frozen: 'freeze',
  ran: 'run',
  hung: 'hang',
  laid: 'lay',
  stuck: 'stick',
  kept: 'keep',
  held: 'hold',
  shook: 'shake',
  tore: 'tear',
  wrung: 'wring',
  lit: 'heat',
  canned: 'process',
  canning: 'process',
};

/** How a verb ends in its other forms: "simmering", "simmered", "simmers". */
function formsOf(verb: string): string[] {
  const e = verb.endsWith('e');
  const stem = e ? verb.slice(0, -1) : verb;
  const doubled = /[^aeiou][aeiou][bdgmnprt]$/.test(verb) && !/(?:er|en|ter)$/.test(verb);
  const base = doubled ? `${verb}${verb.at(-1)}` : stem;
  const y = /[^aeiou]y$/.test(verb) ? `${verb.slice(0, -1)}i` : null;
  const third = y ? `${y}es` : /(?:s|sh|ch|x|z)$/.test(verb) ? `${verb}es` : `${verb}s`;
  return [`${y ? verb : base}ing`, `${y ?? base}ed`, third];
}

/** The command of every form of a verb. */
const COMMANDS = new Map<string, string>([
  ...VERBS.flatMap((verb) => [verb, ...formsOf(verb)].map((form): [string, string] => [form, verb])),
  ...Object.entries(IRREGULAR),
  ['putting', 'put'],
]);

/** What puts one thing into another, whatever it is called. */
const PUTS = new Set('dump throw lay stick pop place drop tip chuck'.split(' '));

const CONTRACTED: readonly [RegExp, string][] = [
  [/\bcan['’]t\b/g, 'can not'],
  [/\bwon['’]t\b/g, 'will not'],
  [/n['’]t\b/g, ' not'],
  [/\bdont\b/g, 'do not'],
  [/\b(i)['’]?m\b/g, '$1 am'],
  [/['’]re\b/g, ' are'],
  [/['’]ve\b/g, ' have'],
  [/['’]ll\b/g, ' will'],
  [/['’]d\b/g, ' would'],
  [/\blet['’]?s\b/g, 'let us'],
  [/\b(it|that|this|here|there|he|she|what|everything|who)['’]s\b/g, '$1 is'],
  [/\bgonna\b/g, 'going to'],
  [/\bwanna\b/g, 'want to'],
  [/\bgotta\b/g, 'got to'],
  [/\bcause\b/g, 'because'],
];

/** Words said for the breath they give. */
const FILLERS =
  /(?:\b(?:um+|uh+|erm*|hmm+|mm+|ah+|you know|you see|let us say|let us see|i think|i guess|i suppose|sort of|kind of|basically|literally|honestly|obviously|okay|ok|alright|all right|anyway|please|(?:no|oh|but)?,? ?wait(?=,)|no,? wait|oh,? wait|wait a (?:minute|second|moment)|hold on|scratch that|let me see)\b,?|,? like,)/g;

const LEADING =
  /^(?:(?:so|right|well|now|and|but|then|oh|yeah|yes|yep|first(?: of all| off)?|second(?:ly)?|next|finally|today|tomorrow|lastly|after that|after which|(?:to|with|into|in) (?:that|this|there|here)|no(?= *,)|sorry|oh wait|wait(?= *,)|hold on|scratch that|of course|again|meanwhile|here|at last|at this point|at the end|in the end|because|once again|from here|what)\b[\s,.:!]*)+/;

/** A text in lower case, its contractions written out, its fillers gone. */
export const writtenOut = (text: string): string =>
  CONTRACTED.reduce((said, [short, long]) => said.replace(short, long), text.toLowerCase())
    .replace(FILLERS, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const SUBJECT = '(?:i|we|you|one|let us|let me|go ahead and)';
const ITSELF =
  '(?:it|that|this|these|those|they|everything|all (?:of )?(?:it|that|this)|the whole (?:thing|lot)|the \\w+(?: \\w+)?)';
const HELPERS =
  '(?:am|is|are|was|were|have|has|had|will|would|shall|should|can|could|must|might|may|do|did|just|then|also|now|only|always|usually|normally|all|really|actually|simply|first|here|be|been|being|about to|ready to|going to|want to|wanted to|need to|needed to|like to|love to|have to|had to|got to|try to|go to|start to|started to|start by|started|start|keep on|go ahead and|went ahead and|finish|finished|get to|let us|let me|gently|slowly|carefully|quickly|again|got|ended up)';
const SAID_OF_ONE = new RegExp(`^(?:${SUBJECT} )(?:${HELPERS} )*`);
const SAID_OF_IT = new RegExp(`^${ITSELF} ((?:${HELPERS} )*)(?=(\\w+))`);

const NOT_TO =
  /\b(?:(?:i|we|you) )?(?:really )?(?:do|does|did|will|would|can|should|must) not (?:want|need|have|like)(?: it| them| this| that)?(?: to)?\b/g;

/** "goes in" is put in; into bottles it is poured. */
const goesIn = (said: string): string =>
  said
    .replace(/^in(?:to)? (?:(?:the|a|my|our|this|that) (?:\w+ ){0,2}?)?(?:go|goes|went)\b/, 'add in')
    .replace(
      /^(?:straight |back )?(?=(?:in|into) (?:the|my|our|some|clean|small|hot|sterili[sz]ed) (?:\w+ )?(?:bottles?|jars?)\b)/,
      'pour ',
    )
    .replace(
      /^(?:straight |back )?(?=(?:in|into) (?:the|a|my|our) (?:fridge|refrigerator|freezer|cellar|larder)\b)/,
      'put it ',
    )
    .replace(
      /^(?:straight |back )?(?=(?:in|into) (?:the|a|my|our) (?:\w+ )?(?:pan|pot|kettle|saucepan|bowl|crock|jug)\b)/,
      'put ',
    )
    .replace(
      /\b(?:go|goes|went|going|comes?)(?= (?:back |right |all |straight |on |now )*(?:in|into|over)\b)/g,
      /\b(?:in|into) (?:the |my |our |some |its |clean |small |hot |sterilised )*(?:\w+ )?(?:bottles?|jars?)\b/.test(
        said,
      )
        ? 'pour'
        : 'add',
    );

/**
 * Words of a part of speech as a command would have them: "I'm going to add" is "add", "we strained it" is "strain it", "it goes in" is "add it in".
 * @param text one thing said; @returns the words in lower case, and the verb they begin with; null where nobody does anything
 * @example commandOf("I'm going to put in two cups of sugar").said // 'put in two cups of sugar'
 */
export function commandOf(text: string): { said: string; verb: string | null } {
  let said = writtenOut(text)
    .replace(/[\s.,;:!?…]+$/, '')
    .replace(NOT_TO, 'do not')
    .replace(LEADING, '');
  const mine = SAID_OF_ONE.exec(said) ?? MIDWAY.exec(said);
  if (SAID_OF_ONE.test(said)) said = said.replace(SAID_OF_ONE, '');
  else if (MIDWAY.test(said)) {
    // "Off the heat I stir in the lemon juice": where it is said stands behind what is done.
    const midway = MIDWAY.exec(said)!;
    said = `${said.slice(midway.index + midway[0].length)} ${midway[1]!.trim()}`;
  } else {
    const itself = SAID_OF_IT.exec(said);
    // "It drips", "that is simmered": what is told of it is done to it.
    if (itself && isForm(itself[1]!, itself[2]!)) said = `${said.slice(itself[0].length)} it`;
  }
  said = goesIn(said.replace(LEADING, '')).replace(
    /^(.+?) (add|pour) ((?:\w+ )*?(?:in|into|over)\b.*)$/,
    (whole, what: string, does: string, where: string) =>
      COMMANDS.has(what.split(' ')[0]!) ? whole : `${does} ${what} ${where}`,
  );
  const [word = ''] = /^[a-z]+/.exec(said) ?? [];
  const verb = COMMANDS.get(word);
  // A word that is a thing as well does something only where a command has it in its own form, or somebody does it.
  const does = verb !== undefined && (mine !== null || word !== verb || !THINGS.has(verb) || BARE.test(said));
  if (!does) return { said, verb: /\b(?:add|pour)\b/.test(said) ? 'add' : null };
  const command = PUTS.has(verb) ? 'put' : verb;
  return { said: `${command}${said.slice(word.length)}`, verb: command };
}

/** Somebody does something behind words that say when or where. */
const MIDWAY = new RegExp(`^((?:[^,.;]+?,? )?)(?:i|we|you) (?:${HELPERS} )*(?=(?:${VERBS.join('|')})\\b)`);

/** Whether a word behind its subject is a verb: any form where another verb helps it, else one that is no command. */
const isForm = (helpers: string, word: string): boolean =>
  COMMANDS.has(word) && (helpers !== '' || COMMANDS.get(word) !== word);

const BARE = new RegExp(`^[a-z]+(?:${DONE_WITH}|$)`);

const FORMS = [...COMMANDS.keys()].sort((a, b) => b.length - a.length);
const firm = FORMS.filter((form) => !THINGS.has(form) && COMMANDS.get(form) === form);
const loose = FORMS.filter((form) => THINGS.has(form));
const others = FORMS.filter((form) => COMMANDS.get(form) !== form);
const LEADS =
  '(?:(?:then|now|so|tomorrow|next|after that|here|also|first|finally|just|gently|slowly|carefully|again|the next day)[\\s,]+)*';
const SOMEBODY = `(?:i|we|you|she|he|they|it|that|this|everything|some people|let['’]?s)(?:['’](?:m|re|ve|ll|d|s))?`;
const AUXILIARY = `(?:\\s+(?:am|is|are|was|were|have|has|had|will|would|can|could|should|must|do|did|don['’]t|just|then|also|now|only|always|usually|all|really|actually|never|ever|going to|gonna|want to|need to|like to|have to|got to|go ahead and|start to|gently|slowly))*`;
const ANY = FORMS.join('|');
/** Where a sentence goes on to another thing done: a connective or a comma, and then who does it, or the command itself. */
const GOES_ON = new RegExp(
  `(?:\\s*[,;:–—]+\\s*(?:and|but|so|then|or|because)?\\s*|\\s+(?:and then|and so|and now|and|but|so|then)\\s+)(?=${LEADS}(?:${SOMEBODY}${AUXILIARY}\\s+(?:${ANY}|have|got|get|go|goes|went|use|used|using|want|need|keeps?|lasts?|says?)\\b|${SOMEBODY}['’]?(?:\\w+)?\\s+(?:only |just )?(?:using|going)\\b|(?:straight |back )?into (?:the|a|my|some|clean)\\b|for (?:every|each) |(?:${firm.join('|')})\\b(?!\\s+of\\b)|(?:${loose.join('|')})\\b${DONE_WITH}))|\\s+(?:and|then|and then)\\s+(?=(?:${others.join('|')})\\s+(?:it|them|that|this|the|those|these|everything|my|in|up|out|off)\\b)`,
  'gi',
);

/** Where the next thing begins though no stop and no connective says so: a command with what it is done to. */
const UNSTOPPED_ON = new RegExp(
  `${GOES_ON.source}|\\s+(?:and )?(?=for (?:every|each) )|(?<!\\b(?:i|we|you|to|not|then|and|let|just|can|will|must|should|don['’]t|now|i['’]m|gently|slowly|the|a|my|of|it|them))\\s+(?=(?:${VERBS.join('|')})\\s+(?:it|that|this|them|the|everything)\\b)`,
  'gi',
);

/** A run of words so long had its stops left out when it was dictated. */
const UNSTOPPED = 45;
const isUnstopped = (text: string): boolean =>
  text.split(/\s+/).length > UNSTOPPED / 2 && !/[,;.]\s/.test(text);
const BREATH =
  /\s+(?=(?:and then|and now|and so|okay so|okay|ok so|so now|now|and tomorrow|tomorrow|the next day|after that)\s+)/gi;

const STOPS =
  /(?<=[!?…]|(?<!\b(?:approx|min|mins|hr|hrs|tbsp|tsp|oz|lb|lbs|no|deg|ca|vol|gal|pt|qt|mr|mrs|dr|st))\.)\s+|\n+/giu;

/** A piece of a text with the place it stands at. */
export interface Piece {
  text: string;
  start: number;
}

function cut(piece: Piece, at: RegExp): Piece[] {
  const pieces: Piece[] = [];
  let from = 0;
  const take = (to: number) => {
    const raw = piece.text.slice(from, to);
    const lead = raw.length - raw.trimStart().length;
    if (raw.trim() !== '') pieces.push({ text: raw.trim(), start: piece.start + from + lead });
  };
  for (const match of piece.text.matchAll(at)) {
    take(match.index);
    from = match.index + match[0].length;
  }
  take(piece.text.length);
  return pieces;
}

/** Sentences of an account; where stops were left out, where a breath is drawn. */
export const sentencesOf = (text: string): Piece[] =>
  cut({ text, start: 0 }, STOPS).flatMap((sentence) =>
    sentence.text.split(/\s+/).length > UNSTOPPED ? cut(sentence, BREATH) : [sentence],
  );

/** The things that a sentence tells, one after another. */
export const partsOf = (sentence: Piece): Piece[] => {
  const pieces = cut(sentence, isUnstopped(sentence.text) ? UNSTOPPED_ON : GOES_ON);
  // A connective alone belongs to what it leads to.
  return pieces.flatMap((piece, i): Piece[] => {
    const next = pieces[i + 1];
    if (next && LEADS_ON.test(piece.text)) return [];
    const before = pieces[i - 1];
    if (!before || !LEADS_ON.test(before.text)) return [piece];
    const end = piece.start + piece.text.length - sentence.start;
    return [{ text: sentence.text.slice(before.start - sentence.start, end), start: before.start }];
  });
};
/** A connective alone, or words that only say when. */
const LEADS_ON =
  /^(?:and|so|then|but|or|okay|ok|now|and then|and now|and so|right|well)[,.]?$|^(?:and |so |then |but )*(?:when|once|after|as soon as|before|now that|off the heat|at the end)\b/i;

/** What others do, or was done at other times, or might be: nothing is done here. */
const OTHERS =
  /^(?:some (?:people|folks|recipes)|other people|others|people|folks|everybody|everyone|my (?:grand\w+|mother|mum|mom|father|dad|aunt|uncle|neighbou?r|friend|sister|brother|husband|wife|nan|gran)|your \w+|he|she|they (?:say|used|always|do|will|told)|the (?:old|original) \w+|(?:you|we|i) (?:can|could|might|may)(?: also| even| always)? (?:see|tell|smell|hear|use|do|get|buy|find|also)|you (?:will|would) (?:see|know|notice)|traditionally|last (?:time|year|week)|next (?:time|year)|i (?:have )?never|(?:i|we) used to|it used to|i remember|i love|i like (?!to (?:put|add))|i hate|i do not (?:care|like|know|think|use)|i was told|as you can see)\b/;

/** What somebody else's words ask for, or what was only meant to be used. */
const PLANNED =
  /\b(?:recipe|book|card|label|packet|instructions?|directions?|it) (?:says?|said|calls? for|called for|asks? for|asked for|wants?|tells you)\b|\b(?:supposed|meant) to\b|\b(?:i|we) (?:was|were) going to\b|\b(?:usually|normally|ordinarily) (?:use|put|add|take)\b|\binstead of\b/;

/** What is done only if something is so, or may be done: nobody did it. */
const MAYBE =
  /^(?:if|unless|in case)\b|\bif (?:you|it|they|that|there|i|we)\b|^(?:you|we|i|one) (?:could|might|may)\b|^(?:i|we|you) would\b(?! (?:like|love|want) to\b)|\boptional(?:ly)?\b/;
/** "You can add honey" is a choice; "now you can add the honey" is what is done. */
const CHOICE =
  /^(?:(?:and|but|or|so|also)[\s,]+)*(?:you|one) can (?:also |even |always )?(?:add|put|use|throw|swap|substitute|leave|skip)\b/;
/** What was not done. */
const UNDONE =
  /^(?:i |we |you )?(?:(?:did|do|does|have|has|had|will|would) not|never|almost|nearly|forgot|skip(?:ped)?|left out|leave out)\b/;

/** Whether a sentence tells only what is done if something is so. */
export const isOnlyIf = (text: string): boolean =>
  /^(?:if|unless|in case)\b/.test(writtenOut(text).replace(LEADING, ''));

/** Whether nothing is done by some words: they tell what others do, what may be done, or what was not. */
export function isTalk(text: string): boolean {
  const said = writtenOut(text);
  const plain = said.replace(LEADING, '');
  return OTHERS.test(plain) || MAYBE.test(plain) || CHOICE.test(said) || UNDONE.test(plain);
}
/** Whether words tell what was asked for, not what was used. */
export const isPlanned = (text: string): boolean => PLANNED.test(writtenOut(text));

/** Words that put right what was said before. */
export const CORRECTS =
  /(?:^|[\s,.;–—(-])(?:no|nope|sorry|wait|scratch that|correction|i mean|i meant|make (?:that|it)|made (?:that|it)|actually|in fact|(?:i|we) only had|only had|had only|or rather|hold on|i said|it was|that was|not)(?=$|[\s,.;–—:])/i;
