/** mL up to which a jar or bottle is a pint. */
const PINT = 500;

/**
 * Headspace that liquid asks for which is to freeze in glass, inches: what is in it expands by about a tenth.
 * @param nominalMl of the container, mL; @param closure a two-piece lid closes a wide mouth, everything else a narrow one
 * @returns inches. Source: National Center for Home Food Preservation, headspace for frozen foods in liquid: wide mouth ½ in to a pint, 1 in above; narrow mouth
 * ¾ in and 1½ in. Not yet read against it.
 * @example headspaceForIce(237, 'two-piece-lid') // 0.5
 */
export const headspaceForIce = (nominalMl: number, closure: string): number =>
  closure === 'two-piece-lid' ? (nominalMl <= PINT ? 0.5 : 1) : nominalMl <= PINT ? 0.75 : 1.5;
