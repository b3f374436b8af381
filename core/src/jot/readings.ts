import { titratableAcidity } from '../acid/index.ts';
import type { ReadingKind } from '../lot/index.ts';
import {
  brixSaid,
  celsiusOf,
  depthSaid,
  parseQuantity,
  readFigure,
  temperature,
  toCelsius,
  toMillimetres,
  type UnitId,
  units,
  volume,
} from '../quantity/index.ts';
import { correctHydrometer, correctRefractometer } from '../sugar/index.ts';

/** What a line was understood to read, in core units: °Bx, pH, g/L as citric, °C, g, mm. */
export interface Read {
  kind: Exclude<ReadingKind, 'note'>;
  raw: number;
  celsius: number | null;
  /** Temperature: minutes it stayed so hot. */
  heldMinutes?: number;
  /** Sugar: the specific gravity that a hydrometer showed. */
  gravity?: number;
  /** pH: thinned 1:1 with distilled water. */
  diluted?: true;
  understood: string;
}

const NUMBER = String.raw`(\d+(?:[.,]\d+)?|[.,]\d+)`;
const DEGREES = String.raw`(?:°|deg(?:rees?)?\.?)?\s*(c|f|celsius|centigrade|fahrenheit)?`;
const AT = String.raw`(?:\s*(?:@|at)\s*${NUMBER}\s*${DEGREES})?`;
const IS = String.raw`\s*(?:is|reads?|of|was|=|:)?\s*`;
const line = (pattern: string) => new RegExp(`^${pattern}$`, 'i');
const number = (text: string) => Number(text.replace(',', '.'));

/** °C of a temperature as it was said; without its degrees it is in the kitchen's. */
function celsiusIn(text: string | undefined, unit: string | undefined): number | null {
  if (text === undefined) return null;
  if (unit === undefined || unit === '') return celsiusOf(number(text));
  return toCelsius({ amount: number(text), unit: /^f/i.test(unit) ? 'F' : 'C', said: text });
}

const BRIX = [
  line(`(?:b|bx|brix|sugar|refractometer)${IS}${NUMBER}\\s*(?:°?\\s*(?:bx|brix)|%|percent)?${AT}`),
  line(`${NUMBER}\\s*°?\\s*(?:bx|brix)${AT}`),
];

function brix(rest: string): Read | null {
  const match = BRIX.map((pattern) => pattern.exec(rest)).find(Boolean);
  if (!match) return null;
  const raw = number(match[1]!);
  const celsius = celsiusIn(match[2], match[3]);
  if (celsius === null) return { kind: 'brix', raw, celsius, understood: `Sugar ${raw} °Bx, taken at 20 °C` };
  try {
    const corrected = correctRefractometer({ reading: raw, celsius });
    return {
      kind: 'brix',
      raw,
      celsius,
      understood: `Sugar ${brixSaid(corrected.brix)} at 20 °C (read ${raw} at ${temperature(celsius, 0)})`,
    };
  } catch (error) {
    return { kind: 'brix', raw, celsius, understood: (error as Error).message };
  }
}

const GRAVITY = line(`(?:sg|s\\.g\\.|gravity|specific gravity|hydrometer)${IS}(0\\.9\\d+|1[.,]\\d+|1)${AT}`);

/** `sg 1.250 @22`: a hydrometer's specific gravity as °Bx, for one made for 20 °C until another is named. */
function gravity(rest: string): Read | null {
  const match = GRAVITY.exec(rest);
  if (!match) return null;
  const raw = number(match[1]!);
  const celsius = celsiusIn(match[2], match[3]);
  const read = { kind: 'brix' as const, raw, celsius, gravity: raw };
  try {
    const { brix } = correctHydrometer({ gravity: raw, celsius: celsius ?? 20 });
    return {
      ...read,
      understood: `Sugar ${brixSaid(brix)} at 20 °C (gravity ${raw.toFixed(3)}${celsius === null ? ', taken at 20 °C' : ` at ${temperature(celsius, 0)}`})`,
    };
  } catch (error) {
    return { ...read, understood: (error as Error).message };
  }
}

const ACTIVITY = line(`(?:aw|a_w|water activity)${IS}(0[.,]\\d+|[.,]\\d+|1(?:[.,]0+)?)${AT}`);

function activity(rest: string): Read | null {
  const match = ACTIVITY.exec(rest);
  if (!match) return null;
  const raw = number(match[1]!);
  return {
    kind: 'water-activity',
    raw,
    celsius: celsiusIn(match[2], match[3]),
    understood: `Water activity ${raw.toFixed(3)}`,
  };
}

/** `v 2.4 l @85`, `jug 3 pints`: a volume as it stands, hot or cold. */
function volumeIn(rest: string): Read | null {
  const match =
    /^(?:v|vol|volume|jug|measures?)\s*(?:is|reads?|of|=|:)?\s+(.+?)(?:\s*(?:@|at)\s*([\d.,]+)\s*(?:°|deg(?:rees?)?)?\s*(c|f)?)?$/i.exec(
      rest,
    );
  const quantity = match && quantityOf(match[1]!, 'volume');
  if (!quantity) return null;
  const { value } = readFigure(match[1]!, { unit: 'ml' });
  if (!value) return null;
  const celsius = celsiusIn(match[2], match[3]);
  return {
    kind: 'volume',
    raw: value,
    celsius,
    understood: `Volume ${volume(value, 0)}${celsius === null ? '' : ` at ${temperature(celsius, 0)}`}`,
  };
}

const PH = line(`(?:ph|p\\.?\\s?h\\.?)${IS}${NUMBER}${AT}(\\s*,?\\s*(?:diluted|1\\s*:\\s*1).*)?`);

function ph(rest: string): Read | null {
  const match = PH.exec(rest);
  if (!match) return null;
  const raw = number(match[1]!);
  const celsius = celsiusIn(match[2], match[3]);
  const at = celsius === null ? '' : ` at ${temperature(celsius, 0)}`;
  const diluted = match[4] !== undefined;
  return {
    kind: 'ph',
    raw,
    celsius,
    ...(diluted ? { diluted } : {}),
    understood: `pH ${raw.toFixed(2)}${at}${diluted ? ', diluted 1:1' : ''}`,
  };
}

const TA = line(
  `(?:ta|t\\.a\\.|titration|titratable acidity|titrated)${IS}${NUMBER}\\s*(?:ml)?\\s*(?:/|on|in|over|for)\\s*${NUMBER}\\s*(?:ml)?(?:\\s*(?:@|at|with|of)?\\s*${NUMBER}\\s*(?:n|normal))?`,
);
const TA_DIRECT = line(
  `(?:ta|titratable acidity)${IS}${NUMBER}\\s*(?:g\\s*/\\s*l|grams? (?:per|a) lit(?:re|er))`,
);

/** Strength of the base a kitchen titrates with where it is not said, eq/L. */
const USUAL_NORMALITY = 0.1;

/** `ta 12.6/10`: 12.6 mL of 0.1 N base on 10 mL of sample, as citric. */
function acidity(rest: string): Read | null {
  const direct = TA_DIRECT.exec(rest);
  if (direct) {
    const raw = number(direct[1]!);
    return { kind: 'ta', raw, celsius: null, understood: `Acid ${raw} g/L, as citric` };
  }
  const match = TA.exec(rest);
  if (!match) return null;
  const [titrantMl, sampleMl] = [number(match[1]!), number(match[2]!)];
  const normality = match[3] === undefined ? USUAL_NORMALITY : number(match[3]);
  if (!(sampleMl > 0 && normality > 0)) return null;
  const raw = titratableAcidity({ titrantMl, normality, sampleMl, as: 'citric' });
  return {
    kind: 'ta',
    raw,
    celsius: null,
    understood: `Acid ${raw.toFixed(2)} g/L as citric (${titrantMl} mL of ${normality} N on ${sampleMl} mL)`,
  };
}

const MINUTES = String.raw`\s*(?:min(?:ute)?s?\.?|')`;
const HELD = String.raw`(?:\s*,?\s*(?:held|for|held for|kept)\s*${NUMBER}${MINUTES})?`;
const TEMPERATURE = [
  line(`(?:t|temp|temperature|thermometer)${IS}${NUMBER}\\s*${DEGREES}${HELD}`),
  line(`${NUMBER}\\s*(?:°|deg(?:rees?)?\\.?)\\s*(c|f|celsius|centigrade|fahrenheit)?${HELD}`),
  line(`${NUMBER}\\s*(celsius|centigrade|fahrenheit|f)${HELD}`),
];

function temperatureIn(rest: string): Read | null {
  const match = TEMPERATURE.map((pattern) => pattern.exec(rest)).find(Boolean);
  if (!match) return null;
  const celsius = celsiusIn(match[1], match[2])!;
  const heldMinutes = match[3] === undefined ? null : number(match[3]);
  return {
    kind: 'temperature',
    raw: celsius,
    celsius: null,
    ...(heldMinutes === null ? {} : { heldMinutes }),
    understood: `Temperature ${temperature(celsius, 1)}${heldMinutes === null ? '' : `, held ${heldMinutes} min`}`,
  };
}

const BOIL = line(`(?:full |rolling |full rolling )?boil(?:ed|ing)?(?: for)?${IS}${NUMBER}${MINUTES}`);

/** `boil 1 min`: a full rolling boil, seen by the clock. */
function boil(rest: string): Read | null {
  const match = BOIL.exec(rest);
  if (!match) return null;
  const raw = number(match[1]!);
  return { kind: 'boil', raw, celsius: null, understood: `Full boil seen for ${raw} min` };
}

/** A quantity of one dimension, or null where the words are something else. */
function quantityOf(text: string, dimension: 'mass' | 'length' | 'volume') {
  try {
    const quantity = parseQuantity(text);
    return units[quantity.unit as UnitId]?.dimension === dimension ? quantity : null;
  } catch {
    return null;
  }
}

function mass(rest: string): Read | null {
  const match = /^(?:m|mass|w|weight|weighs?|scale)\s*(?:is|reads?|of|=|:)?\s+(.+)$/i.exec(rest);
  const quantity = quantityOf(match ? match[1]! : rest, 'mass');
  if (!quantity) return null;
  const grams = quantity.amount * units[quantity.unit as UnitId].size!;
  return {
    kind: 'mass',
    raw: grams,
    celsius: null,
    understood: `Weight ${grams.toLocaleString('en', { maximumFractionDigits: 0 })} g`,
  };
}

/** `d 3 5/8 in`, `dip 92 mm`; a fraction without a unit is in inches, a plain number in mm. */
function depth(rest: string): Read | null {
  const match = /^(?:d|dip|depth|ruler|level)\s*(?:is|reads?|of|at|=|:)?\s+(.+)$/i.exec(rest);
  const text = match ? match[1]! : rest;
  const bare = match && /^[\d\s./]+$/.test(text) ? `${text} ${text.includes('/') ? 'in' : 'mm'}` : text;
  const quantity = quantityOf(bare, 'length');
  if (!quantity) return null;
  const mm = toMillimetres(quantity);
  const figures = quantity.said.replace(/\s*(?:in|inch|inches|"|″|”)$/i, '');
  // What was dictated is shown in figures, to be looked at.
  const inches = /[a-z]/i.test(figures) ? depthSaid(mm, 'in') : `${figures} in`;
  const said = quantity.unit === 'in' ? `${inches}, ${mm.toFixed(0)} mm` : `${mm.toFixed(0)} mm`;
  return { kind: 'depth', raw: mm, celsius: null, understood: `Depth ${said}` };
}

/** The reading that a line's words are, or null where they are none. */
export const readingIn = (rest: string): Read | null =>
  gravity(rest) ??
  activity(rest) ??
  volumeIn(rest) ??
  brix(rest) ??
  ph(rest) ??
  acidity(rest) ??
  temperatureIn(rest) ??
  boil(rest) ??
  mass(rest) ??
  depth(rest);
