import {
  BOILS,
  type ExtractionMethod,
  type FormulaStep,
  type StrainMethod,
  withoutBoiled,
} from '../formula/index.ts';
import type { Thickness } from '../sugar/index.ts';
import type { Clause } from './clause.ts';
import { brixIn, celsiusIn, fractionIn, minutesIn } from './figures.ts';

/** What is in the pan when a clause is read. */
export interface Pan {
  /** Fruit, leaves or peel are in it that nothing has been drawn out of. */
  pieces: boolean;
  /** They were strained out. */
  strained: boolean;
  /** There is a straining still to come. */
  strainToCome: boolean;
  /** Hot water was poured on what is in it. */
  hot: boolean;
  /** It stands in a jar. */
  jar: boolean;
  /** It was filled into its bottles: what waits now draws nothing. */
  filled: boolean;
  /** Peel was rubbed with sugar, and stands for its oil. */
  peel: boolean;
  /** It is on the fire. */
  heated: boolean;
}

/** What a step of a formula is, its id and title aside. */
export type StepRead = Omit<FormulaStep, 'id' | 'title'>;

export const COOKS = /\b(?:boil|simmer|cook|heat|warm|bring|poach|stew|soften|scald|melt)(?:s|ed|ing)?\b/;
export const STANDS =
  /\b(?:steep|infus|macerat|soak|thaw|stand|leave|rest|sit|set aside|forget|cover|let it|marinat|muddle|wait|undisturbed)\w*|\b(?:put|place|return|store|set) (?:it|them|that|this|these|mine|everything|all|the (?:jars?|bottles?|jug|tub|bowl|lot)) (?:straight |back |right |away |down )*in(?:to)? (?:the|a|your|my) (?:fridge|refrigerator|freezer|cellar|larder|cold)/;
/** What is left as it is, and does not stand. */
const LEFT_ON =
  /\bleav(?:e|ing) (?:the |their |its |on the )?(?:\w+ )?(?:on|in|whole|intact|attached|skins?)\b(?! (?:the|a|an|for|until|till|over)\b)/;
export const BLENDS = /\b(?:blend|blitz|puree|purée|liquidi[sz]e)\w*/;

/** The fire turned down or off: nothing of the pan is reduced by it. */
export const LOWERED =
  /\b(?:reduce|lower|turn(?:ed)? down|drop|cut|bring down) (?:the |your )?(?:heat|fire|flame|gas|temperature|burner|hob)\b(?: (?:down )?to (?:very )?(?:low|a (?:bare |gentle )?simmer))?|\bturn (?:it|(?:the )?(?:heat|fire|flame|gas|burner)) (?:right |way )?(?:down|low)\b(?: to low)?|\b(?:over|on|at) (?:a )?(?:very )?(?:low|gentle) (?:heat|flame|fire)\b|\blow (?:heat|flame|fire)\b/g;
const FIRE_OFF =
  /\bturn(?:ed)? off (?:the )?(?:heat|fire|flame|gas|burner|hob|stove)\b|\bturn (?:the )?(?:heat|fire|flame|gas|burner) off\b/g;
export const RAISED =
  /\b(?:over|on|at) (?:a )?(?:very )?(?:high|full|fierce) (?:heat|flame|fire)\b|\b(?:turn|crank) (?:it |the (?:heat|fire|gas) )?(?:right )?up\b/;

const fireIn = (said: string): Pick<StepRead, 'fire'> =>
  said.match(LOWERED) ? { fire: 'low' } : RAISED.test(said) ? { fire: 'full' } : {};

/** Something stands over a fire, however high that is. */
export const OVER_FIRE =
  /\b(?:over|on) (?:a |the )?(?:very )?(?:low|gentle|medium|moderate|high|full|fierce|slow)(?:[- ](?:low|high))? (?:heat|flame|fire)\b/;
/** What is on the fire is held there. */
const HELD =
  /\b(?:keep|hold) (?:it |them |this |that )?(?:there|so|at that|just there|going|bubbling)\b|\blet (?:it|them|that|this) (?:go|bubble|run|tick over|do its thing)\b/;

/** A boil that goes on hard, in an open pan: it loses water. */
export const HARD =
  /\b(?:full|rolling|hard|vigorous|galloping|fast|strong)\b(?: \w+)? boil|\b(?:boil|cook)(?:ing)? (?:it |them |this )?(?:hard|fast|rapidly|vigorously|briskly)\b|\brolling\b/;

/** Whether a clause brings what is in the pan to the boil. */
export const boils = (said: string): boolean => BOILS.test(withoutBoiled(said));

/** Whether a clause keeps the whole at the boil, or at 90 °C and over, for a minute in so many words. */
function kills(said: string, minutes: number | undefined, celsius: number | undefined): boolean {
  if (minutes === undefined || minutes < 1) return false;
  if (celsius !== undefined) return celsius >= 90;
  return BOILS.test(said);
}

function lidIn(said: string): Pick<StepRead, 'lidOff' | 'lidHalf'> {
  if (
    /\b(?:partly|partially|half|semi)[- ]covered\b|\blid (?:half|ajar|tilted|cracked|askew)|\bhalf on\b/.test(
      said,
    )
  )
    return { lidHalf: true };
  if (/\buncovered|lid (?:\w+ )?off|without (?:a|the|its) lid\b|\bno lid\b|\bopen pan\b/.test(said))
    return { lidOff: true };
  if (/\bcovered\b|\blid on\b|\bwith (?:a|the|its) lid\b/.test(said)) return { lidOff: false };
  return HARD.test(said) ? { lidOff: true } : {};
}

function heated(said: string, clause: Clause): Partial<StepRead> {
  const [minutes, celsius] = [minutesIn(said), celsiusIn(said)];
  const gentle = /\b(?:warm|melt)\b|gently heat|heat gently/.test(said) && !BOILS.test(said);
  const held = celsius ?? (clause.neverBoil ? 80 : gentle ? 60 : /\bsimmer/.test(said) ? 92 : undefined);
  return {
    ...(minutes === undefined ? {} : { minutes }),
    ...(held === undefined ? {} : { celsius: held }),
    killStep: (!clause.neverBoil || celsius !== undefined) && kills(said, minutes, celsius),
    ...(clause.neverBoil ? { neverBoil: true } : {}),
    ...lidIn(said),
    ...fireIn(clause.said),
  };
}

/** A soak that is thrown away, and what was soaked goes on. */
export const THROWN =
  /\b(?:discard|throw away|pour away|pour off|tip away)\b.*\b(?:water|liquid|liquor|soak\w*|brine)\b|\bdrain\b(?!.*\b(?:into|through|reserv|keep|sav)\w*)(?=.*\b(?:discard|rinse|water away)\b)/;

/** Whether what was soaked in is thrown away. */
export const isThrown = (said: string): boolean =>
  THROWN.test(said) || /^(?:discard|throw away|pour away|tip away)\b/.test(said);

function strained(said: string): StepRead {
  const minutes = minutesIn(said);
  const cloth: StrainMethod | null =
    /coffee filter|filter paper|paper filter|\bthrough (?:a |some )?paper\b|^(?:then )?filter\b/.test(said)
      ? 'filter'
      : /\b(?:squeez|press|push|wring|rub|force)|\bfood mill\b/.test(said)
        ? 'press'
        : /\b(?:drip|jelly bag|hang)/.test(said) || (/\bdrain/.test(said) && minutes !== undefined)
          ? 'drip'
          : null;
  return {
    kind: 'strain',
    ...(minutes === undefined ? {} : { minutes }),
    ...(THROWN.test(said) ? { liquidAway: true } : {}),
    ...(cloth ? { cloth } : /\b(?:cloth|muslin|cheesecloth|linen)\b/.test(said) ? { cloth: 'drip' } : {}),
  };
}

/** Looks that end a boil, as recipes say them. */
export const LOOKS: readonly [RegExp, Thickness][] = [
  [/\bthread/, 'thread'],
  [/\bsheet/, 'sheet'],
  [
    /\bcoats?\b.*\bspoon|\bspoon\b.*\bcoated|\bsyrupy|\bthick(?:ened)? syrup|\bnappe\b|\bto a syrup\b|\blike a syrup\b/,
    'coats',
  ],
  [/\bfilm\b/, 'film'],
];

/** How thick it is to look, where a clause says so: minutes said beside it are a guess at the same thing. */
function looksIn(said: string): Partial<StepRead> {
  const look = LOOKS.find(([words]) => words.test(said));
  return look ? { toThickness: look[1] } : {};
}

function reduced(said: string, clause: Clause): StepRead {
  const [toFraction, toBrix, celsius, minutes] = [
    fractionIn(said),
    brixIn(said),
    celsiusIn(said),
    minutesIn(said),
  ];
  return {
    kind: 'reduce',
    ...(clause.neverBoil ? { neverBoil: true } : {}),
    ...(/\b(?:simmer|gentl)/.test(said) && !BOILS.test(said)
      ? { fire: 'low' as const }
      : fireIn(clause.said)),
    ...(lidIn(said).lidHalf ? { lidHalf: true } : { lidOff: true }),
    ...(minutes === undefined ? {} : { minutes }),
    ...(toFraction === undefined ? {} : { toFraction }),
    ...(toBrix === undefined ? {} : { toBrix }),
    ...((toFraction ?? toBrix ?? celsius) === undefined ? looksIn(said) : {}),
    ...(celsius !== undefined && celsius > 100 && celsius <= 125 ? { toCelsius: celsius } : {}),
    ...(!clause.neverBoil && BOILS.test(said) && (minutes ?? 0) >= 1 ? { killStep: true } : {}),
  };
}

function drawn(method: ExtractionMethod, said: string, clause: Clause): StepRead {
  const own = method === 'cooked' ? heated(said, clause) : {};
  const minutes = minutesIn(said);
  return { kind: 'draw', method, ...(minutes === undefined ? {} : { minutes }), ...own };
}

export const PROCESS =
  /\bwater[- ]bath(?!.* (?:lid|ring)s? )|\bcanner\b|\bboiling[- ]water (?:bath|canner)|\bprocess(?:ed)? (?:the |for |in |them |at |jars|bottles|\d)|pasteurise the (?:bottles|jars)|\bsteam (?:them |the (?:jars|bottles) |canner )?(?:for |\d)/;
export const FILL =
  /\b(?:pour|ladle|funnel|decant|transfer|pack|divide|fill)\b.*\b(?:bottles?|jars?|tubs?|containers?|ice cube trays?)\b|^bottle\b|\bfill (?:the |your )?(?:\w+ )*(?:bottles?|jars?)|\b(?:seal|cap|cork)\b(?![^.;]*\bbag)|^(?:then )?fill$|^\s*(?:then )?bottle\b/;
export const STRAIN =
  /\binto (?:a |the )?(?:\w+ ){0,2}(?:jelly bag|muslin|cheesecloth|cloth|sieve|colander|nut bag)\b|\b(?:discard|throw away|pour away|pour off|tip away) (?:the |this |their |that )?(?:soaking )?(?:water|liquid|liquor|brine)|\b(?:strain|drip|hang|filter|squeez|press|wring|drain)\w*|\bsieve\b(?! over)|\b(?:pour|pass|push|put|run|tip|rub|ladle|force)\b[^.]*\bthrough\b(?! (?:a |the )?funnel)|\b(?:fish|scoop|lift|pick)\b(?![^.]*\b(?:jars?|bottles?)\b)[^.]*\bout\b|\bthrough (?:a |the )?(?:fine )?(?:sieve|muslin|cloth|cheesecloth|jelly bag|colander)/;
export const REDUCE =
  /\b(?:like|as thick as) (?:\w+ )?(?:honey|syrup|oil|cream|molasses)\b|\b(?:cook|simmer|boil)(?:ed|ing)? (?:it |this |them )?(?:on )?(?:down|away)\b|\bto (?:a )?(?:thick |thin |light |heavy )?syrup\b|\bcoats? (?:the )?(?:back of )?(?:a |the )?(?:\w+ )?spoon|\b(?:in|to) (?:a |the )?(?:fine |long )?(?:threads?|sheets?)\b|\breduc\w*|\bhalve (?:it|in volume)\b|\buntil (?:it (?:is|has) )?(?:syrupy|thick(?:ened)?)|\bthicken/;

/** Whether words say that something is strained. */
export const strains = (said: string): boolean => STRAIN.test(said);

/** °C from which a temperature is one of a pan on the fire. */
const WARM = 40;

/** A strainer, a cloth or a plate made ready for what comes later. */
export const MADE_READY =
  /^(?:then |next )?(?:set|place|put|line|rest|have|lay|chill|get) (?:out )?(?:a|an|the|your|another|some|two|several) (?:\w+ ){0,2}?(?:sieve|colander|muslin|cheesecloth|jelly bag|funnel|plates?|saucers?|spoons?)\b(?: (?:over|with|in|on|under|ready|into|inside|to)\b|$)/;
const NO_GOODS = /\b(?:fruit|juice|syrup|sugar|mixture|liquid|it|them|everything|all|pulp)\b/;

/** Whether something is only made ready: nothing is done with what is in the pan. */
const madeReady = (text: string): boolean => {
  const words = text.toLowerCase();
  if (
    /\bstrainer\b/.test(words) &&
    /^(?:then |next )?(?:set|place|put|rest|hold|hang|line)\b/.test(words) &&
    !NO_GOODS.test(words)
  )
    return true;
  return MADE_READY.test(words) && !NO_GOODS.test(words);
};

/** Jars and bottles made hot and clean before they are filled. */
export const GLASS =
  /^(?:then )?(?:warm|heat|sterili[sz]e|scald|boil|bake|wash|dry|rinse) (?:the |your |some |clean |\w+ )?(?:jars?|bottles?|glass(?:es)?|lids?)\b/;
/** Glass is heated in an oven. */
export const inOven = (said: string): boolean => GLASS.test(said) && /\boven\b/.test(said);
/** Heat that is of the one thing it names: "heat the vinegar". */
const heatsOnly = (said: string, heads: readonly string[]): boolean =>
  heads.some((head) =>
    new RegExp(
      `^(?:then )?(?:heat|warm|boil|simmer|bring|scald) (?:up )?(?:the |a |some )?(?:\\w+ )?${head}\\b(?! and)`,
    ).test(said),
  );

/** Looks at what the pan does, not part of what is done with it: "a drop on a cold plate". */
const TESTS = /^(?:then )?(?:test|check|try|taste|see)\b/;

/** Tells what kind of step a clause says, by its words and by what is in the pan; null where they say none. @param liquids words for what goes in with it that nothing is drawn out of */
export function stepOf(clause: Clause, pan: Pan, liquids: readonly string[] = []): StepRead | null {
  if (madeReady(clause.plain)) return { kind: 'prepare' };
  if (GLASS.test(clause.said)) return withMinutes('prepare', clause.said);
  const said = withoutBoiled(clause.said.replace(LOWERED, ' ').replace(FIRE_OFF, ' '));
  if (TESTS.test(said)) return withMinutes('measure', said);
  if (
    PROCESS.test(clause.said) &&
    !heldCool(said, pan) &&
    !/\b(?:lift|remov|tak)\w*\b[^.]*\b(?:jars?|bottles?)\b/.test(said)
  )
    return withMinutes('process', said);
  const undrawn = pan.pieces && !pan.strained;
  if (FILL.test(clause.said) && !(undrawn && /\bjars?\b/.test(clause.said) && pan.strainToCome))
    return withMinutes('fill', said);
  if (pan.filled && STANDS.test(said)) return withMinutes('rest', said);
  if (BLENDS.test(said)) return pan.strained ? withMinutes('add', said) : drawn('blended', said, clause);
  if (STRAIN.test(said) && !pan.filled) return strained(said);
  if (REDUCE.test(said) || isDriven(said)) return reduced(said, clause);
  if (isCooked(clause.said, said, pan))
    return undrawn && pan.strainToCome && !heatsOnly(clause.said, liquids)
      ? drawn('cooked', said, clause)
      : ({ kind: 'heat', ...heated(said, clause) } as StepRead);
  if (/\b(?:rub|massage|muddle)\b/.test(said) && undrawn) return drawn('peel', said, clause);
  if (/hotwater/.test(said) && !/^dissolve\b/.test(said) && undrawn && pan.strainToCome)
    return drawn('infused', said, clause);
  return standing(clause, said, pan, undrawn) ?? plain(said) ?? turned(clause, undrawn && pan.strainToCome);
}

/** A water bath that is held under the heat of one for jars, with fruit in it that is still to be drawn. */
const heldCool = (said: string, pan: Pan): boolean =>
  pan.pieces && !pan.strained && (celsiusIn(said) ?? 100) < 85;

/** Whether something is heated: it says so, or over which fire, or only that it is held there. */
const isCooked = (whole: string, said: string, pan: Pan): boolean =>
  COOKS.test(said) ||
  (celsiusIn(said) ?? 0) >= WARM ||
  OVER_FIRE.test(whole) ||
  (pan.heated && HELD.test(said));

/** A boil told by the part of it that is left, or by a temperature above water's: water is driven off until then. */
const isDriven = (said: string): boolean =>
  COOKS.test(said) && (fractionIn(said) !== undefined || (celsiusIn(said) ?? 0) > 101);

/** What is only turned down is the same fire, lower. */
function turned(clause: Clause, draws: boolean): StepRead | null {
  const fire = fireIn(clause.said);
  if (fire.fire === undefined) return null;
  return draws ? { kind: 'draw', method: 'cooked', ...fire } : { kind: 'heat', ...fire };
}

/** Minutes after which what was hot is as warm as its place. */
const COOLED = 180;

/** How warm the place is where something stands, °C: cold only where it says so, else a room. */
function where(said: string, method: ExtractionMethod, minutes: number | undefined): Partial<StepRead> {
  if (celsiusIn(said) !== undefined) return { celsius: celsiusIn(said)! };
  if (/\bfridge|refrigerat|in the cold\b|\bcold (?:place|larder|cellar|room)\b/.test(said))
    return { celsius: 5 };
  return method === 'infused' && (minutes ?? 0) < COOLED ? {} : { celsius: 20 };
}

/** What is left to stand: a draw while there is something in the pan to be drawn out, else a rest. */
function standing(clause: Clause, said: string, pan: Pan, undrawn: boolean): StepRead | null {
  if (!STANDS.test(said) || (LEFT_ON.test(said) && minutesIn(said) === undefined)) return null;
  const minutes = minutesIn(said);
  const named = /\b(?:steep|infus|macerat|soak|thaw|marinat|muddle)/.test(said);
  if (undrawn && (minutes !== undefined || named)) {
    const cold =
      /\b(?:fridge|refrigerat\w*|room temperature|in the cold)\b/.test(said) && (minutes ?? 0) > COOLED;
    const jar = pan.jar && (minutes ?? 0) > 2880;
    const method = jar ? 'jar' : pan.peel ? 'peel' : pan.hot && !cold ? 'infused' : pan.jar ? 'jar' : 'cold';
    return { ...drawn(method, said, clause), ...where(said, method, minutes) };
  }
  return minutes === undefined && /\bcover\b/.test(said) ? null : withMinutes('rest', said);
}

const withMinutes = (kind: FormulaStep['kind'], said: string): StepRead => {
  const minutes = minutesIn(said);
  return { kind, ...(minutes === undefined ? {} : { minutes }) };
};

const PLAIN: [RegExp, FormulaStep['kind']][] = [
  [/\b(?:cool|chill|refrigerat|store|keep|matur|freez|fridge|age)\w*/, 'rest'],
  [/\bshake\b.*\boff\b/, 'prepare'],
  [/\b(?:measure|taste|test|check|weigh the|read the|ph\b)/, 'measure'],
  [
    /\b(?:wash|rinse|scrub|peel|core|stone|pit|hull|trim|top and tail|strip|pick|chop|slice|dice|cut|quarter|halve|crush|mash|scoop|toast|roast|bruise|grate|zest|pare|destem|prick|sort|clean|wipe|juice|tear|weigh)\b/,
    'prepare',
  ],
  [
    /\b(?:add|stir|mix|combine|whisk|dissolve|pour|tip|fold|put|place|return|toss|layer|sprinkle|drop|pop|pack|seal|cover (?:(?:the|it|them)\s)?(?:\w+ ){0,2}with(?! (?:a|the|its) (?:lid|cloth|plate|towel)))\b/,
    'add',
  ],
];

/** The word a clause begins with, adverbs and what stands before a comma aside. */
const leading = (said: string): string =>
  /(?:^|, )(?:then |gently |carefully |slowly |finally |again )*(\p{L}+)/u.exec(
    said.replace(/^[^,]*, (?=add|stir|mix|pour|put)/, ''),
  )?.[1] ?? '';

/** Stirring that puts nothing in: it belongs to what is done already. */
const STIRS =
  /^(?:and |then )?stir(?! in\b)\b(?!.*\b(?:in|into|through|together|with|until (?:it|the \w+) (?:has |is )?(?:dissolv|melt|gone))\b)/;

function plain(said: string): StepRead | null {
  if (STIRS.test(said)) return null;
  const first = PLAIN.find(([words]) => words.test(leading(said)));
  if (first) return withMinutes(first[1], said);
  const found = PLAIN.find(([words]) => words.test(said));
  return found ? withMinutes(found[1], said) : null;
}
