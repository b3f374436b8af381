export { AIM_KINDS, AIM_WITHIN, type AimKind, type Aims, type Movable } from './aim/aims.ts';
export { type Inquiry, type InquiryPart, type LotMeasured, processInquiry } from './aim/inquiry.ts';
export { type Mend, mendsFor } from './aim/mends.ts';
export { type AimedAt, type SeveralAims, severalAims } from './aim/severalAims.ts';
export { type Aim, type WhatItTakes, whatWouldItTake } from './aim/solve.ts';
export { processFits, type Swap, sameWith } from './aim/swap.ts';
export { amountsOf, type LineAmount, lineAmounts } from './amounts.ts';
export { BOILS, DENIED, withoutBoiled } from './boilWords.ts';
export { inBottlesOf } from './bottleSize.ts';
export {
  Basis,
  FormulaContent,
  FormulaKind,
  FormulaLine,
  FormulaStep,
  StepKind,
  Targets,
} from './content.ts';
export { basisWords, type Difference, differences } from './difference.ts';
export type { Balance, Drink } from './forecast/balance.ts';
export { type Bias, biasOf, centreShift, LEARNS_FROM, Pair, student95 } from './forecast/bias.ts';
export { type Body, SETTLES } from './forecast/body.ts';
export { type Caution, lowAcidLines } from './forecast/cautions.ts';
export { type Chance, chance } from './forecast/chance.ts';
export { type ColourForecast, colourOf } from './forecast/colour.ts';
export { compositionOf } from './forecast/composition.ts';
export { type Contribution, contributions } from './forecast/contribution.ts';
export { type Forecast, type ForecastSetting, forecast, withBand } from './forecast/forecast.ts';
export {
  type Fault,
  factsFrom,
  kills,
  type Makeup,
  makeupOf,
  PACKED_HOT,
  piecesLeftIn,
} from './forecast/makeup.ts';
export { MeasuredLot } from './forecast/measured.ts';
export type { StepOutcome } from './forecast/outcome.ts';
export type { PhForecast } from './forecast/outlook.ts';
export { type Simulation, type Spread, simulate, simulation } from './forecast/simulate.ts';
export { SWEET_AIMS, type SweetAim, sweetMeasures } from './forecast/sweetness.ts';
export { baseBound } from './forecast/unknown.ts';
export { type Interchange, interchanged, interchanges, saidGrams, sweetExchanges } from './interchange.ts';
export {
  ExtractionMethod,
  extractionMethods,
  heldAt,
  StrainMethod,
  strainMethods,
} from './methods.ts';
export { boils, fireOf, lidOf, onTheFire, rateOf } from './pan/fire.ts';
export {
  abvOf,
  acidGrams,
  brixOf,
  type Composition,
  type FoundPan,
  fruitOf,
  liquidOf,
  massOf,
  nothing,
  type Pan,
  pour,
  shareOf,
  solidsOf,
  solidVolumeOf,
  volumeOf,
} from './pan/pan.ts';
export { keptByWeight, panBefore, type Strained } from './pan/panBefore.ts';
export { type Jarred, processedParts } from './pan/processed.ts';
export {
  KIT_USES,
  type KitPiece,
  type KitUse,
  loadsSaid,
  type Rounds,
  roundsOf,
  roundsSaid,
} from './pan/rounds.ts';
export { takesOut } from './pan/strain.ts';
export { walk } from './pan/walk.ts';
export { lineKey, type ReadListLine, readIngredientList } from './readList.ts';
export type { SaidLine, Weighing } from './said.ts';
export { gramsSaid, readLine, timesSaid } from './said.ts';
export { TEXTURES, type Texture, textureOf } from './texture.ts';
