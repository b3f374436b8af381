import type { FormulaStep } from '../formula/index.ts';
import { toCelsius } from '../quantity/index.ts';
import { timesIn } from './figures.ts';

const UNIT = '(?:minutes?|mins?|hours?|hrs?|days?|weeks?)';
const NUMBER =
  '(?:\\d+(?:[.,/]\\d+)?|an?|one|two|three|four|five|six|seven|eight|ten|twelve|fifteen|twenty|thirty)';

/** A time that may be one or another: "20 or 30 minutes", "an hour or two". */
const EITHER_TIME = new RegExp(
  `\\b${NUMBER}(?: ${UNIT})? or (?:(?:maybe|even|perhaps) )?${NUMBER}(?: ${UNIT}|$|[ ,.;])`,
  'i',
);
const SHORT_OF = new RegExp(
  `\\b(?:less than|under|no more than|not more than|no longer than|at (?:the )?most|up to|below)(?: about)? ${NUMBER}[^.;,]{0,12}?\\b${UNIT}\\b`,
  'i',
);
const UNCOUNTED = new RegExp(
  `\\b(?:a few|several|some|a couple or so|many)(?: more)? ${UNIT}\\b|\\ba while\\b`,
  'i',
);

const PLACES =
  /\b(?:fridge|refrigerator|cold|cellar)\b[^.;]*\bor\b[^.;]*\b(?:counter|room temperature|table|warm|freezer|shelf)\b|\b(?:counter|room temperature|table|warm)\b[^.;]*\bor\b[^.;]*\b(?:fridge|refrigerator|cold)\b/i;
const CLOTHS =
  /\b(?:press|squeeze|push)\w*\b[^.;]*\bor\b[^.;]*\b(?:drip|drain|hang|filter)|\b(?:drip|hang|filter|drain)\w*\b[^.;]*\bor\b[^.;]*\b(?:press|squeeze)/i;
const MARKS =
  /\b(?:by|to) (?:an? )?(?:half|third|quarter|two[- ]thirds)\b[^.;]*\bor\b[^.;]*\b(?:half|third|quarter|two[- ]thirds)\b/i;
const BY_WEIGHT = /\b(?:by|its|the|of) weight\b/i;

/** What is still open in a step: a question to whoever pasted it. */
export interface Open {
  /** What its answer says: a time, a heat, a cloth, the mark of a reduction, or what is done at all. */
  of: 'minutes' | 'celsius' | 'cloth' | 'mark' | 'kind';
  ask: string;
  /** The figure that stands there is none of the step. */
  unknown?: true;
  /** What its words may say, each with what it makes of the step. */
  answers?: Answer[];
}

/** An answer to what words leave open. */
export interface Answer {
  says: string;
  part: Partial<FormulaStep>;
}

/** Degrees without a letter. */
const DEGREES =
  /\b(\d{2,3}(?:[.,]\d+)?)\s*(?:°|º|degrees?(?![a-z])|deg(?![a-z])\.?)(?!\s*(?:c\b|f\b|celsius|centigrade|fahrenheit|bx\b|brix|plato))/i;
/** The hottest that a pan of syrup is taken, °C. */
const HOTTEST = 130;

function degreesAsked(text: string): Open | null {
  const match = DEGREES.exec(text);
  if (!match) return null;
  const amount = Number(match[1]!.replace(',', '.'));
  const answers = (['C', 'F'] as const)
    .map((unit): Answer => {
      const celsius = Number(toCelsius({ amount, unit, said: match[0] }).toFixed(1));
      return { says: `${amount} °${unit}`, part: { celsius } };
    })
    .filter(({ part }) => part.celsius! <= HOTTEST);
  return { of: 'celsius', ask: `It says ${quoted(match[0])}: in which degrees?`, unknown: true, answers };
}

const quoted = (words: string): string => `“${words.trim().replace(/[,.;]$/, '')}”`;

/** A time that is short of one, one of two, or not counted. */
function timeAsked(text: string): Open | null {
  const short = SHORT_OF.exec(text);
  if (short) return { of: 'minutes', ask: `It says ${quoted(short[0])}: how long is it?`, unknown: true };
  const either = EITHER_TIME.exec(text);
  if (either) return { of: 'minutes', ask: `It says ${quoted(either[0])}: which?` };
  const uncounted = UNCOUNTED.exec(text);
  if (!uncounted || timesIn(text.toLowerCase()).length > 0) return null;
  return { of: 'minutes', ask: `It says ${quoted(uncounted[0])}: how long is it?` };
}

const WHERE: Open = {
  of: 'celsius',
  ask: 'It names two places, one or the other: where does it stand?',
  answers: [
    { says: 'in the fridge', part: { celsius: 5 } },
    { says: 'in the room', part: { celsius: 20 } },
  ],
};
const WHICH_CLOTH: Open = {
  of: 'cloth',
  ask: 'It names two ways of straining, one or the other: which?',
  answers: [
    { says: 'pressed', part: { cloth: 'press' } },
    { says: 'left to drip', part: { cloth: 'drip' } },
  ],
};
const WHICH_MARK: Open = {
  of: 'mark',
  ask: 'It names two marks, one or the other: to which is it reduced?',
};

/** Finds all that words leave open and that changes the product: one of two, less than so much, an amount that nobody counted, degrees without a letter. */
export const openIn = (text: string): Open[] =>
  [
    timeAsked(text),
    degreesAsked(text),
    PLACES.test(text) ? WHERE : null,
    CLOTHS.test(text) ? WHICH_CLOTH : null,
    MARKS.test(text) ? WHICH_MARK : null,
  ].filter((open) => open !== null);

/** Asks by what a reduction is measured where its words say by weight: a mark is of the volume. */
export const weightAsked = (text: string): Open | null =>
  BY_WEIGHT.test(text)
    ? { of: 'mark', ask: 'It is reduced by weight: what part of the volume is left?' }
    : null;
