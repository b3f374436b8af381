import type { ReactNode } from 'react';
import { twMerge } from 'tailwind-merge';

/** The white enamel that a screen stands on; `aside` is its cooler right-hand part. */
export function Sheet({
  children,
  aside,
  asideLabel,
  className,
}: {
  children: ReactNode;
  aside?: ReactNode;
  asideLabel?: string;
  className?: string;
}) {
  return (
    <div className="enamel-rim flex h-full min-h-0 flex-1 overflow-hidden max-lg:h-auto max-lg:flex-col max-lg:overflow-visible">
      <div className={twMerge('min-w-0 flex-1 overflow-y-auto px-7 py-6 max-sm:px-4', className)}>
        {children}
      </div>
      {aside && (
        <aside
          aria-label={asideLabel}
          // biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls is reached by the keyboard
          tabIndex={0}
          className="w-[26.5rem] shrink-0 overflow-y-auto rounded-r-[14px] border-l border-steel-line bg-enamel-cool px-6 py-6 max-lg:w-full max-lg:rounded-none max-lg:border-t max-lg:border-l-0 max-sm:px-4"
        >
          {aside}
        </aside>
      )}
    </div>
  );
}

/** A section's small heading over a ruled line. */
export function Ruled({
  title,
  aside,
  children,
  className,
}: {
  title: string;
  aside?: ReactNode;
  children: ReactNode;
  className?: string;
}) {
  return (
    <section className={className}>
      <div className="flex items-baseline justify-between border-b border-ink pb-1.5">
        <h2 className="text-sm font-semibold text-ink-2">{title}</h2>
        {aside}
      </div>
      {children}
    </section>
  );
}

/** What goes here, and the first step. */
export function Empty({ title, children }: { title?: string; children?: ReactNode }) {
  return (
    <div className={`mx-auto max-w-md text-center ${title ? 'py-16' : 'pb-16'}`}>
      {title && <p className="text-xl font-semibold">{title}</p>}
      <div className="mt-3 text-ink-2">{children}</div>
    </div>
  );
}
