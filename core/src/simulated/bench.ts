import { acidsIn, equilibriumPh } from '../acid/index.ts';
import {
  brixOf,
  type Chance,
  type Composition,
  chance,
  liquidOf,
  nothing,
  pour,
  shareOf,
} from '../formula/index.ts';
import type { Ingredient } from '../ingredient/index.ts';
import type { InstrumentLine, InstrumentOrder, SpeakingKind } from '../instrument/index.ts';
import { correctRefractometer } from '../sugar/index.ts';
import { pourInto, type SimulatedPan, simulatedLater } from './pan.ts';

/** What may be wrong with an instrument: nothing, it sticks, it wanders off, or it is not there. */
export type Fault = 'none' | 'stuck' | 'drifting' | 'gone';

export interface SimulatedInstrument {
  kind: SpeakingKind;
  name: string;
  fault: Fault;
  /** What its display shows and has not been asked anew; null before the first look. */
  shown: number | null;
  /** Tare of a scale, mL run by a burette. */
  zero: number;
}

/** A sample in a jar for a titration, with water to stir it in. */
export interface SimulatedJar {
  sampleMl: number;
  part: Composition;
  normality: number;
}

export interface SimulatedBench {
  pan: SimulatedPan;
  jar: SimulatedJar | null;
  instruments: Record<SpeakingKind, SimulatedInstrument>;
  /** Simulated seconds since it was set up. */
  seconds: number;
}

const NAMES: Record<SpeakingKind, string> = {
  scale: 'Simulated scale',
  refractometer: 'Simulated refractometer',
  'ph-meter': 'Simulated pH meter',
  thermometer: 'Simulated thermometer',
  burette: 'Simulated burette',
};

/** Time constants in s, noise as one standard deviation, and how far each wanders in an hour when it drifts. */
const BEHAVIOUR: Record<SpeakingKind, { lag: number; noise: number; drift: number; digits: number }> = {
  scale: { lag: 0.6, noise: 0.4, drift: 40, digits: 0 },
  refractometer: { lag: 0.5, noise: 0.08, drift: 2, digits: 1 },
  'ph-meter': { lag: 9, noise: 0.005, drift: 0.4, digits: 2 },
  thermometer: { lag: 5, noise: 0.12, drift: 5, digits: 1 },
  burette: { lag: 0.2, noise: 0, drift: 0, digits: 2 },
};

/** A drop of hot syrup on the prism, and a sample cooled for the electrode. */
const SAMPLE_CELSIUS = 24;
/** Electrode of the simulated meter: 97 % of the theoretical slope, 3 mV off. */
const ELECTRODE = { slope: 0.97, offset: 3 };

/**
 * A bench with all its instruments in order, nothing in the jar, before anything was looked at.
 * @param pan what is on the burner
 * @example simulatedBench(emptySimulatedPan(pan, 0)).seconds // 0
 */
export function simulatedBench(pan: SimulatedPan): SimulatedBench {
  const kinds = Object.keys(NAMES) as SpeakingKind[];
  const instruments = Object.fromEntries(
    kinds.map((kind) => [kind, { kind, name: NAMES[kind], fault: 'none', shown: null, zero: 0 }]),
  ) as SimulatedBench['instruments'];
  return { pan, jar: null, instruments, seconds: 0 };
}

/** About the strongest solution that the equilibrium is known for, mol of acids and eq of base per kg of water. */
const [MOST_ACID, MOST_BASE] = [45, 190];

/** pH of what is in the pan; a residue boiled down past the model's end reads as at its end. */
function phOf(part: Composition): number {
  const acid = part.acids.reduce((sum, mol) => sum + mol, 0);
  const kg = Math.max(part.water / 1000, acid / MOST_ACID, Math.abs(part.baseEquivalents) / MOST_BASE);
  if (kg <= 0) return 7;
  const acids = acidsIn(part.acids.map((mol) => mol / kg));
  return equilibriumPh({ acids, baseEquivalents: part.baseEquivalents / kg }).ph;
}

/** What a hand refractometer shows for a true °Bx at the sample's temperature: its correction turned round. */
function uncorrected(brix: number): number {
  let reading = Math.min(85, brix);
  for (let i = 0; i < 20; i++)
    reading = Math.min(
      85,
      Math.max(0, brix - correctRefractometer({ reading, celsius: SAMPLE_CELSIUS }).correction),
    );
  return reading;
}

/**
 * The figure an instrument would show if it were perfect and at rest.
 * @example truthFor(bench, 'scale') // 1000
 */
export function truthFor(bench: SimulatedBench, kind: SpeakingKind): number {
  const { pan, jar, instruments } = bench;
  switch (kind) {
    case 'scale':
      return liquidOf(pan.part) - instruments.scale.zero;
    case 'refractometer':
      return uncorrected(brixOf(pan.part));
    case 'thermometer':
      return pan.celsius;
    case 'ph-meter':
      return phOf(jar ? jar.part : pan.part);
    case 'burette':
      return instruments.burette.zero;
  }
}

function settled(instrument: SimulatedInstrument, truth: number, seconds: number): number {
  if (instrument.shown === null || instrument.fault === 'stuck') return instrument.shown ?? truth;
  const share = 1 - Math.exp(-seconds / BEHAVIOUR[instrument.kind].lag);
  return instrument.shown + (truth - instrument.shown) * share;
}

/**
 * The displays some seconds later, each following what it measures at its own pace, while the pan stands still.
 * @example displaysLater(bench, 60).instruments.scale.shown // 1000
 */
export function displaysLater(bench: SimulatedBench, seconds: number): SimulatedBench {
  const instruments = { ...bench.instruments };
  for (const kind of Object.keys(instruments) as SpeakingKind[])
    instruments[kind] = {
      ...instruments[kind],
      shown: settled(instruments[kind], truthFor(bench, kind), seconds),
    };
  return { ...bench, instruments };
}

/**
 * The bench some seconds later: the pan goes on, and the displays follow it.
 * @example benchLater(bench, 60).seconds // 60
 */
export const benchLater = (bench: SimulatedBench, seconds: number): SimulatedBench =>
  displaysLater(
    { ...bench, pan: simulatedLater(bench.pan, seconds), seconds: bench.seconds + seconds },
    seconds,
  );

/**
 * What an instrument says when it is asked: its display with its own noise, wandering where it drifts, or a fault.
 * @param roll a stream of chance; @returns null where it is not there
 * @example spokenBy(withFault(bench, 'scale', 'gone'), 'scale') // null
 */
export function spokenBy(
  bench: SimulatedBench,
  kind: SpeakingKind,
  roll: Chance = chance(Math.round(bench.seconds * 10)),
): InstrumentLine | null {
  const instrument = bench.instruments[kind];
  if (instrument.fault === 'gone') return null;
  const { noise, drift, digits } = BEHAVIOUR[kind];
  const truth = truthFor(bench, kind);
  const shown = instrument.shown ?? truth;
  const wander = instrument.fault === 'drifting' ? (drift * bench.seconds) / 3600 : 0;
  const still = instrument.fault === 'stuck' ? 0 : noise * roll.normal();
  const raw = shown + wander + still;
  const value = Number((kind === 'thermometer' ? raw : Math.max(0, raw)).toFixed(digits));
  const celsius = kind === 'refractometer' ? SAMPLE_CELSIUS : kind === 'ph-meter' ? SAMPLE_CELSIUS : null;
  const perPh = 59.16 * ELECTRODE.slope * ((SAMPLE_CELSIUS + 273.15) / 298.15);
  return {
    say: 'reading',
    kind,
    value,
    celsius,
    millivolts: kind === 'ph-meter' ? ELECTRODE.offset + (7 - raw) * perPh : null,
    steady: Math.abs(truth - shown) < 3 * noise + 10 ** -digits,
  };
}

const withInstrument = (
  bench: SimulatedBench,
  kind: SpeakingKind,
  change: Partial<SimulatedInstrument>,
): SimulatedBench => ({
  ...bench,
  instruments: { ...bench.instruments, [kind]: { ...bench.instruments[kind], ...change } },
});

/**
 * What an instrument is told: a scale to take what is on it as nothing, a burette to run titrant into the jar.
 * @example truthFor(obeyedBy(bench, 'scale', { order: 'tare' }), 'scale') // 0
 */
export function obeyedBy(bench: SimulatedBench, kind: SpeakingKind, order: InstrumentOrder): SimulatedBench {
  if (order.order === 'tare' && kind === 'scale')
    return withInstrument(bench, kind, { zero: liquidOf(bench.pan.part), shown: null });
  if (order.order !== 'run' || kind !== 'burette' || !bench.jar) return bench;
  const { jar } = bench;
  const part = pour(nothing(), jar.part, 1);
  part.water += order.ml;
  part.baseEquivalents += (order.ml * jar.normality) / 1000;
  return withInstrument({ ...bench, jar: { ...jar, part } }, kind, {
    zero: bench.instruments.burette.zero + order.ml,
    shown: null,
  });
}

/**
 * The bench with one instrument out of order, or in order again.
 * @param kind which instrument; @param fault what is wrong with it
 * @example withFault(bench, 'scale', 'stuck').instruments.scale.fault // 'stuck'
 */
export const withFault = (bench: SimulatedBench, kind: SpeakingKind, fault: Fault): SimulatedBench =>
  withInstrument(bench, kind, { fault });

/**
 * Grams of something put into the pan.
 * @example truthFor(pouredIn(bench, catalogue.get('water'), 500), 'scale') // 1500
 */
export const pouredIn = (bench: SimulatedBench, entry: Ingredient, grams: number): SimulatedBench => ({
  ...bench,
  pan: pourInto(bench.pan, entry, grams),
});

/**
 * A sample of the pan drawn into a jar with 50 g of water, for titrating; the electrode goes into it.
 * @example jarFilled(bench, 10).jar.sampleMl // 10
 */
export function jarFilled(bench: SimulatedBench, sampleMl: number, normality = 0.1): SimulatedBench {
  if (!(sampleMl >= 1 && sampleMl <= 100)) throw new RangeError('A sample is 1 to 100 mL');
  const grams = liquidOf(bench.pan.part);
  if (grams < 200) throw new RangeError('There is too little in the pan to take a sample of');
  const density = 1 + 0.0042 * Math.min(80, brixOf(bench.pan.part));
  const share = (sampleMl * density) / grams;
  const part = shareOf(bench.pan.part, share);
  part.water += 50;
  const pan = { ...bench.pan, part: shareOf(bench.pan.part, 1 - share) };
  return withInstrument({ ...bench, pan, jar: { sampleMl, part, normality } }, 'burette', {
    zero: 0,
    shown: 0,
  });
}

/**
 * The jar emptied, the electrode back at the pan.
 * @example jarEmptied(jarFilled(bench, 10)).jar // null
 */
export const jarEmptied = (bench: SimulatedBench): SimulatedBench => ({ ...bench, jar: null });
