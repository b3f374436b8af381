export { AIM_KINDS, AIM_WITHIN, type AimKind, type Aims, type Movable } from './aims.ts';
export { amountsOf, type LineAmount, lineAmounts } from './amounts.ts';
export type { Balance, Drink } from './balance.ts';
export { type Bias, biasOf, centreShift, LEARNS_FROM, Pair, student95 } from './bias.ts';
export { type Body, SETTLES } from './body.ts';
export { BOILS, DENIED, withoutBoiled } from './boilWords.ts';
export { inBottlesOf } from './bottleSize.ts';
export { type Caution, lowAcidLines } from './cautions.ts';
export { type Chance, chance } from './chance.ts';
export { type ColourForecast, colourOf } from './colour.ts';
export { compositionOf } from './composition.ts';
export {
  Basis,
  FormulaContent,
  FormulaKind,
  FormulaLine,
  FormulaStep,
  StepKind,
  Targets,
} from './content.ts';
export { type Contribution, contributions } from './contribution.ts';
export { basisWords, type Difference, differences } from './difference.ts';
export { boils, fireOf, lidOf, onTheFire, rateOf } from './fire.ts';
export { type Forecast, type ForecastSetting, forecast, withBand } from './forecast.ts';
export { type Inquiry, type InquiryPart, type LotMeasured, processInquiry } from './inquiry.ts';
export { type Interchange, interchanged, interchanges, saidGrams, sweetExchanges } from './interchange.ts';
export { type Fault, factsFrom, kills, type Makeup, makeupOf, PACKED_HOT, piecesLeftIn } from './makeup.ts';
export { MeasuredLot } from './measured.ts';
export { type Mend, mendsFor } from './mends.ts';
export {
  ExtractionMethod,
  extractionMethods,
  heldAt,
  StrainMethod,
  strainMethods,
} from './methods.ts';
export type { StepOutcome } from './outcome.ts';
export type { PhForecast } from './outlook.ts';
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
} from './pan.ts';
export { keptByWeight, panBefore, type Strained } from './panBefore.ts';
export { type Jarred, processedParts } from './processed.ts';
export { lineKey, type ReadListLine, readIngredientList } from './readList.ts';
export {
  KIT_USES,
  type KitPiece,
  type KitUse,
  loadsSaid,
  type Rounds,
  roundsOf,
  roundsSaid,
} from './rounds.ts';
export type { SaidLine, Weighing } from './said.ts';
export { gramsSaid, readLine, timesSaid } from './said.ts';
export { type AimedAt, type SeveralAims, severalAims } from './severalAims.ts';
export { type Simulation, type Spread, simulate, simulation } from './simulate.ts';
export { type Aim, type WhatItTakes, whatWouldItTake } from './solve.ts';
export { takesOut } from './strain.ts';
export { processFits, type Swap, sameWith } from './swap.ts';
export { SWEET_AIMS, type SweetAim, sweetMeasures } from './sweetness.ts';
export { TEXTURES, type Texture, textureOf } from './texture.ts';
export { baseBound } from './unknown.ts';
export { walk } from './walk.ts';
