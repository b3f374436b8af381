import { dating, look } from './ageing.ts';
import { bottling, cooling, fault, tally, tick, weighing } from './bottling.ts';
import { closing, deviation, fate, sealCheck } from './checking.ts';
import { curve, heatProcess, load, loadMark } from './heat.ts';
import { calibration, check, placeTemperature } from './instrument.ts';
import type { EntryKind } from './kind.ts';
import { decision, movement, print, ruling, settling, spoilt, storageChange, telling } from './leaving.ts';
import { addition, mark, origin, photograph, placing, reading } from './making.ts';

/** Every kind of entry, by its noun. What can be written into a record stands here and nowhere else. */
export const entries = {
  mark,
  addition,
  origin,
  placing,
  reading,
  photograph,
  bottling,
  tick,
  fault,
  tally,
  weighing,
  cooling,
  'heat-process': heatProcess,
  load,
  'load-mark': loadMark,
  curve,
  'seal-check': sealCheck,
  fate,
  deviation,
  closing,
  movement,
  telling,
  'storage-change': storageChange,
  decision,
  ruling,
  settling,
  print,
  'spoilt-label': spoilt,
  look,
  dating,
  calibration,
  check,
  'place-temperature': placeTemperature,
} as const satisfies Record<string, EntryKind>;

export type Entries = typeof entries;
export type Noun = keyof Entries;

/** Nouns of what can be struck. */
export type StrikeableNoun = { [N in Noun]: Entries[N]['strikeable'] extends true ? N : never }[Noun];
/**
 * Their names.
 * @example strikeable.includes('addition') // true
 */
export const strikeable = (Object.keys(entries) as Noun[]).filter(
  (noun): noun is StrikeableNoun => entries[noun].strikeable,
);

/** Nouns of what a person posts to a lot. */
export type PostedNoun = {
  [N in Noun]: Entries[N]['path'] extends null ? never : Entries[N]['of'] extends 'lot' ? N : never;
}[Noun];
