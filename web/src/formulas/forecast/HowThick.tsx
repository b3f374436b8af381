import { brixLooking, THICKNESSES, type Thickness, thicknesses } from '@inch/core/sugar';

/** A spoon lifted out of the pan, and what runs off it, for each look. */
const RUNS: Record<Thickness, string> = {
  film: 'M29 19v3M33 19v2M37 19v3M31 27v1M35 26v1M33 31v1',
  coats: 'M29 19q1 4 0 8M33 19q1 5 0 10M37 19q1 4 0 7',
  sheet: 'M28 19h11l-1 9q-2 5-4 5t-4-5z',
  thread: 'M33 19q2 7 0 13t1 10',
};

function Spoon({ look }: { look: Thickness }) {
  return (
    <svg viewBox="0 0 52 44" width="52" height="44" aria-hidden="true">
      <path d="M2 6 25 12" stroke="currentColor" strokeWidth="3" strokeLinecap="round" />
      <ellipse cx="33" cy="14" rx="10" ry="5" fill="none" stroke="currentColor" strokeWidth="2" />
      <ellipse
        cx="33"
        cy="14"
        rx="8"
        ry="3.4"
        className="fill-current"
        opacity={{ film: 0.12, coats: 0.3, sheet: 0.5, thread: 0.75 }[look]}
      />
      <path
        d={RUNS[look]}
        stroke="currentColor"
        strokeWidth="2"
        strokeLinecap="round"
        fill={look === 'sheet' ? 'currentColor' : 'none'}
        fillOpacity="0.35"
      />
    </svg>
  );
}

/** How thick a pan looks when it is done: what it does on a spoon, each drawn, with the °Bx between which that lies. */
export function HowThick({
  n,
  chosen,
  set,
}: {
  n: number;
  chosen: Thickness;
  set: (look: Thickness) => void;
}) {
  return (
    <fieldset className="grid basis-full grid-cols-2 gap-2 py-1 sm:grid-cols-4">
      <legend className="sr-only">Step {n}, how thick it looks in the pan</legend>
      {THICKNESSES.map((look) => {
        const [low, , high] = brixLooking(look);
        return (
          <label
            key={look}
            className={`grid cursor-pointer justify-items-center gap-0.5 rounded-md border px-2 py-1.5 text-center text-sm has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-link ${
              chosen === look
                ? 'border-ink bg-enamel text-ink'
                : 'border-steel-line text-ink-2 hover:border-steel'
            }`}
          >
            <input
              type="radio"
              name={`step ${n} looks`}
              className="sr-only"
              checked={chosen === look}
              onChange={() => set(look)}
            />
            <Spoon look={look} />
            <span className="font-semibold">{thicknesses[look].says}</span>
            <span className="figure text-[13px]">
              {low.toFixed(0)}–{high.toFixed(0)} °Bx, clear syrup
            </span>
          </label>
        );
      })}
    </fieldset>
  );
}
