import { z } from 'zod';

/** How a bottle is heated by a process: boiled under water, or filled and closed hot. Jars are never processed in an oven. */
export const PROCESS_METHODS = ['boiling-water', 'hot-fill'] as const;
/** In what it was heated: a canner of water, a vented atmospheric steam canner, or nothing but its own heat. */
export const HEATED_IN = ['boiling-water', 'atmospheric-steam', 'hot-fill'] as const;
/** What was in the jar as it was tested. */
export const PRODUCT_STATES = ['strained', 'puree', 'pieces'] as const;
export type ProductState = (typeof PRODUCT_STATES)[number];
/** Whether it goes into the jar hot, or raw with hot liquid over it. */
export const PACKS = ['hot', 'raw'] as const;
export type Pack = (typeof PACKS)[number];

/** A heat process as a source publishes it: what it was tested on, field by field, and minutes by altitude. */
export const HeatProcess = z.object({
  id: z.string(),
  name: z.string(),
  source: z.string(),
  /** Day on which the figures were last read against the source itself; null where nobody has yet. */
  readOn: z.iso.date().nullable(),
  /** Catalogue ingredients whose products were tested, alone or together; empty for a process that names none. */
  fruits: z.array(z.string().max(60)).max(40).readonly(),
  /** Tested with every acid fruit but these; null where only those named were. */
  anyFruitBut: z.array(z.string()).readonly().nullable(),
  /** Acids that it may have; any other breaks the match. */
  acids: z.array(z.string().max(60)).max(20).readonly(),
  /** Acids that it has to have, with the least of each, g in a kg of the product. */
  acidsRequired: z
    .array(
      z.object({ id: z.string().max(60), gramsPerKg: z.number().gt(0, 'How many g in a kg?').max(1000) }),
    )
    .max(20)
    .readonly(),
  /** Whether it may have salt. */
  salt: z.boolean(),
  /** Spices and other flavourings that it may have, by catalogue id. */
  spices: z.array(z.string().max(60)).max(40).readonly(),
  /** What may thicken it, by name. */
  thickeners: z.array(z.string().max(60)).max(20).readonly(),
  /** Kinds of product, as formula kinds; empty where it is told by what is in the jar and not by a name. */
  products: z.array(z.string()).readonly(),
  /** What was in the jar; null where nobody knows: it then matches nothing. */
  state: z.enum(PRODUCT_STATES).nullable(),
  /** How it was packed; null where nobody knows: it then matches nothing. */
  pack: z.enum(PACKS).nullable(),
  /** Dissolved solids that its own proportions come to, °Bx; null where the source leaves the sugar open. */
  brix: z
    .object({ from: z.number().min(0).max(85), to: z.number().min(0).max(85) })
    .refine((b) => b.from <= b.to, 'From the lower to the higher.')
    .nullable(),
  /** pH it was tested up to; null where the source gives none. */
  highestPh: z.number().min(2, 'Not under 2.').nullable(),
  closure: z.enum(['two-piece-lid', 'any']),
  largestMl: z.number().gt(0, 'How large a jar at most?').max(20_000),
  headspaceInches: z.number().gt(0, 'How much headspace?').max(3, 'At most 3 in.'),
  method: z.enum(PROCESS_METHODS),
  /** Whether its source allows an atmospheric steam canner in place of the bath. */
  steam: z.boolean(),
  /** Hot fill: coldest bottle when it is closed, °C, how long it is held, and how long lid down. */
  hotFill: z
    .object({
      celsius: z.number().min(70, 'Nothing is filled hot under 70 °C.').max(100),
      holdMinutes: z.number().gt(0, 'How long is it held?').max(60),
      invertSeconds: z.number().min(0).max(600),
    })
    .nullable(),
  /** Minutes in the canner with the fire off and the lid away, before lifting. */
  restMinutes: z.number().min(0).max(60),
  /** Minutes up to and including an altitude in feet; the last band is open. */
  bands: z.array(z.object({ toFeet: z.number(), minutes: z.number().gt(0).max(240) })).readonly(),
});
export type HeatProcess = z.infer<typeof HeatProcess>;

/** Under so many minutes the jars have to be sterile: the bath itself does not make them so. */
const STERILISES_ALONE = 10;

/** Longest process, min, that an atmospheric steam canner is used for, and its largest jar, a quart, mL. Source: NCHFP, Using Atmospheric Steam Canners (2015). */
export const STEAM = { minutes: 45, largestMl: 950 } as const;

/**
 * Feet of an elevation in metres, without the dust of the division.
 * @example feetOf(304.8) // 1000
 */
export const feetOf = (metres: number): number => Math.round((metres / 0.3048) * 1e6) / 1e6;

/**
 * Minutes a process asks for at an elevation, from its own altitude bands.
 * @param process with bands in feet; @param elevationMetres −400 to 5,000, throws RangeError outside
 * @example processTime({ bands: [{ toFeet: 1000, minutes: 10 }, { toFeet: 6000, minutes: 15 }] }, 719) // 15
 */
export function processTime(process: Pick<HeatProcess, 'bands'>, elevationMetres: number): number {
  if (!(elevationMetres >= -400 && elevationMetres <= 5000))
    throw new RangeError(`An elevation of ${elevationMetres} m is outside −400 to 5,000`);
  const feet = feetOf(elevationMetres);
  const band = process.bands.find((b) => feet <= b.toFeet);
  if (!band) throw new RangeError(`The process has no band for ${Math.round(feet)} ft`);
  return band.minutes;
}

/**
 * Minutes jars are boiled to be sterile: ten, and one more for every thousand feet above a thousand. @param elevationMetres −400 to 5,000
 * @example sterilisingMinutes(0) // 10
 */
export const sterilisingMinutes = (elevationMetres: number): number =>
  10 + Math.max(0, Math.ceil((feetOf(elevationMetres) - 1000) / 1000));

/**
 * Whether a process is too short to make its own jars sterile at an elevation.
 * @example needsSterileJars({ bands: [{ toFeet: 1000, minutes: 5 }] }, 100) // true
 */
export const needsSterileJars = (process: Pick<HeatProcess, 'bands'>, elevationMetres: number): boolean =>
  processTime(process, elevationMetres) < STERILISES_ALONE;
