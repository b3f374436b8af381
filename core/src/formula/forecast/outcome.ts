import type { Pan } from '../pan/pan.ts';

/** °C of a kitchen, and of what stands in it. */
export const ROOM = 20;

/** What went through one step, for the record of masses. */
export interface StepOutcome {
  stepId: string;
  /** Share of what was in the fruit that this step drew out, 0–1; null where it draws from none. */
  drew: number | null;
  /** Trimmed off, g. */
  trimmed: number;
  /** Left behind in the cloth, g. */
  retained: number;
  /** Boiled off, g: water, and what goes with it. */
  evaporated: number;
  /** Minutes that the boiling asks for at the rate taken; null where nothing is boiled off. */
  minutes: number | null;
  /** mL that stand in the vessel as it begins, fruit and all. */
  holdsMl: number;
  /** Of what is in the pan after it. */
  brixAfter: number;
  millilitresAfter: number;
  /** g of water a minute that the pan loses as the step begins; undefined where it stands on no fire. */
  rate?: number;
  /** Heat that went into the pan, kJ; 0 where it stands on no fire. */
  kilojoules: number;
  /** How warm it leaves the pan, °C. */
  celsius: number;
  /** °C of the boil at its end; null where it does not boil. */
  boilsAt: number | null;
  /** °Bx between which it may stand at its mark, where that is how thick it looks. */
  brixLooks?: [number, number];
  note?: string;
}

export const noOutcome = (stepId: string): StepOutcome => ({
  stepId,
  drew: null,
  trimmed: 0,
  retained: 0,
  evaporated: 0,
  minutes: null,
  kilojoules: 0,
  celsius: ROOM,
  holdsMl: 0,
  brixAfter: 0,
  millilitresAfter: 0,
  boilsAt: null,
});

/** The pan after a step, with what of its outcome the step itself tells when it is asked: a simulation only wants the pan. */
export interface Result {
  pan: Pan;
  tell: () => Partial<StepOutcome>;
}
