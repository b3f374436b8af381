import { parseJot } from '@inch/core/jot';
import { judgeReading as judged, readingDoubt } from '@inch/core/lot';
import { swellingAt } from '@inch/core/pan';
import { correctHydrometer, correctRefractometer } from '@inch/core/sugar';
import { asked, invalid } from '../problem/problem.ts';
import { fullLot, holdWhereAsked } from './change.ts';
import type { Judge, Judging } from './judge.ts';

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

/** What a reading comes to at 20 °C. @param gravity what a hydrometer showed, where it was one */
function comesTo(judging: Judging<'reading'>, raw: number | null, gravity: number | null): number | null {
  const { said, named } = judging;
  const { celsius } = said;
  if (raw === null) return null;
  if (said.kind === 'volume')
    return celsius === null ? raw : raw / asked('celsius', () => swellingAt(celsius));
  if (said.kind !== 'brix') return raw;
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

/** What of a finished product's reading is unlike the lot's own forecast; in the pan it may still be anything. */
async function unlikeForecast(
  { w, lot, said }: Judging<'reading'>,
  value: number | null,
): Promise<string | null> {
  // What a kitchen file brings in was read long ago: it can be asked about no more.
  if (w.entered.fromFile) return null;
  // A bottle out of a released lot is evidence at once: it may hold the lot.
  if (['released', 'closed', 'recalled'].includes(lot.state)) return null;
  if (value === null || said.sample !== 'finished' || !['ph', 'brix'].includes(said.kind)) return null;
  const full = await fullLot(w, lot.id);
  return readingDoubt(full, { ...said, value }, full.cupSchool);
}

/** Keeps a reading as read and as corrected; what cannot be is refused, what is unlikely asks for a word why. */
export const judgeReading: Judge<'reading'> = async (judging) => {
  const { w, lot, said, at } = judging;
  const corrects = compensated(judging);
  const gravity = gravityOf(judging);
  const raw = said.kind === 'ta' ? titrated(said.said) : (gravity ?? said.raw);
  const value = comesTo(judging, raw, gravity);
  const { verdict, sentence } = judged(said.kind, gravity === null ? raw : value, {
    celsius: corrects ? null : said.celsius,
  });
  if (verdict === 'impossible') throw invalid('raw', sentence!);
  const doubt = said.because ? null : (sentence ?? (await unlikeForecast(judging, value)));
  if (doubt) throw invalid('because', doubt, 'urn:inch:doubtful-reading');
  if (said.kind === 'note' && said.said === '') throw invalid('said', 'Write the note.');
  if (said.simulated && said.instrumentId)
    throw invalid('instrumentId', 'What a simulated instrument showed names no real one.');
  const finishedPh = said.kind === 'ph' && said.sample === 'finished' && lot.state !== 'making';
  return { kept: { raw, value }, after: async () => finishedPh && holdWhereAsked(w, lot.id, at) };
};
