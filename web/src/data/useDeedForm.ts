import { type FigureOptions, readElevation, readFigure, readPrice } from '@inch/core/quantity';
import { type FormEvent, useContext, useEffect, useState } from 'react';
import {
  type DefaultValues,
  type FieldErrors,
  type FieldPath,
  type FieldValues,
  get,
  type PathValue,
  type Resolver,
  set as setAt,
  useForm,
} from 'react-hook-form';
import type { z } from 'zod';
import { ApiProblem, idWith, newId } from './api.ts';
import { dropDraft, keepDraft, openDraft } from './draft.ts';
import type { WrittenNoun } from './keys.ts';
import { SessionContext } from './session.tsx';
import { useWrite } from './useWrite.ts';

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

function readerOf<V extends FieldValues>(
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

function errorsFrom<V extends FieldValues>(problems: Map<string, string>): FieldErrors<V> {
  const errors: FieldErrors<V> = {};
  for (const [name, message] of problems) setAt(errors, name, { type: 'read', message });
  return errors;
}

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
  fieldAt?: (path: string, values: V) => FieldPath<V> | undefined;
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
  // The forms that people come in by have nobody signed in, and keep nothing.
  const accountId = useContext(SessionContext)?.account.id ?? '';
  const [draft, setDraft] = useState(() => openDraft(accountId, key, empty));
  // What the server refused at a field is said until that field is changed.
  const [changed, setChanged] = useState<readonly string[]>([]);
  const fieldOf = (path: string, values: V): string => fieldAt?.(path, values) ?? path.split('.')[0]!;
  const bodyOf = (values: V): { body?: B; problems: Map<string, string> } => {
    const problems = new Map<string, string>();
    const said = read(values, readerOf(draft.id, values, problems));
    const parsed = schema.safeParse(hasId ? { id: draft.id, ...said } : said);
    for (const issue of parsed.error?.issues ?? []) {
      const name = fieldOf(issue.path.join('.'), values);
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
    conflict: () => setDraft((before) => ({ ...before, id: newId() })),
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
    const kept = watch((values, { name }) => {
      if (name) setChanged((before) => (before.includes(name) ? before : [...before, name]));
      if (JSON.stringify(values) === untouched) dropDraft(accountId, key);
      else keepDraft(accountId, key, { id: draft.id, values: values as V });
    });
    return () => kept.unsubscribe();
  }, [watch, accountId, key, draft.id, untouched]);
  const serverProblem = write.error instanceof ApiProblem ? write.error.fields : {};
  const values = form.watch();
  const served = new Map(
    Object.entries(serverProblem)
      .map(([path, message]) => [fieldOf(path, values), message] as const)
      .filter(([name]) => !changed.includes(name)),
  );
  const errorOf = (name: string): string | undefined =>
    (get(form.formState.errors, name) as { message?: string } | undefined)?.message ?? served.get(name);
  return {
    values,
    busy: write.busy,
    restored: draft.restored,
    /** What was read so far, for what a form shows beside itself; undefined while it cannot be sent. */
    body: bodyOf(values).body,
    error: (name: FieldPath<V>) => errorOf(name),
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
      // A dialog stands in the page of another form, which is not sent with it.
      event?.stopPropagation();
      write.reset();
      setChanged([]);
      return form.handleSubmit((typed) => {
        const { body } = bodyOf(typed as V);
        if (body) write.run(body);
      })(event);
    },
  };
}
