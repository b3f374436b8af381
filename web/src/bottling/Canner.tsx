import type { LotView } from '@inch/contract/lot';
import { boilsIn, type CannerFill, cannerFill } from '@inch/core/bottling';
import { boilingPointOfWater } from '@inch/core/heat';
import { finishedBrix } from '@inch/core/lot';
import { vesselDepth, vesselVolume } from '@inch/core/pan';
import { densityAt20 } from '@inch/core/sugar';
import { useState } from 'react';
import { Link } from 'react-router';
import { useContainers, useVessels } from '../data/queries.ts';
import { serverNow } from '../data/serverClock.ts';
import { useSession } from '../data/session.tsx';
import { clockTime, instantAt, kitchenDay } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { grouped, minutesInWords } from '../ui/format.ts';
import { depthSaid, useRulerUnit } from '../ui/ruler.ts';
import { figureIn } from '../ui/typed.ts';

/** Grams of glass of a jar whose tare nobody weighed: some four fifths of what it holds, by common jars. */
const glassOf = (tare: number | null, nominalMl: number): number => tare ?? nominalMl * 0.8;
const GLASS_DENSITY = 2.5;
/** What jars stand on, mm. */
const RACK = 12;

/** The canner cut open: water before and with the jars, an inch over their lids. */
function CannerDrawing({
  depth,
  fill,
  jars,
  jarHeight,
  colour,
}: {
  depth: number;
  fill: CannerFill;
  jars: number;
  jarHeight: number;
  colour: string;
}) {
  const scale = 150 / depth;
  const y = (mm: number) => 166 - mm * scale;
  const shown = Math.min(jars, 5);
  const width = 40;
  const at = (i: number) => 44 + ((i + 0.5) * 232) / shown - width / 2;
  return (
    <svg
      viewBox="0 0 400 182"
      className="w-full max-w-sm"
      role="img"
      aria-label={`Water ${Math.round(fill.beforeMm)} mm deep before the jars, ${Math.round(fill.withJarsMm)} mm with them`}
    >
      <rect
        x="40"
        y={y(fill.withJarsMm)}
        width="240"
        height={166 - y(fill.withJarsMm)}
        fill="var(--rim-pale)"
      />
      <path d={`M40 ${y(fill.beforeMm)}H280`} stroke="var(--rim)" strokeWidth="1.6" strokeDasharray="5 4" />
      <path d={`M40 ${y(fill.withJarsMm)}H280`} stroke="var(--rim)" strokeWidth="2.2" />
      <path d={`M46 ${y(RACK)}H274`} stroke="var(--ink-2)" strokeWidth="2" strokeDasharray="9 4" />
      {Array.from({ length: shown }, (_, i) => (
        <g key={i}>
          <rect
            x={at(i)}
            y={y(RACK + jarHeight)}
            width={width}
            height={jarHeight * scale}
            rx="4"
            fill="var(--enamel)"
            stroke="var(--ink-2)"
          />
          <rect
            x={at(i) + 3}
            y={y(RACK + jarHeight * 0.86)}
            width={width - 6}
            height={jarHeight * 0.83 * scale}
            fill={colour}
          />
        </g>
      ))}
      <path
        d="M36 10V168a4 4 0 0 0 4 4H280a4 4 0 0 0 4-4V10"
        fill="none"
        stroke="var(--rim)"
        strokeWidth="5"
      />
      <path d={`M300 ${y(0)}V${y(depth)}`} stroke="var(--ink-2)" strokeWidth="1.4" />
      {Array.from({ length: Math.floor(depth / 25.4) + 1 }, (_, i) => (
        <g key={i}>
          <path d={`M300 ${y(i * 25.4)}h${i % 2 === 0 ? 10 : 6}`} stroke="var(--ink-2)" strokeWidth="1.2" />
          {i % 2 === 0 && (
            <text x="314" y={y(i * 25.4) + 4} fontSize="11" className="figure" fill="var(--ink-2)">
              {i}
            </text>
          )}
        </g>
      ))}
      <text x="340" y={y(fill.withJarsMm) + 4} fontSize="12" fontWeight="700" fill="var(--rim)">
        with
      </text>
      <text x="340" y={y(fill.beforeMm) + 4} fontSize="12" fill="var(--rim)">
        before
      </text>
    </svg>
  );
}

/** How deep to fill the canner before the jars are in, and when to light it. */
export function Canner({ lot }: { lot: LotView }) {
  const { kitchen } = useSession();
  const [unit] = useRulerUnit();
  const vessels = useVessels().data ?? [];
  const containers = useContainers().data ?? [];
  const canners = vessels.filter((v) => v.use === 'canner' && !v.retired);
  const bottling = lot.bottlings.filter((b) => b.struck === null).at(-1);
  const container = containers.find((c) => c.id === bottling?.containerId);
  const [chosen, choose] = useState('');
  const [jars, setJars] = useState(String(Math.min(kitchen.workshop.cannerHolds, lot.bottles.filled || 1)));
  const [start, setStart] = useState('15');
  const [watts, setWatts] = useState('2000');
  const [ready, setReady] = useState('');
  const canner = canners.find((v) => v.id === chosen) ?? canners[0];
  if (!canner)
    return (
      <p className="py-4 text-ink-2">
        Measure the canner once: its width and height make the water come out right.{' '}
        <Link to="/bench/pans" className="text-link underline">
          Measure your canner
        </Link>
      </p>
    );
  if (!container) return <p className="py-4 text-ink-2">Count the bottles first.</p>;
  const count = figureIn(jars, { unit: '', whole: true, min: 0 }) ?? 0;
  const glass = glassOf(container.tareGrams, container.nominalMl);
  const brix = finishedBrix(lot) ?? 50;
  const displacesMl = (container.brimfulMl ?? container.nominalMl * 1.1) + glass / GLASS_DENSITY;
  const boilsAt = boilingPointOfWater(kitchen.elevationMetres);
  let fill: CannerFill | null = null;
  let trouble: string | null = null;
  try {
    if (count > 0)
      fill = cannerFill(canner.shape, { count, heightMm: container.heightMm, displacesMl }, RACK);
  } catch (error) {
    trouble = (error as Error).message;
  }
  const fire = figureIn(watts) ?? 0;
  const from = figureIn(start, { unit: 'C' });
  const heats = fill && fire > 0 && from !== null && from >= 0 && from < boilsAt;
  const seconds = heats
    ? boilsIn({
        waterMl: fill!.waterMl,
        startCelsius: from,
        boilsAt,
        watts: fire,
        jars: {
          ...{ count, glassGrams: glass, brix, celsius: 80 },
          contentGrams: container.nominalMl * densityAt20(Math.min(75, brix)),
        },
      })
    : null;
  const by = ready ? Date.parse(instantAt(kitchenDay(serverNow()), ready)) : Number.NaN;
  return (
    <div className="py-4">
      <div className="grid grid-cols-5 gap-4 max-sm:grid-cols-2">
        <Choice label="Canner" value={canner.id} onChange={(e) => choose(e.target.value)}>
          {canners.map((v) => (
            <option key={v.id} value={v.id}>
              {v.name}
            </option>
          ))}
        </Choice>
        <Field
          label="Jars at once"
          figure
          inputMode="numeric"
          value={jars}
          onChange={(e) => setJars(e.target.value)}
        />
        <Field
          label="Water from, °C"
          figure
          inputMode="decimal"
          value={start}
          onChange={(e) => setStart(e.target.value)}
        />
        <Field
          label="Fire, W"
          figure
          inputMode="numeric"
          value={watts}
          onChange={(e) => setWatts(e.target.value)}
        />
        <Field label="Boiling by" type="time" value={ready} onChange={(e) => setReady(e.target.value)} />
      </div>
      {trouble && <p className="mt-3 font-semibold text-stop">{trouble}.</p>}
      {fill && (
        <div className="mt-4 flex flex-wrap items-center gap-6">
          <CannerDrawing
            depth={vesselDepth(canner.shape)}
            fill={fill}
            jars={count}
            jarHeight={container.heightMm}
            colour={lot.product.colour}
          />
          <dl className="grid gap-2">
            <div>
              <dt className="text-sm font-semibold text-ink-2">Water before the jars</dt>
              <dd>
                <span className="figure text-2xl font-bold">{depthSaid(fill.beforeMm, unit)}</span>,{' '}
                {grouped(fill.waterMl / 1000, 1)} L of {grouped(vesselVolume(canner.shape) / 1000, 1)}
              </dd>
            </div>
            <div>
              <dt className="text-sm font-semibold text-ink-2">With them, an inch over the lids</dt>
              <dd className="figure text-lg font-bold">{depthSaid(fill.withJarsMm, unit)}</dd>
            </div>
            {seconds !== null && (
              <div>
                <dt className="text-sm font-semibold text-ink-2">
                  To a full boil at {boilsAt.toFixed(1)} °C
                </dt>
                <dd>
                  <span className="figure text-lg font-bold">about {minutesInWords(seconds / 60)}</span>
                  {Number.isFinite(by) && (
                    <>
                      : light it at{' '}
                      <span className="figure font-bold">
                        {clockTime(new Date(by - seconds * 1000).toISOString())}
                      </span>
                    </>
                  )}
                </dd>
              </div>
            )}
          </dl>
        </div>
      )}
      <p className="mt-3 text-sm text-ink-2">
        Calculated from the jars’ own displacement and the heat that reaches the water. The clock starts at
        the full boil itself.
      </p>
    </div>
  );
}
