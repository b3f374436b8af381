/**
 * Viscosity of a sucrose syrup, mPa·s, within 5 % up to 70 °Bx: log10 η = 22.46 N − 0.114 + (30 − T)/(91 + T) · (1.1 + 43.1 N^1.25), N the mole fraction of sucrose.
 * @param brix 0–80 °Bx; @param celsius 0–110 °C; throws RangeError outside. Source: Génotelle's correlation, in Mathlouthi & Génotelle (1995).
 * @example viscosity(40, 20) // 6
 */
export function viscosity(brix: number, celsius: number): number {
  if (!(brix >= 0 && brix <= 80)) throw new RangeError(`${brix} °Bx is outside 0 to 80`);
  if (!(celsius >= 0 && celsius <= 110)) throw new RangeError(`${celsius} °C is outside 0 to 110`);
  const n = brix / (1900 - 18 * brix);
  return 10 ** (22.46 * n - 0.114 + ((30 - celsius) / (91 + celsius)) * (1.1 + 43.1 * n ** 1.25));
}

/**
 * °Bx of the syrup that runs at one temperature (°C) as another does at its own; within 0–80.
 * @example brixRunningLike(57.7, 20) // 59.8
 */
export function brixRunningLike(mPas: number, celsius: number): number {
  let [low, high] = [0, 80];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (viscosity(middle, celsius) < mPas) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * What a kitchen compares a viscosity in mPa·s with.
 * @example runsLike(1) // 'water'
 */
export function runsLike(mPas: number): string {
  const words: [number, string][] = [
    [1.6, 'water'],
    [4, 'milk'],
    [12, 'single cream'],
    [40, 'thin oil'],
    [120, 'olive oil'],
    [400, 'thin treacle'],
    [3000, 'runny honey'],
  ];
  return words.find(([to]) => mPas <= to)?.[1] ?? 'stiff honey';
}
