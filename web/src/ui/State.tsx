import type { ReactNode } from 'react';
import { twMerge } from 'tailwind-merge';

export type Tone = 'go' | 'hold' | 'stop' | 'plain';

const SHAPES: Record<Tone, string> = { go: '●', hold: '▲', stop: '■', plain: '○' };
const COLOURS: Record<Tone, string> = {
  go: 'text-go',
  hold: 'text-hold',
  stop: 'text-stop',
  plain: 'text-ink-2',
};

/** A state as shape, word and colour together. */
export function State({
  tone,
  children,
  className,
}: {
  tone: Tone;
  children: ReactNode;
  className?: string;
}) {
  return (
    <span className={twMerge('font-semibold', COLOURS[tone], className)}>
      <span aria-hidden="true" className="mr-1.5 text-[0.75em]">
        {SHAPES[tone]}
      </span>
      {children}
    </span>
  );
}

/** The state of a lot, in the words of the trade. */
export const lotTone = (state: string): Tone =>
  state === 'held'
    ? 'hold'
    : state === 'discarded' || state === 'recalled'
      ? 'stop'
      : state === 'released'
        ? 'go'
        : 'plain';

/** A hatched caution with its sentence. */
export function Caution({
  children,
  tone = 'hold',
  className,
}: {
  children: ReactNode;
  tone?: 'hold' | 'stop';
  className?: string;
}) {
  const look = tone === 'hold' ? 'border-hold bg-hold-pale hatch' : 'border-stop bg-stop-pale';
  return (
    <div role="note" className={twMerge('rounded-xl border-2 px-4 py-3', look, className)}>
      {children}
    </div>
  );
}

/** A fruit's colour, where its liquid or its bottles are meant. */
export function Fruit({ colour, size = 12 }: { colour: string; size?: number }) {
  return (
    <span
      aria-hidden="true"
      className="inline-block shrink-0 rounded-full"
      style={{
        background: colour,
        width: size,
        height: size,
        boxShadow: '0 0 0 1px color-mix(in srgb, var(--ink) 25%, transparent)',
      }}
    />
  );
}
