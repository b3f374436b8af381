import { BOILS, DENIED, type FormulaStep } from '../formula/index.ts';
import { brixFoundIn, OVERNIGHT, shareLeftIn, temperaturesIn, timesIn, wholeMinutes } from './figures.ts';
import {
  BLENDS,
  COOKS,
  FILL,
  HARD,
  LOOKS,
  LOWERED,
  PROCESS,
  RAISED,
  REDUCE,
  STANDS,
  STRAIN,
  THROWN,
} from './kind.ts';

/** A field of a step that its words may say. */
export type SaidField =
  | 'kind'
  | 'minutes'
  | 'celsius'
  | 'toCelsius'
  | 'toFraction'
  | 'toBrix'
  | 'toThickness'
  | 'cloth'
  | 'lid'
  | 'fire'
  | 'neverBoil'
  | 'killStep'
  | 'liquidAway';

/** Words of a step joined to the field they were read as. */
export interface Joined {
  field: SaidField;
  start: number;
  end: number;
}

const LID =
  /\b(?:partly|partially|half|semi)[- ]covered\b|\blid (?:half|ajar|tilted|cracked|askew|\w+ off|off|on)\b|\buncovered\b|\bwithout (?:a|the|its) lid\b|\bno lid\b|\bopen pan\b|\bcovered\b|\bwith (?:a|the|its) lid(?: half on| on| off)?\b|\bhalf on\b/;
const CLOTH =
  /\bcoffee filter|\bfilter paper|\bpaper filter|\bpaper\b|\b(?:squeez|press|push|wring|rub|forc)\w*|\bdrip\w*|\bjelly bag\b|\bhang\w*|\b(?:cloth|muslin|cheesecloth|linen|nut bag)\b|\bfood mill\b|\bdrain\w*|\bfilter\w*/;
const COLD = /\bfridge\b|\brefrigerat\w*|\bin the cold\b|\bcold (?:place|larder|cellar|room)\b/;
const ROOM = /\broom temperature\b|\bcounter\b/;
const STILL = /\b(?:cool|chill|freez|fridge|refrigerat|keep|store)\w*/;
const PREPARED =
  /\b(?:wash|rins|scrub|peel|cor|ston|pit|hull|trim|strip|pick|chop|slic|dic|cut|quarter|halv|crush|mash|scoop|toast|roast|bruis|grat|zest|par|destem|prick|sort|clean|wip|juic|tear|weigh|warm|heat|bak|set|put|chill|lin|shak)\w*/;
const ADDED =
  /\b(?:add|stir|mix|combin|whisk|dissolv|pour|tip|fold|put|plac|return|toss|layer|sprinkl|drop|pop|pack|throw|dump|cover)\w*|\bgo(?:es)? (?:back )?in(?:to)?\b/;
const MEASURED = /\b(?:measur|tast|test|check|weigh|read|try|see)\w*/;

const KINDS: Record<FormulaStep['kind'], readonly RegExp[]> = {
  prepare: [PREPARED],
  draw: [STANDS, BLENDS, COOKS, /\b(?:rub|massage|muddle|pour)\w*/],
  strain: [STRAIN],
  add: [ADDED],
  reduce: [REDUCE, COOKS],
  heat: [COOKS],
  measure: [MEASURED],
  fill: [FILL],
  process: [PROCESS],
  rest: [STANDS, STILL],
};

const placed = (field: SaidField, match: RegExpMatchArray | RegExpExecArray | null): Joined[] =>
  match ? [{ field, start: match.index!, end: match.index! + match[0].trimEnd().length }] : [];

/** Every place of a pattern, as one field. */
const every = (field: SaidField, said: string, words: RegExp): Joined[] =>
  [...said.matchAll(new RegExp(words.source, 'g'))].flatMap((match) => placed(field, match));

/** Words of its figures: times, temperatures, marks. */
function figuresOf(step: FormulaStep, said: string): Joined[] {
  const joined: Joined[] = [];
  const take = (field: SaidField, found: { start: number; end: number } | undefined) => {
    if (found) joined.push({ field, start: found.start, end: found.end });
  };
  if (step.minutes !== undefined) {
    const time = timesIn(said).findLast(({ minutes }) => wholeMinutes(minutes) === step.minutes);
    if (time) take('minutes', time);
    else if (step.minutes === 720) joined.push(...placed('minutes', OVERNIGHT.exec(said)));
  }
  const heats = temperaturesIn(said);
  take(
    'toCelsius',
    heats.find(({ value }) => value === step.toCelsius),
  );
  take(
    'celsius',
    heats.find(({ value }) => value === step.celsius),
  );
  if (step.celsius === 5) joined.push(...placed('celsius', COLD.exec(said)));
  if (step.celsius === 20) joined.push(...placed('celsius', ROOM.exec(said)));
  if (step.celsius === 92) joined.push(...every('celsius', said, /\bsimmer\w*/));
  if (step.toFraction !== undefined) take('toFraction', shareLeftIn(said));
  if (step.toBrix !== undefined) take('toBrix', brixFoundIn(said));
  return joined;
}

/** Words of how it is done: lid, fire, cloth, what must not be. */
function mannerOf(step: FormulaStep, said: string): Joined[] {
  const look = LOOKS.find(([, thickness]) => thickness === step.toThickness);
  const lid = step.lidOff !== undefined || step.lidHalf !== undefined;
  return [
    ...(look ? every('toThickness', said, look[0]) : []),
    ...(lid ? every('lid', said, LID) : []),
    ...(lid && step.lidOff ? every('lid', said, HARD) : []),
    ...(step.fire === 'low' ? every('fire', said, LOWERED) : step.fire ? every('fire', said, RAISED) : []),
    ...(step.neverBoil
      ? [...said.matchAll(new RegExp(DENIED.source, 'gi'))].flatMap((match) => placed('neverBoil', match))
      : []),
    ...(step.liquidAway ? every('liquidAway', said, THROWN) : []),
    ...(step.cloth ? every('cloth', said, CLOTH) : []),
    ...(step.killStep ? every('killStep', said, BOILS) : []),
  ];
}

const isSame = (one: { start: number; end: number }, other: { start: number; end: number }): boolean =>
  one.start === other.start && one.end === other.end;

/**
 * Joins the words of a step to the fields they were read as; a field that no word is joined to was not said. The same words may say two ("simmer" is a heat and how hot), but never part of others.
 * @param text words of the step as they were pasted
 */
export function joinedIn(step: FormulaStep, text: string): Joined[] {
  const said = text.toLowerCase();
  const all = [
    ...figuresOf(step, said),
    ...mannerOf(step, said),
    ...KINDS[step.kind].flatMap((words) => every('kind', said, words)),
  ];
  const kept: Joined[] = [];
  for (const one of all)
    if (kept.every(({ start, end }) => one.end <= start || one.start >= end || isSame(one, { start, end })))
      kept.push(one);
  return kept.sort((a, b) => a.start - b.start);
}
