import { type HeatSample, lethality } from './lethality.ts';

/** A filled bottle as a cylinder, standing in a bath or on the bench. */
export interface BottleBody {
  radiusMetres: number;
  heightMetres: number;
  /** How it takes up heat: by conduction (puree, thick syrup) in m²/s, or stirred through and through, with what it weighs and holds of heat. */
  inside: { kind: 'conduction'; diffusivity: number } | { kind: 'mixed'; heatCapacityJPerK: number };
  /** From the bath through the glass, W/m²K; leave it out where the surface is held at the bath's temperature. */
  filmWPerM2K?: number;
  /** Of the food, W/mK; needed with a film and conduction. */
  conductivity?: number;
  startCelsius: number;
  /** As an earlier run left it, in place of one temperature throughout. */
  startField?: readonly (readonly number[])[];
}

export interface BottleCurve {
  /** °C at the slowest point, one a sample. */
  slowest: HeatSample[];
  /** °C of rings from the axis out and layers from the middle up, at the end: for the drawing. One layer and ring where it is mixed. */
  field: number[][];
  /** The same on the way, one a minute. */
  fields: { seconds: number; field: number[][] }[];
  /** Equivalent minutes at 93.3 °C, z 8.9, at the slowest point. Advisory: never a process. */
  minutes: number;
}

const RINGS = 20;
const LAYERS = 24;
const EVERY = 10;
const FIELD_EVERY = 60;

/** The bath's temperature at a time, straight between the points it is known at. */
function bathAt(bath: readonly HeatSample[], seconds: number): number {
  const after = bath.findIndex((b) => b.seconds >= seconds);
  if (after === -1) return bath.at(-1)!.celsius;
  if (after === 0) return bath[0]!.celsius;
  const [a, b] = [bath[after - 1]!, bath[after]!];
  return a.celsius + ((seconds - a.seconds) / (b.seconds - a.seconds)) * (b.celsius - a.celsius);
}

/** The half of a cylinder above its middle as rings by layers, each with the heat that comes in through its walls. */
class Conduction {
  readonly field: Float64Array;
  private readonly next: Float64Array;
  private readonly dr: number;
  private readonly dz: number;
  private readonly alpha: number;
  /** Conductance of half a cell to the bath over that to its neighbour, by ring and by layer: 2 where the surface itself is held. */
  private readonly side: number;
  private readonly top: number;

  constructor(body: BottleBody, diffusivity: number) {
    this.alpha = diffusivity;
    this.dr = body.radiusMetres / RINGS;
    this.dz = body.heightMetres / 2 / LAYERS;
    this.field = new Float64Array(RINGS * LAYERS).fill(body.startCelsius);
    if (body.startField) this.field.set(body.startField.flat());
    this.next = new Float64Array(RINGS * LAYERS);
    const film = (step: number) => {
      if (body.filmWPerM2K === undefined) return 2;
      const half = step / 2 / body.conductivity!;
      return step / body.conductivity! / (half + 1 / body.filmWPerM2K);
    };
    this.side = film(this.dr);
    this.top = film(this.dz);
  }

  /** The longest step that stays stable. */
  get longest(): number {
    return 0.4 / (this.alpha * ((1 + this.side) / this.dr ** 2 + (1 + this.top) / this.dz ** 2));
  }

  step(seconds: number, bath: number): void {
    const { field, next, dr, dz, alpha } = this;
    for (let z = 0; z < LAYERS; z++)
      for (let r = 0; r < RINGS; r++) {
        const i = z * RINGS + r;
        const here = field[i]!;
        // Areas of a ring's two walls over its volume, in units of 1/dr: r ± ½ over r.
        const inner = r === 0 ? 0 : (r / (r + 0.5)) * (field[i - 1]! - here);
        const outer =
          ((r + 1) / (r + 0.5)) * (r === RINGS - 1 ? this.side * (bath - here) : field[i + 1]! - here);
        const below = z === 0 ? 0 : field[i - RINGS]! - here;
        const above = z === LAYERS - 1 ? this.top * (bath - here) : field[i + RINGS]! - here;
        next[i] = here + alpha * seconds * ((inner + outer) / dr ** 2 + (below + above) / dz ** 2);
      }
    field.set(next);
  }

  get slowest(): number {
    return this.field[0]!;
  }

  layers(): number[][] {
    return Array.from({ length: LAYERS }, (_, z) => [...this.field.slice(z * RINGS, (z + 1) * RINGS)]);
  }
}

function checked(body: BottleBody, bath: readonly HeatSample[], seconds: number): void {
  if (!(body.radiusMetres > 0 && body.heightMetres > 0))
    throw new RangeError('A bottle has a radius and a height over 0');
  if (bath.length === 0) throw new RangeError('The bath has no temperature');
  if (!(seconds > 0 && seconds <= 48 * 3600)) throw new RangeError(`${seconds} s is outside 0 to 48 hours`);
  if (body.inside.kind === 'mixed' && body.filmWPerM2K === undefined)
    throw new RangeError('What is mixed through takes its heat through a film: say how much');
  if (body.inside.kind === 'conduction' && body.filmWPerM2K !== undefined && body.conductivity === undefined)
    throw new RangeError('With a film the conductivity of the food is needed');
}

function conducted(body: BottleBody, diffusivity: number, bath: readonly HeatSample[], seconds: number) {
  const inside = new Conduction(body, diffusivity);
  const slowest: HeatSample[] = [{ seconds: 0, celsius: inside.slowest }];
  const fields = [{ seconds: 0, field: inside.layers() }];
  for (let at = 0; at < seconds; ) {
    const until = Math.min(seconds, (Math.floor(at / EVERY + 1e-9) + 1) * EVERY);
    const steps = Math.ceil((until - at) / inside.longest);
    for (let i = 0; i < steps; i++)
      inside.step((until - at) / steps, bathAt(bath, at + ((i + 0.5) * (until - at)) / steps));
    at = until;
    slowest.push({ seconds: at, celsius: inside.slowest });
    if (at % FIELD_EVERY === 0 || at === seconds) fields.push({ seconds: at, field: inside.layers() });
  }
  return { slowest, field: inside.layers(), fields };
}

function mixed(body: BottleBody, heatCapacity: number, bath: readonly HeatSample[], seconds: number) {
  const area = 2 * Math.PI * body.radiusMetres * (body.radiusMetres + body.heightMetres);
  const perSecond = (body.filmWPerM2K! * area) / heatCapacity;
  let celsius = body.startField?.[0]?.[0] ?? body.startCelsius;
  const slowest: HeatSample[] = [{ seconds: 0, celsius }];
  const fields = [{ seconds: 0, field: [[celsius]] }];
  for (let at = 0; at < seconds; ) {
    const until = Math.min(seconds, (Math.floor(at / EVERY + 1e-9) + 1) * EVERY);
    const around = bathAt(bath, (at + until) / 2);
    celsius = around + (celsius - around) * Math.exp(-perSecond * (until - at));
    at = until;
    slowest.push({ seconds: at, celsius });
    if (at % FIELD_EVERY === 0 || at === seconds) fields.push({ seconds: at, field: [[celsius]] });
  }
  return { slowest, field: [[celsius]], fields };
}

/**
 * A bottle warming in a bath or cooling on the bench: an axisymmetric cylinder, by conduction (finite volumes) or well mixed with a film.
 * @param body m, m²/s, W/m²K, J/K, °C; @param bath s and °C, in order; @param seconds 0–172,800
 * @returns the slowest point every 10 s, the field at the end, its lethality in minutes. Advisory.
 * @throws RangeError outside those ranges, or where a film or conductivity is wanting
 * @example bottleInBath({ radiusMetres: 0.03, heightMetres: 0.1, inside: { kind: 'mixed', heatCapacityJPerK: 900 }, filmWPerM2K: 200, startCelsius: 20 }, [{ seconds: 0, celsius: 20 }, { seconds: 600, celsius: 20 }], 600).slowest.at(-1).celsius // 20
 */
export function bottleInBath(body: BottleBody, bath: readonly HeatSample[], seconds: number): BottleCurve {
  checked(body, bath, seconds);
  const { inside } = body;
  const { slowest, field, fields } =
    inside.kind === 'conduction'
      ? conducted(body, inside.diffusivity, bath, seconds)
      : mixed(body, inside.heatCapacityJPerK, bath, seconds);
  return { slowest, field, fields, minutes: lethality({ samples: slowest, referenceCelsius: 93.3, z: 8.9 }) };
}
