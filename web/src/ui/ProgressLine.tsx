import { grouped } from '@inch/core/quantity';
import type { ReactNode } from 'react';

/** How far something is: what, how much of how much, and a bar of it. */
export function ProgressLine({
  what,
  done,
  total,
  children,
}: {
  what: string;
  done: number;
  total: number;
  children?: ReactNode;
}) {
  return (
    <div role="status" className="py-2">
      <p>
        {what}: <span className="figure font-bold">{grouped(done)}</span> of{' '}
        <span className="figure">{grouped(total)}</span>
      </p>
      <div
        role="progressbar"
        aria-label={what}
        aria-valuemin={0}
        aria-valuemax={total}
        aria-valuenow={done}
        className="mt-1.5 h-2.5 overflow-hidden rounded-full border border-steel bg-enamel"
      >
        <div className="h-full bg-rim" style={{ width: `${total > 0 ? (100 * done) / total : 0}%` }} />
      </div>
      {children}
    </div>
  );
}
