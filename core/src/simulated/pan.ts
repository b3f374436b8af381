import {
  brixOf,
  type Composition,
  compositionOf,
  liquidOf,
  nothing,
  pour,
  solidsOf,
} from '../formula/index.ts';
import type { Ingredient } from '../ingredient/index.ts';
import {
  depthAtVolume,
  diameterAt,
  relativeRate,
  swellingAt,
  type VesselShape,
  vesselVolume,
} from '../pan/index.ts';
import { boilingPoint, densityAt20, heatCapacity } from '../sugar/index.ts';

/** A pan on a burner, as physics has it: what is in it, how hot, and how much heat goes in. */
export interface SimulatedPan {
  part: Composition;
  celsius: number;
  /** Heat that reaches the liquid, W. */
  watts: number;
  elevationMetres: number;
  shape: VesselShape;
}

const ROOM = 20;
/** Latent heat of water near its boil, J/g. */
const LATENT = 2257;
/** Loss of a pan's open surface to the room, W per m² and K: convection and the vapour under the boil. */
const LOSS = 25;
const LONGEST_STEP = 2;

/**
 * An empty pan at room temperature, its burner off.
 * @param shape of the pan, mm; @param elevationMetres above sea level
 * @example emptySimulatedPan(pan, 0).watts // 0
 */
export const emptySimulatedPan = (shape: VesselShape, elevationMetres: number): SimulatedPan => ({
  part: nothing(),
  celsius: ROOM,
  watts: 0,
  elevationMetres,
  shape,
});

/**
 * mL at 20 °C, and hot.
 * @example simulatedVolume(bench.pan).millilitres // 1001.8
 */
export function simulatedVolume(pan: SimulatedPan): { millilitres: number; hotMillilitres: number } {
  const grams = liquidOf(pan.part);
  const millilitres = grams > 0 ? grams / densityAt20(Math.min(80, brixOf(pan.part))) : 0;
  return { millilitres, hotMillilitres: millilitres * swellingAt(Math.min(110, pan.celsius)) };
}

/**
 * Depth on the ruler, mm; the rim where it would run over.
 * @example simulatedDepth(emptySimulatedPan(pan, 0)) // 0.0
 */
export function simulatedDepth(pan: SimulatedPan): number {
  return depthAtVolume(pan.shape, Math.min(vesselVolume(pan.shape), simulatedVolume(pan).hotMillilitres));
}

/**
 * Temperature at which what is in it boils, °C.
 * @example boilsAt(bench.pan) // 100.0
 */
export function boilsAt(pan: SimulatedPan): number {
  const { sucrose, glucose, fructose } = pan.part;
  const total = sucrose + glucose + fructose;
  return boilingPoint({
    brix: Math.min(78, brixOf(pan.part)),
    elevationMetres: pan.elevationMetres,
    ...(total > 0 ? { composition: { glucose: glucose / total, fructose: fructose / total } } : {}),
  });
}

/**
 * Puts grams of an ingredient in at room temperature: masses add, and heat is shared.
 * @example massOf(pourInto(emptySimulatedPan(pan, 0), catalogue.get('water'), 500).part) // 500
 */
export function pourInto(pan: SimulatedPan, entry: Ingredient, grams: number): SimulatedPan {
  if (!(grams > 0 && grams <= 50_000)) throw new RangeError('Pour in over 0 g, and at most 50 kg');
  const before = liquidOf(pan.part);
  const part = pour(pour(nothing(), pan.part, 1), compositionOf(entry, 'typical').composition, grams / 100);
  const after = liquidOf(part);
  return {
    ...pan,
    part,
    celsius: after > 0 ? (pan.celsius * before + ROOM * (after - before)) / after : ROOM,
  };
}

function oneStep(pan: SimulatedPan, seconds: number): SimulatedPan {
  const grams = liquidOf(pan.part);
  if (grams <= 0) return pan;
  const boil = boilsAt(pan);
  const across = diameterAt(pan.shape, simulatedDepth(pan)) ?? 260;
  const area = Math.PI * (across / 2000) ** 2;
  const net = pan.watts - LOSS * area * (pan.celsius - ROOM);
  const toBoil = Math.max(0, boil - pan.celsius) * grams * heatCapacity(Math.min(80, brixOf(pan.part)));
  const heat = net * seconds;
  if (heat <= toBoil) {
    const celsius = pan.celsius + heat / (grams * heatCapacity(Math.min(80, brixOf(pan.part))));
    return { ...pan, celsius: Math.min(boil, Math.max(ROOM, celsius)) };
  }
  const solids = solidsOf(pan.part);
  const boiled = ((heat - toBoil) / LATENT) * relativeRate(pan.part.water, solids);
  // The last gram stays: a pan boiled dry is not dry to nothing, and no water comes into it.
  const water = Math.max(Math.min(1, pan.part.water), pan.part.water - boiled);
  const part = { ...pan.part, water };
  return { ...pan, part, celsius: boilsAt({ ...pan, part }) };
}

/**
 * The pan some seconds later: warmed by its burner, cooled by the room, and boiling water off once it boils.
 * @param pan as it stands; @param seconds 0 to a day; @returns the pan then; solids and acids are conserved, only water leaves
 * Source: heat balance; latent heat 2257 J/g; evaporation slackens with the water activity.
 * @example simulatedLater({ ...bench.pan, watts: 0 }, 60).celsius // 20
 */
export function simulatedLater(pan: SimulatedPan, seconds: number): SimulatedPan {
  if (!(seconds >= 0 && seconds <= 86_400)) throw new RangeError(`${seconds} s is outside 0 to a day`);
  const steps = Math.ceil(seconds / LONGEST_STEP);
  let now = pan;
  for (let i = 0; i < steps; i++) now = oneStep(now, seconds / steps);
  return now;
}
