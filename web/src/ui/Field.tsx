import { type ComponentProps, type ReactNode, useId } from 'react';
import { twMerge } from 'tailwind-merge';

/** Look of what is typed or chosen into. */
export const box =
  'w-full rounded-lg border border-steel bg-enamel px-3 py-1.5 min-h-10 text-ink placeholder:text-steel aria-invalid:border-stop aria-invalid:border-2';

/** What every field has: its label, and what is said under it. */
export interface Common {
  label: string;
  hint?: ReactNode;
  error?: string | undefined;
  className?: string;
  /** The label is for those who listen; what stands beside it says it to those who look. */
  labelHidden?: boolean | undefined;
}

/** Label, field, and its error or its hint. */
export function Frame({
  id,
  label,
  hint,
  error,
  className,
  labelHidden,
  children,
}: Common & { id: string; children: ReactNode }) {
  return (
    <div className={className}>
      <label htmlFor={id} className={labelHidden ? 'sr-only' : 'mb-1 block text-sm font-semibold text-ink-2'}>
        {label}
      </label>
      {children}
      {error ? (
        <p id={`${id}-error`} role="alert" className="mt-1 text-sm font-semibold text-stop">
          {error}
        </p>
      ) : (
        hint && (
          <p id={`${id}-hint`} className="mt-1 text-sm text-ink-2">
            {hint}
          </p>
        )
      )}
    </div>
  );
}

/** Id of what describes a field. */
export const described = (id: string, error: string | undefined, hint: ReactNode) =>
  error ? `${id}-error` : hint ? `${id}-hint` : undefined;

/** A labelled input with its hint or its error. */
export function Field({
  label,
  hint,
  error,
  className,
  labelHidden,
  figure,
  large,
  ...rest
}: Common & ComponentProps<'input'> & { figure?: boolean; large?: boolean }) {
  const id = useId();
  return (
    <Frame {...{ id, label, hint, error, labelHidden }} {...(className ? { className } : {})}>
      <input
        id={id}
        className={twMerge(
          box,
          figure && 'figure',
          large && 'min-h-14 text-lg',
          large && figure && 'text-right font-bold',
        )}
        aria-invalid={error ? true : undefined}
        aria-describedby={described(id, error, hint)}
        {...rest}
      />
    </Frame>
  );
}

/** What may be chosen, with what it is called. */
export type Options = readonly (readonly [value: string | number, says: string | undefined])[];

/** A labelled choice. */
export function Choice({
  label,
  hint,
  error,
  className,
  labelHidden,
  options = [],
  children,
  ...rest
}: Common & ComponentProps<'select'> & { options?: Options }) {
  const id = useId();
  return (
    <Frame {...{ id, label, hint, error, labelHidden }} {...(className ? { className } : {})}>
      <select
        id={id}
        className={box}
        aria-invalid={error ? true : undefined}
        aria-describedby={described(id, error, hint)}
        {...rest}
      >
        {options.map(([value, says]) => (
          <option key={value} value={value}>
            {says}
          </option>
        ))}
        {children}
      </select>
    </Frame>
  );
}

/** A labelled text of several lines. */
export function TextField({ label, hint, error, className, ...rest }: Common & ComponentProps<'textarea'>) {
  const id = useId();
  return (
    <Frame id={id} label={label} hint={hint} error={error} {...(className ? { className } : {})}>
      <textarea
        id={id}
        rows={3}
        className={box}
        aria-invalid={error ? true : undefined}
        aria-describedby={described(id, error, hint)}
        {...rest}
      />
    </Frame>
  );
}
