export {
  type Grams,
  type Measurable,
  type OwnMeasure,
  toCelsius,
  toGrams,
  toMillimetres,
} from './convert.ts';
export { asFraction } from './fraction.ts';
export { parseQuantity, type Quantity } from './parse.ts';
export {
  type CupSchool,
  cupSchools,
  type Dimension,
  millilitresIn,
  type UnitId,
  unitNamed,
  units,
} from './units.ts';
