/** What went in of an ingredient, g. */
export interface StatementLine {
  ingredientId: string;
  grams: number;
}
