import { type FigureOptions, readFigure, readPrice } from '@inch/core/quantity';

/** A figure as typed, in the field's unit; null while there is none or it cannot be read. */
export const figureIn = (text: string, options: FigureOptions = { unit: '' }): number | null =>
  readFigure(text, options).value ?? null;

/** What is wrong with a figure as typed. */
export const problemIn = (text: string, options: FigureOptions = { unit: '' }): string | undefined =>
  readFigure(text, options).problem;

/** Minor units of a price as typed; null while there is none or it cannot be read. */
export const priceIn = (text: string, currency: string): number | null =>
  readPrice(text, currency).minor ?? null;

/** What is wrong with a price as typed. */
export const priceProblem = (text: string, currency: string): string | undefined =>
  readPrice(text, currency).problem;
