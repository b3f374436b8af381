import type { ProcessMatch } from '../../heat/index.ts';
import { type KeepingTime, limitOf, USUAL_CRITICAL_PH } from '../../keeping/index.ts';
import type { FormulaContent, FormulaLine, FormulaStep } from '../content.ts';
import { type Forecast, type ForecastSetting, forecast } from '../forecast/forecast.ts';
import { matchFormula } from '../pan/processed.ts';
import { processesOf } from '../processesOf.ts';
import { whatWouldItTake } from './solve.ts';

type Time = NonNullable<KeepingTime['time']>;

/** Something that would let a lot of a formula be released, or keep longer: another process, smaller jars for one, acid, heat, or the cold. */
export type Mend =
  | { do: 'process'; id: string; name: string }
  | { do: 'jar'; id: string; name: string; largestMl: number }
  /** A process that would match if one thing were otherwise. */
  | { do: 'change'; id: string; name: string; without: string | null; content: FormulaContent }
  /** Food acid put in, g, with what it then keeps. */
  | { do: 'acid'; grams: number; time: Time | null; content: FormulaContent }
  /** The whole boiled for a minute before it is filled. */
  | { do: 'heat'; time: Time; content: FormulaContent }
  | { do: 'cold'; time: Time };

/** So many processes are offered. */
const MOST = 2;
/** The acid that is put in where one is wanted. */
const ACID = 'citric-anhydrous';
/** Under its limit by so much, the upper end of the band. */
const INSIDE = 0.02;
/** The width of a band in pH that a first amount is looked for with at most, and how often it is looked for. */
const WIDEST = 0.5;
const TRIES = 6;

const BOIL: FormulaStep = {
  id: 'boil it',
  kind: 'heat',
  title: 'Bring to the boil',
  minutes: 2,
  killStep: true,
};

/** A formula whose whole is boiled before it is measured and filled. */
function boiled(content: FormulaContent): FormulaContent {
  const at = content.steps.findIndex((s) => ['measure', 'fill', 'process'].includes(s.kind));
  const place = at === -1 ? content.steps.length : at;
  return { ...content, steps: [...content.steps.slice(0, place), BOIL, ...content.steps.slice(place)] };
}

/** The formula with as much food acid as brings the upper end of its pH under a limit; null where no amount does. */
function soured(content: FormulaContent, setting: ForecastSetting, limit: number) {
  const line: FormulaLine = {
    id: 'acid for it',
    said: '1 g',
    ingredientId: ACID,
    ...(content.steps[0] ? { stepId: content.steps[0].id } : {}),
  };
  const with1 = { ...content, lines: [...content.lines, line] };
  const start = forecast(with1, setting);
  // The band is wide while there is little acid to take up hard water, and narrows as more goes in.
  let band = Math.min(WIDEST, start.ph ? start.ph.high - start.ph.middle : 0.3);
  for (let tries = 0; tries < TRIES; tries++) {
    const ask = { lineId: line.id, aim: 'ph' as const, value: limit - band - INSIDE };
    const answer = whatWouldItTake(with1, setting, ask);
    if (!answer.reached) return null;
    const grams = Math.ceil(answer.grams * 10) / 10;
    const more = { ...content, lines: [...content.lines, { ...line, said: `${grams} g` }] };
    const { ph } = forecast(more, setting);
    if (ph === null || ph.high <= limit) return { grams, content: more };
    band = Math.max(band + INSIDE, ph.high - ph.middle);
  }
  return null;
}

const days = (time: KeepingTime['time']): number =>
  time === null ? 0 : time.unit === 'day' ? time.count : 28 * time.count;

/** Acid, where the pH of a formula is what keeps it from the shelf or from a longer row. */
function byAcid(content: FormulaContent, setting: ForecastSetting, f: Forecast): Mend[] {
  const limit = content.storage === 'shelf' ? limitOf(setting.criticalPh) : USUAL_CRITICAL_PH;
  if (f.ph !== null && f.ph.high <= limit) return [];
  const found = soured(content, setting, limit);
  if (!found) return [];
  const after = forecast(found.content, setting);
  if (after.ph === null || after.ph.high > limit) return [];
  if (content.storage !== 'shelf' && days(after.keeping.time) <= days(f.keeping.time)) return [];
  return [{ do: 'acid', grams: found.grams, time: after.keeping.time, content: found.content }];
}

/** Heat, where nothing of it was heated through. */
function byHeat(content: FormulaContent, setting: ForecastSetting, f: Forecast): Mend[] {
  if (f.makeup.killStep || content.storage === 'shelf') return [];
  const after = boiled(content);
  const { keeping, makeup } = forecast(after, setting);
  return makeup.killStep && keeping.time && days(keeping.time) > days(f.keeping.time)
    ? [{ do: 'heat', time: keeping.time, content: after }]
    : [];
}

/** Every process held against a formula, in jars of its size. */
const held = (content: FormulaContent, setting: ForecastSetting, f: Forecast): ProcessMatch[] =>
  matchFormula(processesOf(setting), {
    content,
    lines: f.lines,
    jarred: f.makeup,
    kind: setting.kind,
    brix: f.brix,
    ph: f.ph?.middle ?? null,
    elevationMetres: setting.elevationMetres,
  });

/** Processes that match a formula as it stands, in smaller jars, or if one thing were otherwise. */
function byProcess(content: FormulaContent, setting: ForecastSetting, f: Forecast): Mend[] {
  const all = held(content, setting, f);
  const processes = all
    .filter(({ process, reasons }) => reasons.length === 0 && process.id !== content.processId)
    .map(({ process: { id, name } }): Mend => ({ do: 'process', id, name }));
  const jars = processesOf(setting)
    .filter((p) => content.bottleMl > p.largestMl)
    .filter((p) =>
      held({ ...content, bottleMl: p.largestMl }, setting, f).some(
        (match) => match.process === p && match.reasons.length === 0,
      ),
    )
    .map(({ id, name, largestMl }): Mend => ({ do: 'jar', id, name, largestMl }));
  const asIs = [...processes, ...jars];
  return asIs.length > 0
    ? asIs
    : all.filter((match) => match.reasons.length === 1).flatMap((match) => changed(content, setting, match));
}

/** What a formula would be with the one thing changed that keeps a process from it: a line left out, or the whole boiled last, so that it is packed hot. */
function changed(
  content: FormulaContent,
  setting: ForecastSetting,
  { process, reasons: [reason = ''] }: ProcessMatch,
): Mend[] {
  const { id, name } = process;
  const tries = content.lines.flatMap((line) => {
    const entry = setting.catalogue.find(line.ingredientId);
    const isNamed = entry && reason.includes((entry.formOf ?? entry.id).replace(/-/g, ' '));
    const lines = content.lines.filter((other) => other !== line);
    return isNamed && lines.length > 0
      ? [{ without: entry.name.toLowerCase(), of: { ...content, lines } }]
      : [];
  });
  const last = /packed hot/.test(reason) ? [{ without: null, of: boiled(content) }] : [];
  return [...last, ...tries]
    .filter(({ of }) =>
      held(of, setting, forecast(of, setting)).some((m) => m.process.id === id && m.reasons.length === 0),
    )
    .map(({ without, of }) => ({ do: 'change', id, name, without, content: { ...of, processId: id } }));
}

/**
 * What would mend a formula that would not be released as it stands, or that would keep longer: every kind of mending that does it. Empty where nothing is wrong,
 * or nothing of these kinds mends it.
 * @param content the formula; @param setting the kitchen's; @param f its forecast, where that is there already
 * @example mendsFor({ ...cherry, storage: 'cold' }, setting) // []
 */
export function mendsFor(
  content: FormulaContent,
  setting: ForecastSetting,
  f: Forecast = forecast(content, setting),
): Mend[] {
  if (f.makeup.faults.length > 0 || content.lines.length === 0) return [];
  if (content.storage === 'frozen') return [];
  const heat = byHeat(content, setting, f);
  // Raw, acid gives it no day: it is boiled first.
  if (content.storage === 'cold') return heat.length > 0 ? heat : byAcid(content, setting, f);
  if (f.keeping.row === 'shelf' && !f.processFault) return [];
  const cold = forecast({ ...content, storage: 'cold', processId: undefined }, setting);
  const keeps = cold.makeup.faults.length === 0 && cold.keeping.time !== null;
  return [
    ...byAcid(content, setting, f),
    ...byProcess(content, setting, f).slice(0, MOST),
    ...(keeps ? [{ do: 'cold' as const, time: cold.keeping.time! }] : []),
  ];
}
