export { additiveClass } from './additive.ts';
export { allergensIn, type Declared, declaredAllergens, nutsIn, sulphitesPpm } from './allergens.ts';
export {
  type Art,
  bled,
  boxOf,
  CAPITAL,
  type Face,
  FIELDS,
  type FieldId,
  INK,
  type MeasureText,
  X_HEIGHT,
} from './art/art.ts';
export { contrast } from './art/colour.ts';
export { type Artwork, labelArtwork, sizeThatFits } from './art/compose.ts';
export {
  LABEL_SIDE,
  LabelDesign,
  LOOKS,
  type Look,
  lookNames,
  type Moved,
  sizeOn,
  usualDesign,
} from './art/design.ts';
export { measuredBy } from './art/measure.ts';
export { panelFormats } from './art/panel.ts';
export { servingsSaid } from './art/panelRows.ts';
export type { ArtworkOf } from './art/place.ts';
export {
  PAPERS,
  type Paper,
  SheetMeasures,
  type SheetPlace,
  sheetPlaces,
  sheetsFor,
  whyNoSheet,
} from './art/sheet.ts';
export { codePath, type Drawing, faceSvg, svgOf } from './art/svg.ts';
export { bringsCaffeine, CautionLine, cautionLines } from './cautionLines.ts';
export { claimRows, LabelCheck, labelCheck, labelMissing } from './check.ts';
export { type Claim, claimsIn } from './claims.ts';
export { LabelContent, type LabelKitchen, labelContent, OwnWords, secondWords } from './content.ts';
export { type DateStyle, dateLine } from './date.ts';
export { differencesFromFormula } from './differences.ts';
export { FacedContainer, type Faces, facesOf } from './faces.ts';
export { LabelFiguresFile } from './figures.ts';
export { juicePercent } from './juice.ts';
export {
  type Exemption,
  exemptionOf,
  exemptions,
  Labelling,
  PRINTED,
  usualLabelling,
  Vignette,
} from './labelling.ts';
export type { StatementLine } from './line.ts';
export { lotNutrition } from './lotNutrition.ts';
export { netContents, netWeight } from './netContents.ts';
export { Nutrition, type NutritionFigure, type NutritionOf, nutrition } from './nutrition.ts';
export { leastText, netContentsHeight, type RulePack, RulePackId, rulePacks } from './packs.ts';
export { relabelling, warningsOf } from './printed.ts';
export { type Quantity, quantitiesOf } from './quid.ts';
export {
  NUTRIENTS,
  type Nutrient,
  nutrientNamed,
  percentDailyValue,
  roundNutrient,
} from './roundNutrient.ts';
export { ingredientStatement, type StatementOf, type StatementPart } from './statement.ts';
export { LANGUAGES, LabelWordsFile, Language, labelWords } from './words.ts';
