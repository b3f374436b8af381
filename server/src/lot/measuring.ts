import { parseJot } from '@inch/core/jot';
import { judgeReading as judged } from '@inch/core/lot';
import { swellingAt } from '@inch/core/pan';
import { correctHydrometer, correctRefractometer } from '@inch/core/sugar';
import type { Judge, Judging } from '../entry/judge.ts';
import { asked, invalid } from '../http/problem.ts';
import { holdWhereAsked } from './change.ts';

const MEASURES: Record<string, string> = {
  refractometer: 'brix',
  'ph-meter': 'ph',
  thermometer: 'temperature',
  scale: 'mass',
  hydrometer: 'brix',
  'water-activity-meter': 'water-activity',
};

function compensated({ named, said }: Judging<'reading'>): boolean {
  const instrument = named.instrumentId;
  if (!instrument) return false;
  if (MEASURES[String(instrument.kind)] !== said.kind)
    throw invalid('instrumentId', 'That instrument does not measure this.');
  return instrument.compensated === 1;
}

function targetBrixOf(content: string): number | null {
  const steps = (JSON.parse(content) as { steps: { toBrix?: number }[] }).steps;
  return steps.filter((s) => s.toBrix !== undefined).at(-1)?.toBrix ?? null;
}

/** Acidity in g/L as citric of a titration as it was said: worked out here, whatever the device made of it. */
function titrated(said: string): number | null {
  const jot = parseJot(said);
  return jot.kind === 'ta' ? jot.raw : null;
}

/** Specific gravity that a hydrometer showed: as it was said, or as the figure of one that was named; null where it is another reading. */
function gravityOf({ named, said }: Judging<'reading'>): number | null {
  if (said.kind !== 'brix') return null;
  if (named.instrumentId?.kind === 'hydrometer') return said.raw;
  const jot = parseJot(said.said);
  return jot.kind === 'brix' ? (jot.gravity ?? null) : null;
}

/** What a reading comes to at 20 °C. */
function comesTo(judging: Judging<'reading'>, raw: number | null): number | null {
  const { said, named } = judging;
  const { celsius } = said;
  if (raw === null) return null;
  if (said.kind === 'volume')
    return celsius === null ? raw : raw / asked('celsius', () => swellingAt(celsius));
  if (said.kind !== 'brix') return raw;
  const gravity = gravityOf(judging);
  const madeFor = Number(named.instrumentId?.made_for_celsius ?? 20);
  if (gravity !== null)
    return asked('raw', () =>
      correctHydrometer({ gravity, celsius: celsius ?? madeFor, madeForCelsius: madeFor }),
    ).brix;
  return celsius === null
    ? raw
    : asked('celsius', () =>
        correctRefractometer({ reading: raw, celsius, compensated: compensated(judging) }),
      ).brix;
}

/** Keeps a reading as read and as corrected; what cannot be is refused, what is unlikely asks for a word why. */
export const judgeReading: Judge<'reading'> = async (judging) => {
  const { w, lot, said, at } = judging;
  const corrects = compensated(judging);
  const gravity = gravityOf(judging);
  const raw = said.kind === 'ta' ? titrated(said.said) : (gravity ?? said.raw);
  const value = comesTo(judging, raw);
  const { verdict, sentence } = judged(said.kind, gravity === null ? raw : value, {
    sample: said.sample,
    targetBrix: targetBrixOf(lot.content),
    celsius: corrects ? null : said.celsius,
  });
  if (verdict === 'impossible') throw invalid('raw', sentence!);
  if (verdict === 'doubtful' && !said.because)
    throw invalid('because', sentence!, 'urn:inch:doubtful-reading');
  if (said.kind === 'note' && said.said === '') throw invalid('said', 'Write the note.');
  if (said.simulated && said.instrumentId)
    throw invalid('instrumentId', 'What a simulated instrument showed names no real one.');
  const finishedPh = said.kind === 'ph' && said.sample === 'finished' && lot.state !== 'making';
  return { kept: { raw, value }, after: async () => finishedPh && holdWhereAsked(w, lot.id, at) };
};
