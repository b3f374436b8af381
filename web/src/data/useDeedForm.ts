import { type FormEvent, useContext, useEffect, useState } from 'react';
import {
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  get,
  type PathValue,
  type Resolver,
  type UseFormReturn,
  useForm,
} from 'react-hook-form';
import type { z } from 'zod';
import { ApiProblem, newId } from './api.ts';
import { type Draft, dropDraft, keepDraft, openDraft } from './draft.ts';
import { errorsFrom, type FieldReader, readerOf } from './fieldReader.ts';
import type { WrittenNoun } from './keys.ts';
import { SessionContext } from './session.tsx';
import { useWrite } from './useWrite.ts';

export interface DeedFormOptions<V extends FieldValues, B, R> {
  /** What it writes, and what is read again after it. */
  of: WrittenNoun;
  /** Under which name what is typed is kept on the device until it is sent; '' where it never is, such as a password. */
  draft: string;
  /** The fields as they stand at first: texts as typed, ticks, choices. */
  empty: V;
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

/** What a form comes to as it stands: what is sent, or what is wrong by field. */
function bodyFrom<V extends FieldValues, B, R>(
  { schema, read, hasId = true, fieldAt }: DeedFormOptions<V, B, R>,
  id: string,
  values: V,
): { body?: B; problems: Map<string, string> } {
  const problems = new Map<string, string>();
  const said = read(values, readerOf(id, values, problems));
  const parsed = schema.safeParse(hasId ? { id, ...said } : said);
  for (const issue of parsed.error?.issues ?? []) {
    const name = fieldOf(issue.path.join('.'), values, fieldAt);
    if (!problems.has(name)) problems.set(name, issue.message);
  }
  return parsed.success ? { body: parsed.data, problems } : { problems };
}

/** The field at which a fault of a path of what is sent is shown. */
const fieldOf = <V extends FieldValues>(
  path: string,
  values: V,
  fieldAt: DeedFormOptions<V, unknown, unknown>['fieldAt'],
): string => fieldAt?.(path, values) ?? path.split('.')[0]!;

/** Goes to the first field that is at fault, once it says so: it may stand off the screen. */
const focusFirstFault = (page: Element | undefined): void =>
  void requestAnimationFrame(() => page?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus());

/** The draft of a form on this device; where nobody is signed in nothing is kept. */
function useDraft<V extends FieldValues>(key: string, empty: V) {
  const accountId = useContext(SessionContext)?.account.id ?? '';
  const [draft, setDraft] = useState<Draft<V>>(() => openDraft(accountId, key, empty));
  const untouched = JSON.stringify(empty);
  return {
    draft,
    keep: (values: V) => {
      if (JSON.stringify(values) === untouched) dropDraft(accountId, key);
      else keepDraft(accountId, key, { id: draft.id, values });
    },
    /** What was written stands under its id; what comes next has another. */
    renew: () => setDraft((before) => ({ ...before, id: newId() })),
    begin: () => {
      dropDraft(accountId, key);
      setDraft({ id: newId(), values: empty, restored: false });
    },
  };
}

/** Calls with what is typed, and names the fields that were changed since the last try. */
function useTyping<V extends FieldValues>(form: UseFormReturn<V>, keep: (values: V) => void) {
  const [changed, setChanged] = useState<readonly string[]>([]);
  const { watch } = form;
  useEffect(() => {
    const kept = watch((values, { name }) => {
      if (name) setChanged((before) => (before.includes(name) ? before : [...before, name]));
      keep(values as V);
    });
    return () => kept.unsubscribe();
  }, [watch, keep]);
  return { changed, tryAnew: () => setChanged([]) };
}

/** What the server refused, by field; at a field that was changed since it is said no more. */
function refusedAt<V extends FieldValues>(
  error: unknown,
  values: V,
  changed: readonly string[],
  fieldAt: DeedFormOptions<V, unknown, unknown>['fieldAt'],
): Map<string, string> {
  const fields = error instanceof ApiProblem ? error.fields : {};
  return new Map(
    Object.entries(fields)
      .map(([path, message]) => [fieldOf(path, values, fieldAt), message] as const)
      .filter(([name]) => !changed.includes(name)),
  );
}

/**
 * A form: read by the one reader of figures, held against the contract's schema before it is sent, kept on the device until it is,
 * and sent under the id that was made when it was opened, however often it is tried.
 */
export function useDeedForm<V extends FieldValues, B, R>(options: DeedFormOptions<V, B, R>) {
  const { of, draft: key, empty, fieldAt, hasId = true } = options;
  const kept = useDraft(key, empty);
  const { draft } = kept;
  const resolver: Resolver<V> = (values) => {
    const { problems } = bodyFrom(options, draft.id, values);
    return problems.size === 0 ? { values, errors: {} } : { values: {}, errors: errorsFrom<V>(problems) };
  };
  const form = useForm<V>({
    defaultValues: draft.values as DefaultValues<V>,
    resolver,
    mode: 'onSubmit',
    shouldFocusError: false,
  });
  const { changed, tryAnew } = useTyping(form, kept.keep);
  /** Empties the form for what is written next, under an id of its own. */
  const startAnew = () => {
    form.reset(empty as DefaultValues<V>);
    kept.begin();
  };
  const write = useWrite(of, options.write, {
    showsErrors: false,
    conflict: kept.renew,
    ...(options.done ? { done: options.done } : {}),
    // A form of something new is empty at once, so that what is typed next stays; one that changes something shows it as it is read again.
    ...(hasId ? { written: startAnew } : {}),
    after: (result, body) => {
      if (!hasId) startAnew();
      options.after?.(result, body);
    },
  });
  const values = form.watch();
  const refused = refusedAt(write.error, values, changed, fieldAt);
  const errorOf = (name: string): string | undefined =>
    (get(form.formState.errors, name) as { message?: string } | undefined)?.message ?? refused.get(name);
  const setField = (name: FieldPath<V>, value: PathValue<V, FieldPath<V>>) =>
    form.setValue(name, value, { shouldDirty: true, shouldValidate: form.formState.isSubmitted });
  return {
    values,
    busy: write.busy,
    restored: draft.restored,
    /** What was read so far, for what a form shows beside itself; undefined while it cannot be sent. */
    body: bodyFrom(options, draft.id, values).body,
    error: (name: FieldPath<V>) => errorOf(name),
    /** Properties of a field by its name: its text, its change, its error. */
    field: (name: FieldPath<V>) => ({ ...form.register(name), error: errorOf(name) }),
    /** Properties of a field of a day or a time. */
    when: (name: FieldPath<V>) => ({
      name,
      value: String(get(values, name) ?? ''),
      onChange: (value: string) => setField(name, value as PathValue<V, FieldPath<V>>),
      error: errorOf(name),
    }),
    /** Properties of an input that shows no error of its own, such as a tick or a time of a list. */
    register: form.register,
    set: setField,
    /** Empties the form, and what was kept of it. */
    clear: () => {
      startAnew();
      write.reset();
    },
    submit: (event?: FormEvent) => {
      // A dialog stands in the page of another form, which is not sent with it.
      event?.stopPropagation();
      const page = event?.currentTarget;
      const refuse = () => focusFirstFault(page);
      write.reset();
      tryAnew();
      return form.handleSubmit((typed) => {
        const { body } = bodyFrom(options, draft.id, typed as V);
        if (body) write.run(body, { onError: refuse });
      }, refuse)(event);
    },
  };
}
