import { type FigureOptions, readElevation, readFigure, readPrice } from '@inch/core/quantity';
import { type FormEvent, useEffect, useState } from 'react';
import {
  type DefaultValues,
  type FieldErrors,
  type FieldPath,
  type FieldValues,
  type PathValue,
  type Resolver,
  useForm,
} from 'react-hook-form';
import type { z } from 'zod';
import { ApiProblem, newId } from './api.ts';
import { dropDraft, keepDraft, openDraft } from './draft.ts';
import type { WrittenNoun } from './keys.ts';
import { useSession } from './session.tsx';
import { useWrite } from './useWrite.ts';

/** Reads the fields of a form; what cannot be read is noted at its field, and the form is then not sent. */
export interface FieldReader<V> {
  /** A figure in a unit; null where the field is empty. */
  figure(name: keyof V & string, options: FigureOptions): number | null;
  /** A price in minor units of a currency; null where the field is empty. */
  price(name: keyof V & string, currency: string): number | null;
  /** An elevation in m, of metres or feet; null where the field is empty. */
  elevation(name: keyof V & string): number | null;
  /** Notes what is wrong with a field. */
  problem(name: keyof V & string, message: string): void;
}

function readerOf<V extends FieldValues>(values: V, problems: Map<string, string>): FieldReader<V> {
  const noted = <T>(name: string, read: { problem?: string | undefined }, value: T | undefined): T | null => {
    if (read.problem !== undefined) problems.set(name, read.problem);
    return value ?? null;
  };
  return {
    figure: (name, options) => {
      const read = readFigure(String(values[name] ?? ''), options);
      return noted(name, read, read.value);
    },
    price: (name, currency) => {
      const read = readPrice(String(values[name] ?? ''), currency);
      return noted(name, read, read.minor);
    },
    elevation: (name) => {
      const read = readElevation(String(values[name] ?? ''));
      return noted(name, read, read.value);
    },
    problem: (name, message) => void problems.set(name, message),
  };
}

const errorsFrom = <V extends FieldValues>(problems: Map<string, string>): FieldErrors<V> =>
  Object.fromEntries(
    [...problems].map(([name, message]) => [name, { type: 'read', message }]),
  ) as FieldErrors<V>;

export interface DeedFormOptions<V extends FieldValues, B, R> {
  /** What it writes, and what is read again after it. */
  of: WrittenNoun;
  /** Under which name what is typed is kept on the device until it is sent; '' where it never is, such as a password. */
  draft: string;
  /** The fields as they stand at first: texts as typed, ticks, choices. */
  empty: V;
  /** The contract's schema of what is sent. */
  schema: z.ZodType<B>;
  /** What is sent, out of the fields: without its id. */
  read: (values: V, fields: FieldReader<V>) => Record<string, unknown>;
  /** Sends it. */
  write: (body: B) => Promise<R>;
  /** The field at which something wrong with a path of what is sent is shown, where it is called otherwise. */
  fieldAt?: (path: string) => (keyof V & string) | undefined;
  /** Whether what is sent has an id of its own. */
  hasId?: boolean;
  done?: string;
  after?: (result: R, body: B) => void;
}

/**
 * A form: read by the one reader of figures, held against the contract's schema before it is sent, kept on the device until it is,
 * and sent under the id that was made when it was opened, however often it is tried.
 */
export function useDeedForm<V extends FieldValues, B, R>(options: DeedFormOptions<V, B, R>) {
  const { of, draft: key, empty, schema, read, fieldAt, hasId = true } = options;
  const accountId = useSession().account.id;
  const [draft, setDraft] = useState(() => openDraft(accountId, key, empty));
  const fieldOf = (path: string): string => fieldAt?.(path) ?? path.split('.')[0]!;
  const bodyOf = (values: V): { body?: B; problems: Map<string, string> } => {
    const problems = new Map<string, string>();
    const said = read(values, readerOf(values, problems));
    const parsed = schema.safeParse(hasId ? { id: draft.id, ...said } : said);
    for (const issue of parsed.error?.issues ?? []) {
      const name = fieldOf(issue.path.join('.'));
      if (!problems.has(name)) problems.set(name, issue.message);
    }
    return parsed.success ? { body: parsed.data, problems } : { problems };
  };
  const resolver: Resolver<V> = (values) => {
    const { problems } = bodyOf(values);
    return problems.size === 0 ? { values, errors: {} } : { values: {}, errors: errorsFrom<V>(problems) };
  };
  const form = useForm<V>({ defaultValues: draft.values as DefaultValues<V>, resolver, mode: 'onSubmit' });
  const write = useWrite(of, options.write, {
    tellsErrors: false,
    ...(options.done ? { done: options.done } : {}),
    after: (result, body) => {
      startAnew();
      options.after?.(result, body);
    },
  });
  /** Empties the form for what is written next, under an id of its own. */
  const startAnew = () => {
    form.reset(empty as DefaultValues<V>);
    dropDraft(accountId, key);
    setDraft({ id: newId(), values: empty, restored: false });
  };
  const { watch } = form;
  const untouched = JSON.stringify(empty);
  useEffect(() => {
    const kept = watch((values) => {
      if (JSON.stringify(values) === untouched) dropDraft(accountId, key);
      else keepDraft(accountId, key, { id: draft.id, values: values as V });
    });
    return () => kept.unsubscribe();
  }, [watch, accountId, key, draft.id, untouched]);
  const serverProblem = write.error instanceof ApiProblem ? write.error.fields : {};
  const served = new Map(Object.entries(serverProblem).map(([path, message]) => [fieldOf(path), message]));
  const errorOf = (name: string): string | undefined =>
    (form.formState.errors[name]?.message as string | undefined) ?? served.get(name);
  const values = form.watch();
  return {
    values,
    busy: write.busy,
    restored: draft.restored,
    /** What was read so far, for what a form shows beside itself; undefined while it cannot be sent. */
    body: bodyOf(values).body,
    error: (name: keyof V & string) => errorOf(name),
    /** Properties of a field by its name: its text, its change, its error. */
    field: (name: FieldPath<V>) => ({ ...form.register(name), error: errorOf(name) }),
    /** Properties of an input that shows no error of its own, such as a tick or a time of a list. */
    register: form.register,
    set: (name: FieldPath<V>, value: PathValue<V, FieldPath<V>>) =>
      form.setValue(name, value, { shouldDirty: true, shouldValidate: form.formState.isSubmitted }),
    /** Empties the form, and what was kept of it. */
    clear: () => {
      startAnew();
      write.reset();
    },
    submit: (event?: FormEvent) => {
      write.reset();
      return form.handleSubmit((typed) => {
        const { body } = bodyOf(typed as V);
        if (body) write.run(body);
      })(event);
    },
  };
}
