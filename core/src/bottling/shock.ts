/** Glass of ordinary bottles and jars stands so much between itself and what goes in or round it, °C. */
const STANDS = 42;

export interface ThermalShock {
  differenceCelsius: number;
  limitCelsius: number;
  over: boolean;
}

/**
 * Thermal shock of a glass container: the step in temperature when it is filled, or set into a bath.
 * @param glassCelsius −20 to 120; @param otherCelsius what meets it, −20 to 120; throws RangeError outside
 * Source: the 42 °C step that annealed soda-lime containers are commonly tested at (ASTM C149); hot glass into cold is worse than the other way round.
 * @example thermalShock(20, 90) // { differenceCelsius: 70, limitCelsius: 42, over: true }
 */
export function thermalShock(glassCelsius: number, otherCelsius: number): ThermalShock {
  for (const t of [glassCelsius, otherCelsius])
    if (!(t >= -20 && t <= 120)) throw new RangeError(`${t} °C is outside −20 to 120`);
  const differenceCelsius = Math.abs(otherCelsius - glassCelsius);
  return { differenceCelsius, limitCelsius: STANDS, over: differenceCelsius > STANDS };
}
