import { airPressure, saturationTemperature, vapourPressure } from '../heat/index.ts';
import { syrupActivity } from './syrupActivity.ts';

/** How high the fire is under a pan. */
export const FIRES = ['low', 'medium', 'full'] as const;
export type Fire = (typeof FIRES)[number];
export const LIDS = ['off', 'half', 'on'] as const;
export type Lid = (typeof LIDS)[number];

export interface Boiling {
  /** Width of the pan at the liquid, mm, 60–1,000. */
  diameterMm: number;
  /** Low, medium or full, or the heat in kW that it gives a pan 280 mm wide, over 0 to 15. */
  fire: Fire | number;
  /** On, half on or off; `true` is on. */
  lid: Lid | boolean;
  /** Temperature of the liquid, °C, 0–130. Over its boil it is at its boil. */
  celsius: number;
  /** Of the liquid, 0–85. */
  brix: number;
  /** −400 to 5,000. */
  elevationMetres: number;
  /** Of the liquid, over 0. */
  grams: number;
  /** Whether it is stirred all the time. */
  stirred?: boolean;
}

/** kW that go into the liquid of a pan 280 mm wide. A domestic burner gives 0.6 to 2.0: gas 35–45 % of its rating, electric 65–75, induction about 85. */
const KILOWATTS: Record<Fire, number> = { low: 0.6, medium: 1, full: 1.6 };
/** Latent heat of water at the boil, kJ/kg. */
const LATENT = 2257;
/** Share of the steam that leaves past a lid; the rest runs back. */
const PAST_LID: Record<Lid, readonly [low: number, typical: number, high: number]> = {
  off: [1, 1, 1],
  half: [0.35, 0.5, 0.65],
  on: [0.05, 0.12, 0.25],
};
/** W/m² for each Pa that the surface stands over the room: still water in still air (ASHRAE Handbook, HVAC Applications: pools without swimmers). */
const STILL_WATER = 0.089;
/** Draught carries off twice as much; steam held back by the wall leaves half. */
const SURFACE_RANGE: readonly [number, number] = [0.5, 2];
/** Vapour pressure of a room, kPa. */
const ROOM = 1.2;
/** °C under its boil from which on a pan simmers: bubbles carry more off than the surface alone. */
const SIMMERS = 5;
/** Heat through the wall, W for a square metre and °C over the room. */
const WALL = 12;
const ROOM_CELSIUS = 20;
const BOIL_RANGE: readonly [number, number] = [0.65, 1.45];
/** Stirring brings the hot to the surface. */
const STIRRED = 1.3;
/** °Bx up to which the boiling point is known; a stiffer one boils no cooler. */
const STIFF = 80;

/** Heat that a pan takes of a fire, as a share of one 280 mm wide: a wide pan takes more of the flame. */
const takes = (diameterMm: number): number => (1 - Math.exp(-diameterMm / 175)) / (1 - Math.exp(-280 / 175));

/** g a minute at a full boil: all heat but what the wall loses goes into steam; a syrup gives it up more slowly. */
function boiledOff({ diameterMm, fire, brix, grams }: Boiling, boils: number): number {
  const kw = (typeof fire === 'number' ? fire : KILOWATTS[fire]) * takes(diameterMm);
  const wallSquareMetres = (4 * grams * 1e-6) / (diameterMm / 1000);
  const wall = (WALL * wallSquareMetres * (boils - ROOM_CELSIUS)) / 1000;
  return (Math.max(0.05 * kw, kw - wall) / LATENT) * 60_000 * syrupActivity(brix);
}

/** Latent heat of water under the boil, kJ/kg, 0–100 °C (steam tables, a straight line through them). */
const latentAt = (celsius: number): number => 2501 - 2.42 * celsius;

/** g a minute that the surface alone gives at a temperature in °C. */
function fromSurface({ diameterMm, brix, stirred }: Boiling, celsius: number): number {
  const squareMetres = (Math.PI / 4) * (diameterMm / 1000) ** 2;
  const over = Math.max(0, syrupActivity(brix) * vapourPressure(Math.max(1, celsius)) - ROOM);
  const kgPerSecond = (STILL_WATER * over * squareMetres) / latentAt(celsius);
  return kgPerSecond * 60_000 * (stirred ? STIRRED : 1);
}

function check({ diameterMm, fire, celsius, brix, grams }: Boiling): void {
  if (!(diameterMm >= 60 && diameterMm <= 1000))
    throw new RangeError(`A pan ${diameterMm} mm wide is outside 60 to 1,000`);
  if (typeof fire === 'number' ? !(fire > 0 && fire <= 15) : !FIRES.includes(fire))
    throw new RangeError(`A fire of ${fire} is none: low, medium, full, or kW over 0 to 15`);
  if (!(celsius >= 0 && celsius <= 130)) throw new RangeError(`${celsius} °C is outside 0 to 130`);
  if (!(brix >= 0 && brix <= 85)) throw new RangeError(`${brix} °Bx is outside 0 to 85`);
  if (!(grams > 0)) throw new RangeError('There is nothing in the pan');
}

/**
 * How fast a pan loses water: at its boil by the heat that goes into it over the latent heat, under it by its surface, between the two at a
 * simmer; a lid returns most of it.
 * @param pan its width in mm, the fire (a word, or kW), the lid, °C, °Bx, elevation in m, g of liquid
 * @returns g of water a minute, with the range within which kitchens lie
 * @throws RangeError out of range. Source: latent heat 2,257 kJ/kg; net heat of domestic burners 0.6–2.0 kW; still water under the boil by ASHRAE's pool formula, 0.089 (p − p of the room, kPa) over its latent heat, kg/(m² s).
 * @example evaporationRate({ diameterMm: 280, fire: 'medium', lid: 'off', celsius: 100, brix: 10, elevationMetres: 0, grams: 4000 }).gramsPerMinute // 25
 */
export function evaporationRate(pan: Boiling): { gramsPerMinute: number; low: number; high: number } {
  check(pan);
  const boils = saturationTemperature(
    airPressure(pan.elevationMetres) / syrupActivity(Math.min(STIFF, pan.brix)),
  );
  const celsius = Math.min(pan.celsius, boils);
  const surface = fromSurface(pan, celsius);
  const boil = Math.max(surface, boiledOff(pan, boils));
  const near = Math.max(0, 1 - (boils - celsius) / SIMMERS);
  const share = near * near * (3 - 2 * near);
  const lid: Lid = pan.lid === true ? 'on' : pan.lid === false ? 'off' : pan.lid;
  const past = PAST_LID[lid];
  const open = surface + share * (boil - surface);
  const at = (end: 0 | 1): number => SURFACE_RANGE[end] + share * (BOIL_RANGE[end] - SURFACE_RANGE[end]);
  return {
    gramsPerMinute: open * past[1],
    low: open * at(0) * past[0],
    high: open * at(1) * past[2],
  };
}

/**
 * Width in mm of the pan that a batch is usually cooked in: it stands a quarter as high as it is wide. @param millilitres mL of it
 * @example typicalPan(4000) // 273
 */
export const typicalPan = (millilitres: number): number =>
  Math.min(450, Math.max(140, 10 * Math.cbrt(Math.max(1, millilitres) / 0.196)));
