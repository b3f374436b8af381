export { type AmountRead, amountAt } from './amountAt.ts';
export {
  type Grams,
  type Measurable,
  OwnMeasure,
  toCelsius,
  toGrams,
  toMillimetres,
} from './convert.ts';
export { readElevation } from './elevation.ts';
export { type Figure, type FigureOptions, readFigure, signedWeight } from './figure.ts';
export { asFraction } from './fraction.ts';
export { inWords } from './inWords.ts';
export {
  celsiusOf,
  degrees,
  degreesApart,
  degreesShown,
  type KitchenUnits,
  LOCALES,
  type Locale,
  limitOfHeat,
  localeNow,
  METRIC,
  pricePerWeightShown,
  temperature,
  uncrossed,
  unitsFrom,
  unitsNow,
  volumeOfShown,
  volumeShown,
  volumeSign,
  type WeightSize,
  weightOfShown,
  weightShown,
  weightSign,
  weightSizeOf,
} from './kitchenUnits.ts';
export { type NumberRead, numberAt, partBehind } from './numberWords.ts';
export { ownOf } from './ownOf.ts';
export { askOf, parseQuantity, type Quantity } from './parse.ts';
export { priceShown, type ReadPrice, readPrice } from './price.ts';
export {
  batchVolume,
  bottleSize,
  brixSaid,
  depthSaid,
  grouped,
  inAHundred,
  money,
  plural,
  volume,
  weight,
  yieldShown,
  yieldSign,
} from './shown.ts';
export { singular } from './singular.ts';
export { type Token, textOf, tokensOf, wordOf } from './tokens.ts';
export {
  CupSchool,
  cupSchools,
  type Dimension,
  millilitresIn,
  type UnitId,
  unitNamed,
  units,
} from './units.ts';
export { isCounted, SHAPED, type Shape } from './vague.ts';
