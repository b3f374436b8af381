import type { ReactNode } from 'react';

function Inches() {
  return (
    <svg
      aria-hidden="true"
      viewBox="0 0 44 360"
      className="brushed h-full w-11 shrink-0 rounded-l-[13px] border-r border-steel max-sm:hidden"
      preserveAspectRatio="xMaxYMin slice"
    >
      {Array.from({ length: 61 }, (_, i) => (
        <line
          key={i}
          x1={44 - (i % 8 === 0 ? 22 : i % 4 === 0 ? 15 : i % 2 === 0 ? 10 : 6)}
          x2={44}
          y1={12 + i * 9}
          y2={12 + i * 9}
          stroke="var(--ink)"
          strokeWidth={i % 8 === 0 ? 1.6 : 0.9}
        />
      ))}
    </svg>
  );
}

/** The enamelled page that people come in by. */
export function Doorway({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="grid min-h-full place-items-center p-4">
      <div className="enamel-rim flex w-full max-w-xl overflow-hidden">
        <div className="relative">
          <div className="absolute inset-0">
            <Inches />
          </div>
          <div className="w-11 max-sm:w-0" />
        </div>
        <div className="flex-1 p-9 max-sm:p-6">
          <p className="text-sm font-semibold text-ink-2">Inch Pantry</p>
          <h1 className="mb-6">{title}</h1>
          {children}
        </div>
      </div>
    </main>
  );
}
