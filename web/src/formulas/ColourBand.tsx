import type { Forecast } from '@inch/core/formula';

/** What a faded red or green is on its way to, and what heat makes of sugar. */
const [FADED, BROWNED] = ['#c9a26b', '#7a4a1e'];
/** Minutes at 100 °C at which a syrup is brown through. */
const BROWN_THROUGH = 400;

/** The product's colour with so much of its pigment left, and browned. What is left still covers: half a pigment looks like seven tenths. */
function mixed(colour: string, keeps: number, brownedMinutes: number): string {
  const faded = `color-mix(in oklab, ${colour} ${Math.round(100 * Math.sqrt(keeps))}%, ${FADED})`;
  const brown = Math.min(80, Math.round((100 * brownedMinutes) / BROWN_THROUGH / (1 + keeps)));
  return `color-mix(in oklab, ${faded} ${100 - brown}%, ${BROWNED})`;
}

/** What heat makes of the colour: as it goes in, and between what it comes out; drawn, and in words. */
export function ColourBand({ forecast: { colour: made }, colour }: { forecast: Forecast; colour: string }) {
  const parts = [
    { name: 'before the heat', fill: colour },
    { name: 'at best', fill: mixed(colour, made.keeps.high, 0.6 * made.brownedMinutes) },
    { name: 'likely', fill: mixed(colour, made.keeps.middle, made.brownedMinutes) },
    { name: 'at worst', fill: mixed(colour, made.keeps.low, 1.6 * made.brownedMinutes) },
  ];
  return (
    <>
      <h3 className="mt-4 border-b border-ink pb-1 text-sm font-semibold text-ink-2">Colour</h3>
      <div className="mt-2 flex gap-3">
        {parts.map(({ name, fill }) => (
          <figure key={name} className="flex-1 text-sm text-ink-2">
            <div className="h-7 rounded-sm border border-steel-line" style={{ background: fill }} />
            <figcaption>{name}</figcaption>
          </figure>
        ))}
      </div>
      <p className="mt-1">{made.says}</p>
    </>
  );
}
