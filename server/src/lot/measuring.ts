import { parseJot } from '@inch/core/jot';
import { judgeReading as judged } from '@inch/core/lot';
import { correctRefractometer } from '@inch/core/sugar';
import type { Judge, Judging } from '../entry/judge.ts';
import { asked, invalid } from '../http/problem.ts';
import { holdWhereAsked } from './change.ts';

const MEASURES: Record<string, string> = {
  refractometer: 'brix',
  'ph-meter': 'ph',
  thermometer: 'temperature',
  scale: 'mass',
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

/** Keeps a reading as read and as corrected; what cannot be is refused, what is unlikely asks for a word why. */
export const judgeReading: Judge<'reading'> = async (judging) => {
  const { w, lot, said, at } = judging;
  const corrects = compensated(judging);
  const raw = said.kind === 'ta' ? titrated(said.said) : said.raw;
  const { verdict, sentence } = judged(said.kind, raw, {
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
  const { celsius } = said;
  const value =
    said.kind === 'brix' && celsius !== null
      ? asked('celsius', () => correctRefractometer({ reading: raw!, celsius, compensated: corrects })).brix
      : raw;
  const finishedPh = said.kind === 'ph' && said.sample === 'finished' && lot.state !== 'making';
  return { kept: { raw, value }, after: async () => finishedPh && holdWhereAsked(w, lot.id, at) };
};
