/** First roots of J0, the Bessel function of order zero (Abramowitz & Stegun, table 9.5). */
const J0_ROOTS = [2.4048255577, 5.5200781103, 8.6537279129, 11.7915344391, 14.9309177086, 18.0710639679];

/** J1, the Bessel function of order one, by its integral over 200 panels: within 1e-10 for 0 ≤ x ≤ 20. */
function besselJ1(x: number): number {
  const panels = 200;
  let sum = 0;
  for (let i = 0; i < panels; i++) {
    const t = ((i + 0.5) * Math.PI) / panels;
    sum += Math.cos(t - x * Math.sin(t));
  }
  return sum / panels;
}

/** Unaccomplished change at the middle of an infinite slab, by its half-thickness. */
function slab(fourier: number): number {
  let sum = 0;
  for (let n = 0; n < 40; n++) {
    const k = (2 * n + 1) * (Math.PI / 2);
    sum += ((n % 2 ? -1 : 1) * 2 * Math.exp(-k * k * fourier)) / k;
  }
  return sum;
}

/** Unaccomplished change on the axis of an infinite cylinder, by its radius. */
function infiniteCylinder(fourier: number): number {
  return J0_ROOTS.reduce(
    (sum, root) => sum + (2 * Math.exp(-root * root * fourier)) / (root * besselJ1(root)),
    0,
  );
}

/**
 * Temperature in °C at the centre of a solid cylinder whose whole surface is held at one temperature, by conduction alone.
 * @param body.radiusMetres and body.halfHeightMetres over 0; @param body.diffusivity m²/s; @param body.startCelsius, body.surfaceCelsius
 * @param body.seconds at least 60 for a jar of ordinary size (Fourier number by radius over 0.005)
 * @returns °C; throws RangeError on an earlier time. Source: product of the slab and infinite-cylinder series (Carslaw & Jaeger).
 * @example cylinderCentre({ radiusMetres: 0.03, halfHeightMetres: 0.05, diffusivity: 1.4e-7, startCelsius: 20, surfaceCelsius: 100, seconds: 100000 }) // 100
 */
export function cylinderCentre(body: {
  radiusMetres: number;
  halfHeightMetres: number;
  diffusivity: number;
  startCelsius: number;
  surfaceCelsius: number;
  seconds: number;
}): number {
  const { radiusMetres, halfHeightMetres, diffusivity, startCelsius, surfaceCelsius, seconds } = body;
  const byRadius = (diffusivity * seconds) / radiusMetres ** 2;
  if (!(byRadius > 0.005)) throw new RangeError(`${seconds} s is too early for the series`);
  const left = slab((diffusivity * seconds) / halfHeightMetres ** 2) * infiniteCylinder(byRadius);
  return surfaceCelsius + (startCelsius - surfaceCelsius) * left;
}
