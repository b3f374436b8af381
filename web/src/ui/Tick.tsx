import type { ComponentProps, ReactNode } from 'react';
import { twMerge } from 'tailwind-merge';

/** A box to tick, with its words beside it and what they mean under them. */
export function Tick({
  children,
  hint,
  className,
  ...rest
}: ComponentProps<'input'> & { children: ReactNode; hint?: ReactNode }) {
  return (
    <label className={twMerge('flex min-h-8 gap-2', hint ? 'items-start' : 'items-center', className)}>
      <input
        type="checkbox"
        className={twMerge('size-5 shrink-0 accent-[var(--rim)]', hint ? 'mt-0.5' : '')}
        {...rest}
      />
      <span>
        {children}
        {hint && <span className="block text-sm text-ink-2">{hint}</span>}
      </span>
    </label>
  );
}
