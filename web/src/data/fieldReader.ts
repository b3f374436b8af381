import { type FigureOptions, readElevation, readFigure, readPrice } from '@inch/core/quantity';
import { type FieldErrors, type FieldPath, type FieldValues, get, set } from 'react-hook-form';
import { idWith } from './api.ts';

/** Reads the fields of a form; what cannot be read is noted at its field, and the form is then not sent. */
export interface FieldReader<V extends FieldValues> {
  /** A figure in a unit; null where the field is empty. */
  figure(name: FieldPath<V>, options: FigureOptions): number | null;
  /** A price in minor units of a currency; null where the field is empty. */
  price(name: FieldPath<V>, currency: string): number | null;
  /** An elevation in m, of metres or feet; null where the field is empty. */
  elevation(name: FieldPath<V>): number | null;
  /** What was read of a field in another way; a sentence is what is wrong with it. */
  taken<T>(name: FieldPath<V>, read: T | string): T | undefined;
  /** Id of another thing that is written with it, the same at every try. */
  idOf(thing: string): string;
  /** Notes what is wrong with a field. */
  problem(name: FieldPath<V>, message: string): void;
}

/** The reader of one try of a form: what it cannot read goes into the problems, by field. */
export function readerOf<V extends FieldValues>(
  id: string,
  values: V,
  problems: Map<string, string>,
): FieldReader<V> {
  const noted = <T>(name: string, read: { problem?: string | undefined }, value: T | undefined): T | null => {
    if (read.problem !== undefined) problems.set(name, read.problem);
    return value ?? null;
  };
  return {
    figure: (name, options) => {
      const read = readFigure(String(get(values, name) ?? ''), options);
      return noted(name, read, read.value);
    },
    price: (name, currency) => {
      const read = readPrice(String(get(values, name) ?? ''), currency);
      return noted(name, read, read.minor);
    },
    elevation: (name) => {
      const read = readElevation(String(get(values, name) ?? ''));
      return noted(name, read, read.value);
    },
    taken: (name, read) => {
      if (typeof read !== 'string') return read;
      problems.set(name, read);
      return undefined;
    },
    idOf: (thing) => idWith(id, thing),
    problem: (name, message) => void problems.set(name, message),
  };
}

/** Problems by field, as the form library takes them. */
export function errorsFrom<V extends FieldValues>(problems: Map<string, string>): FieldErrors<V> {
  const errors: FieldErrors<V> = {};
  for (const [name, message] of problems) set(errors, name, { type: 'read', message });
  return errors;
}
