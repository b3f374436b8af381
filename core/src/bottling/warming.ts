import { type BottleBody, bottleInBath, type HeatSample, lethality } from '../heat/index.ts';
import { densityAt20, heatCapacity } from '../sugar/index.ts';

/** °C between the fill and the boil, at which a filling's heat capacity is taken. */
const WARM = 80;

/** A bottle as it goes through its process, as far as a kitchen knows it. */
export interface WarmingBottle {
  diameterMm: number;
  nominalMl: number;
  /** °Bx of what is in it. */
  brix: number;
  /** Thick as a puree, or with pieces: it warms by conduction alone. A thin syrup stirs itself. */
  thick: boolean;
  fillCelsius: number;
  /** The bath when the bottle goes in, and as it boils. */
  bathCelsius: number;
  boilsAt: number;
  comeUpMinutes: number;
  boilMinutes: number;
  restMinutes: number;
  roomCelsius: number;
}

export interface Warming {
  /** °C at the slowest point, and of what is round the bottle. */
  slowest: HeatSample[];
  around: HeatSample[];
  /** The whole of it, for the drawing; rings from the axis out, layers from the middle up. */
  fields: { seconds: number; field: number[][] }[];
  /** s from going in: the boil, the fire off, the lifting. */
  boilAt: number;
  offAt: number;
  liftedAt: number;
  /** Equivalent minutes at 93.3 °C, z 8.9, at the slowest point, till it is cold again. Advisory: never a process. */
  minutes: number;
  hottest: number;
  /** s after lifting until its slowest point is at 45 °C and it may be moved; null where that takes over 8 hours. */
  movableAfter: number | null;
}

/** Film of still hot water round glass, and of still air, W/m²K; the glass between is in them. */
const [WATER_FILM, AIR_FILM] = [350, 11];
/** °C at which a bottle is taken in the hand and does not shift in its seal. */
const MOVED_AT = 45;
/** How fast a canner cools with its lid off, °C a minute. */
const RESTS_BY = 1;
const WALL_M = 0.0025;
const BENCH_SECONDS = 8 * 3600;

/** Conductivity of a sugar solution, W/mK. @param brix 0–85. Source: Riedel (1949), at about 80 °C. */
const conductivity = (brix: number): number => (0.67 * (100 - 0.6 * brix)) / 100;

function bodyOf(
  b: WarmingBottle,
  film: number,
  start: Pick<BottleBody, 'startCelsius' | 'startField'>,
): BottleBody {
  const radiusMetres = b.diameterMm / 2000 - WALL_M;
  const heightMetres = (b.nominalMl * 1e-6) / (Math.PI * radiusMetres ** 2);
  const density = densityAt20(Math.min(80, b.brix));
  const perGram = heatCapacity(b.brix, WARM);
  const conducts = conductivity(b.brix);
  return {
    radiusMetres,
    heightMetres,
    inside: b.thick
      ? { kind: 'conduction', diffusivity: conducts / (density * 1e6 * perGram) }
      : { kind: 'mixed', heatCapacityJPerK: b.nominalMl * density * perGram },
    filmWPerM2K: film,
    conductivity: conducts,
    ...start,
  };
}

function checked(b: WarmingBottle): void {
  const within = (value: number, low: number, high: number, what: string) => {
    if (!(value >= low && value <= high))
      throw new RangeError(`${what} of ${value} is outside ${low} to ${high}`);
  };
  within(b.diameterMm, 15, 400, 'A diameter in mm');
  within(b.nominalMl, 20, 20_000, 'A volume in mL');
  within(b.brix, 0, 85, 'A strength in °Bx');
  within(b.boilsAt, 80, 101, 'A boil in °C');
  within(b.comeUpMinutes, 0, 240, 'A time to the boil in minutes');
  within(b.boilMinutes, 0, 240, 'A boil in minutes');
  within(b.restMinutes, 0, 60, 'A rest in minutes');
}

/**
 * A bottle through its process and on the bench: put into the bath, brought to the boil, boiled, rested and lifted, cooled in the room.
 * A thin syrup is a well-mixed core behind a film, a thick one conducts. Advisory: it replaces no process.
 * @param b mm, mL, °Bx, °C and minutes
 * @throws RangeError outside their ranges, which it names
 * @example warming({ diameterMm: 70, nominalMl: 250, brix: 50, thick: false, fillCelsius: 85, bathCelsius: 80, boilsAt: 100, comeUpMinutes: 10, boilMinutes: 15, restMinutes: 5, roomCelsius: 20 }).boilAt // 600
 */
export function warming(b: WarmingBottle): Warming {
  checked(b);
  const boilAt = b.comeUpMinutes * 60;
  const offAt = boilAt + b.boilMinutes * 60;
  const liftedAt = offAt + b.restMinutes * 60;
  const bath: HeatSample[] = [
    ...(boilAt > 0 ? [{ seconds: 0, celsius: b.bathCelsius }] : []),
    { seconds: boilAt, celsius: b.boilsAt },
    { seconds: offAt, celsius: b.boilsAt },
    { seconds: liftedAt, celsius: b.boilsAt - RESTS_BY * b.restMinutes },
  ];
  const wet = bottleInBath(
    bodyOf(b, WATER_FILM, { startCelsius: b.fillCelsius }),
    bath,
    Math.max(1, liftedAt),
  );
  const dry = bottleInBath(
    bodyOf(b, AIR_FILM, { startCelsius: wet.slowest.at(-1)!.celsius, startField: wet.field }),
    [{ seconds: 0, celsius: b.roomCelsius }],
    BENCH_SECONDS,
  );
  const later = <T extends { seconds: number }>(list: readonly T[]) =>
    list.slice(1).map((s) => ({ ...s, seconds: s.seconds + liftedAt }));
  const slowest = [...wet.slowest, ...later(dry.slowest)];
  const hot = dry.slowest.findLastIndex((s) => s.celsius > MOVED_AT);
  return {
    slowest,
    around: [...bath, { seconds: liftedAt + 1, celsius: b.roomCelsius }],
    fields: [...wet.fields, ...later(dry.fields)],
    boilAt,
    offAt,
    liftedAt,
    minutes: lethality({ samples: slowest, referenceCelsius: 93.3, z: 8.9 }),
    hottest: Math.max(...slowest.map((s) => s.celsius)),
    movableAfter: hot === -1 ? 0 : hot === dry.slowest.length - 1 ? null : dry.slowest[hot + 1]!.seconds,
  };
}

/** Water heats at so many J/gK, and jars' glass. */
const [WATER, GLASS] = [4.186, 0.84];

/**
 * Seconds until a canner with its jars boils, from the heat that goes into it: when to light it, so that water, jars and syrup are ready together.
 * @param canner.waterMl over 0; @param canner.startCelsius and @param canner.boilsAt °C; @param canner.watts that reach the water, over 0
 * @param canner.jars with g of glass and of contents each, and their temperature; none where they go in at the boil
 * @throws RangeError outside those ranges
 * @example boilsIn({ waterMl: 1000, startCelsius: 20, boilsAt: 100, watts: 4186 }) // 80
 */
export function boilsIn(canner: {
  waterMl: number;
  startCelsius: number;
  boilsAt: number;
  watts: number;
  jars?: { count: number; glassGrams: number; contentGrams: number; brix: number; celsius: number };
}): number {
  const { waterMl, startCelsius, boilsAt, watts, jars } = canner;
  if (!(waterMl > 0)) throw new RangeError(`${waterMl} mL of water: write more than 0`);
  if (!(watts > 0)) throw new RangeError(`${watts} W: a fire gives more than nothing`);
  if (!(startCelsius >= 0 && startCelsius <= boilsAt))
    throw new RangeError(`Water at ${startCelsius} °C is outside 0 to ${boilsAt}`);
  const water = waterMl * WATER * (boilsAt - startCelsius);
  const each = jars ? jars.glassGrams * GLASS + jars.contentGrams * heatCapacity(jars.brix, WARM) : 0;
  const glass = jars ? jars.count * each * Math.max(0, boilsAt - jars.celsius) : 0;
  return (water + glass) / watts;
}
