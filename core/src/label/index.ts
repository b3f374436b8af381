export { type LabelCheck, labelCheck, labelMissing } from './check.ts';
export {
  differencesFromFormula,
  type LabelContent,
  type LabelKitchen,
  labelContent,
  netContents,
} from './content.ts';
export { type LabelLayout, type LabelText, labelLayout, labelSizes, type MeasureText } from './layout.ts';
export { lotNutrition } from './lotNutrition.ts';
export { type Nutrition, type NutritionFigure, type NutritionOf, nutrition } from './nutrition.ts';
export { netContentsHeight, type RulePack, type RulePackId, rulePacks } from './packs.ts';
export {
  NUTRIENTS,
  type Nutrient,
  nutrientNamed,
  percentDailyValue,
  roundNutrient,
} from './roundNutrient.ts';
export { allergensIn, ingredientStatement, type StatementLine, type StatementPart } from './statement.ts';
