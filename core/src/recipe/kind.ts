import {
  BOILS,
  type ExtractionMethod,
  type FormulaStep,
  type StrainMethod,
  withoutBoiled,
} from '../formula/index.ts';
import type { Thickness } from '../sugar/index.ts';
import { brixIn, type Clause, celsiusIn, fractionIn, minutesIn } from './clause.ts';

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
}

/** What a step of a formula is, its id and title aside. */
export type StepRead = Omit<FormulaStep, 'id' | 'title'>;

const COOKS = /\b(?:boil|simmer|cook|heat|warm|bring|poach|stew|soften|scald|melt)(?:s|ed|ing)?\b/;
const STANDS = /\b(?:steep|infus|macerat|soak|stand|leave|rest|sit|set aside|cover|let it|marinat|muddle)\w*/;

/** Whether a clause brings what is in the pan to the boil. */
export const boils = (said: string): boolean => BOILS.test(withoutBoiled(said));

/** Whether a clause keeps the whole at the boil, or at 90 °C and over, for a minute in so many words. */
function kills(said: string, minutes: number | undefined, celsius: number | undefined): boolean {
  if (minutes === undefined || minutes < 1) return false;
  if (celsius !== undefined) return celsius >= 90;
  return BOILS.test(said);
}

function lidIn(said: string): Pick<StepRead, 'lidOff' | 'lidHalf'> {
  if (/\b(?:partly|partially|half|semi)[- ]covered\b|\blid (?:half|ajar|tilted)|\bhalf on\b/.test(said))
    return { lidHalf: true };
  if (/\buncovered|lid off|without a lid\b/.test(said)) return { lidOff: true };
  return /\bcovered\b|\blid on\b|\bwith (?:a|the|its) lid\b/.test(said) ? { lidOff: false } : {};
}

function heated(said: string, clause: Clause): Partial<StepRead> {
  const [minutes, celsius] = [minutesIn(said), celsiusIn(said)];
  const gentle = /\b(?:warm|melt)\b|gently heat|heat gently|low heat/.test(said) && !BOILS.test(said);
  const held = celsius ?? (clause.neverBoil ? 80 : gentle ? 60 : /\bsimmer/.test(said) ? 92 : undefined);
  return {
    ...(minutes === undefined ? {} : { minutes }),
    ...(held === undefined ? {} : { celsius: held }),
    killStep: !clause.neverBoil && kills(said, minutes, celsius),
    ...(clause.neverBoil ? { neverBoil: true } : {}),
    ...lidIn(said),
  };
}

/** A soak that is thrown away, and what was soaked goes on. */
const THROWN =
  /\b(?:discard|throw away|pour away|pour off|tip away)\b.*\b(?:water|liquid|liquor|soak\w*|brine)\b|\bdrain\b(?!.*\b(?:into|through|reserv|keep|sav)\w*)(?=.*\b(?:discard|rinse|water away)\b)/;

function strained(said: string): StepRead {
  const minutes = minutesIn(said);
  const cloth: StrainMethod | null = /coffee filter|filter paper|paper filter/.test(said)
    ? 'filter'
    : /\b(?:squeez|press|push|wring)/.test(said)
      ? 'press'
      : /\b(?:drip|jelly bag)/.test(said)
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
const LOOKS: readonly [RegExp, Thickness][] = [
  [/\bthread/, 'thread'],
  [/\bsheet/, 'sheet'],
  [/\bcoats?\b.*\bspoon|\bspoon\b.*\bcoated|\bsyrupy|\bthick(?:ened)? syrup|\bnappe\b/, 'coats'],
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
    ...(/\bsimmer|\bgentl|low heat/.test(said) && !BOILS.test(said) ? { fire: 'low' as const } : {}),
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

const PROCESS =
  /\bwater[- ]bath|\bcanner\b|\bboiling[- ]water (?:bath|canner)|\bprocess (?:the |for |in |jars|bottles)|pasteurise the (?:bottles|jars)/;
const FILL =
  /\b(?:pour|ladle|funnel|decant|transfer|pack|divide)\b.*\b(?:bottles?|jars?)\b|^bottle\b|\bfill (?:the |your )?(?:\w+ )*(?:bottles?|jars?)|\b(?:seal|cap|cork)\b|^\s*(?:then )?bottle\b/;
const STRAIN =
  /\b(?:discard|throw away|pour away|pour off|tip away) (?:the |this |their |that )?(?:soaking )?(?:water|liquid|liquor|brine)|\b(?:strain|sieve|drip|hang|filter|squeez|press|wring|drain)\w*|\bthrough (?:a |the )?(?:fine )?(?:sieve|muslin|cloth|cheesecloth|jelly bag|colander)/;
const REDUCE =
  /\bcoats? (?:the )?(?:back of )?(?:a |the )?(?:\w+ )?spoon|\b(?:in|to) (?:a |the )?(?:fine |long )?(?:threads?|sheets?)\b|\breduc\w*|\bboil(?:ed)? down\b|\buntil (?:it (?:is|has) )?(?:syrupy|thick(?:ened)?)|\bthicken/;

/** °C from which a temperature is one of a pan on the fire. */
const WARM = 40;

/** The kind of step that a clause says, by its words and by what is in the pan; null where they say none. */
export function stepOf(clause: Clause, pan: Pan): StepRead | null {
  const said = withoutBoiled(clause.said);
  if (PROCESS.test(clause.said)) return withMinutes('process', said);
  const undrawn = pan.pieces && !pan.strained;
  if (FILL.test(clause.said) && !(undrawn && /\bjars?\b/.test(clause.said) && pan.strainToCome))
    return withMinutes('fill', said);
  if (STRAIN.test(said)) return strained(said);
  if (REDUCE.test(said)) return reduced(said, clause);
  if (COOKS.test(said) || (celsiusIn(said) ?? 0) >= WARM)
    return undrawn && pan.strainToCome
      ? drawn('cooked', said, clause)
      : ({ kind: 'heat', ...heated(said, clause) } as StepRead);
  if (/\b(?:blend|blitz|puree|liquidi[sz]e)\w*/.test(said))
    return undrawn ? drawn('blended', said, clause) : withMinutes('add', said);
  if (/\brub\b/.test(said) && undrawn) return drawn('peel', said, clause);
  if (/hotwater/.test(said) && undrawn && pan.strainToCome) return drawn('infused', said, clause);
  return standing(clause, said, pan, undrawn) ?? plain(said);
}

/** Minutes after which what was hot is as warm as its place. */
const COOLED = 180;

/** How warm the place is where something stands, °C: cold only where it says so, else a room. */
function where(said: string, method: ExtractionMethod, minutes: number | undefined): Partial<StepRead> {
  if (celsiusIn(said) !== undefined) return { celsius: celsiusIn(said)! };
  if (/\bfridge|refrigerat|in the cold\b/.test(said)) return { celsius: 5 };
  return method === 'infused' && (minutes ?? 0) < COOLED ? {} : { celsius: 20 };
}

/** What is left to stand: a draw while there is something in the pan to be drawn out, else a rest. */
function standing(clause: Clause, said: string, pan: Pan, undrawn: boolean): StepRead | null {
  if (!STANDS.test(said)) return null;
  const minutes = minutesIn(said);
  const named = /\b(?:steep|infus|macerat|soak|marinat|muddle)/.test(said);
  if (undrawn && (minutes !== undefined || named)) {
    const method = pan.jar && (minutes ?? 0) > 2880 ? 'jar' : pan.hot ? 'infused' : pan.jar ? 'jar' : 'cold';
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
  [/\b(?:measure|taste|test|check|weigh the|read the|ph\b)/, 'measure'],
  [
    /\b(?:wash|rinse|scrub|peel|core|stone|pit|hull|trim|top and tail|strip|pick|chop|slice|dice|cut|quarter|halve|crush|bruise|grate|zest|pare|destem|prick|sort|clean|wipe|juice|tear|weigh)\b/,
    'prepare',
  ],
  [
    /\b(?:add|stir|mix|combine|whisk|dissolve|pour|tip|fold|put|place|return|toss|layer|sprinkle|drop|pop|pack|cover with(?! (?:a|the|its) ))\b/,
    'add',
  ],
];

/** The word a clause begins with, adverbs and what stands before a comma aside. */
const leading = (said: string): string =>
  /(?:^|, )(?:then |gently |carefully |slowly |finally |again )*(\p{L}+)/u.exec(
    said.replace(/^[^,]*, (?=add|stir|mix|pour|put)/, ''),
  )?.[1] ?? '';

function plain(said: string): StepRead | null {
  const first = PLAIN.find(([words]) => words.test(leading(said)));
  if (first) return withMinutes(first[1], said);
  const found = PLAIN.find(([words]) => words.test(said));
  return found ? withMinutes(found[1], said) : null;
}
