import type { ReactNode } from 'react';

/** A form under its ruled heading, open where it is the next thing to do. */
export function Fold({ title, open, children }: { title: string; open: boolean; children: ReactNode }) {
  return (
    <details open={open} className="group mt-6">
      <summary className="flex list-none items-baseline justify-between border-b border-ink pb-1.5 text-sm font-semibold text-ink-2 marker:hidden hover:text-link">
        {title}
        <span aria-hidden="true" className="text-link group-open:rotate-180">
          ▾
        </span>
      </summary>
      {children}
    </details>
  );
}
