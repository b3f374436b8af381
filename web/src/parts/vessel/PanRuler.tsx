import { diameterAt, type VesselShape, vesselDepth, volumeAtDepth } from '@inch/core/pan';
import { depthSaid, type RulerUnit } from '../../ui/ruler.ts';

/** Inner width in mm at a depth, of a vessel known by its measures or by what was poured in. */
function widthAt(shape: VesselShape, depthMm: number): number {
  const measured = diameterAt(shape, depthMm);
  if (measured !== null) return measured;
  const deepest = vesselDepth(shape);
  const near = deepest / 6;
  const [low, high] = [Math.max(0, depthMm - near), Math.min(deepest, depthMm + near)];
  const area = ((volumeAtDepth(shape, high) - volumeAtDepth(shape, low)) * 1000) / (high - low);
  return 2 * Math.sqrt(area / Math.PI);
}

const BOX = { width: 300, height: 316 };
const RULER = 62;

interface Mark {
  mm: number;
  words: string;
}

interface Props {
  shape: VesselShape;
  /** Depth of the liquid, mm; null while it is not known. */
  level: number | null;
  start?: number | null;
  target?: Mark | null;
  colour: string;
  unit: RulerUnit;
  said: string;
}

/** Outline of the vessel from rim to rim, in mm, bottom at 0. */
function outline(shape: VesselShape, upTo: number): [number, number][] {
  const points: [number, number][] = [];
  const steps = 24;
  for (let i = 0; i <= steps; i++) {
    const at = (upTo * i) / steps;
    points.push([widthAt(shape, at) / 2, at]);
  }
  return points;
}

function Ticks({
  height,
  y,
  unit,
  x,
}: {
  height: number;
  y: (mm: number) => number;
  unit: RulerUnit;
  x: number;
}) {
  const each = unit === 'in' ? 25.4 / 8 : 5;
  const marks = Array.from({ length: Math.floor(height / each) + 1 }, (_, i) => ({ i, mm: i * each }));
  const lengthOf = (i: number) => {
    if (unit === 'mm') return i % 4 === 0 ? 26 : i % 2 === 0 ? 16 : 9;
    return i % 8 === 0 ? 32 : i % 4 === 0 ? 22 : i % 2 === 0 ? 15 : 9;
  };
  const big = unit === 'in' ? 8 : 4;
  return marks.map(({ i, mm }) => (
    <g key={mm}>
      <line
        x1={x}
        x2={x + lengthOf(i)}
        y1={y(mm)}
        y2={y(mm)}
        stroke="var(--ink)"
        strokeWidth={i % big === 0 ? 2 : 1}
      />
      {i % big === 0 && i > 0 && (
        <text
          x={x + RULER - 6}
          y={y(mm) + 6}
          textAnchor="end"
          fontSize={unit === 'in' ? 17 : 13}
          fontWeight="700"
          fill="var(--ink)"
          className="figure"
        >
          {unit === 'in' ? i / 8 : mm}
        </text>
      )}
    </g>
  ));
}

/** The pan and its ruler at one scale: the level where it stands, where it began, and the mark to reduce to. */
export function PanRuler({ shape, level, start, target, colour, unit, said }: Props) {
  const height = vesselDepth(shape);
  const widest = Math.max(...outline(shape, height).map(([half]) => half * 2));
  const k = Math.min(BOX.width / widest, (BOX.height - 30) / height);
  const tall = height * k + 34;
  const [centre, bottom] = [(widest * k) / 2 + 12, tall - 6];
  const y = (mm: number) => bottom - mm * k;
  const path = (upTo: number) => {
    const side = outline(shape, upTo);
    const right = side.map(([half, at]) => `${(centre + half * k).toFixed(1)} ${y(at).toFixed(1)}`);
    const left = [...side]
      .reverse()
      .map(([half, at]) => `${(centre - half * k).toFixed(1)} ${y(at).toFixed(1)}`);
    return `M${left.join(' L')} L${right.join(' L')} Z`;
  };
  const rulerX = widest * k + 38;
  const rulerTop = y(height) - 18;
  const half = (widthAt(shape, height) / 2) * k;
  const inside = (mm: number) => (widthAt(shape, Math.min(height, mm)) / 2) * k;
  const shown = level === null ? null : Math.min(height, Math.max(0, level));
  const under = target && shown !== null && target.mm <= shown;
  return (
    <svg
      role="img"
      aria-label={said}
      viewBox={`0 0 ${rulerX + RULER + 6} ${tall}`}
      className="block w-full max-w-[27rem]"
    >
      {shown !== null && shown > 0.5 && (
        <path
          d={path(shown)}
          fill={colour}
          className="transition-[d] duration-500 motion-reduce:transition-none"
        />
      )}
      <path
        d={path(height).replace(' Z', '')}
        fill="none"
        stroke="var(--rim)"
        strokeWidth="5"
        strokeLinejoin="round"
      />
      <line
        x1={centre - half - 9}
        x2={centre + half + 9}
        y1={y(height)}
        y2={y(height)}
        stroke="var(--rim)"
        strokeWidth="9"
        strokeLinecap="round"
      />
      <path
        d={`M${centre - half + 4} ${y(height)} H${centre + half - 4}`}
        stroke="var(--enamel)"
        strokeWidth="3"
        opacity="0.55"
      />
      {start != null && start <= height && (
        <g>
          <line
            x1={centre - inside(start) + 4}
            x2={centre + inside(start) - 4}
            y1={y(start)}
            y2={y(start)}
            stroke="var(--steel)"
            strokeDasharray="2 5"
            strokeWidth="2"
          />
          <text x={centre - inside(start) + 14} y={y(start) - 6} fontSize="14" fill="var(--ink-2)">
            start {depthSaid(start, unit)}
          </text>
        </g>
      )}
      {target && target.mm <= height && (
        <g>
          <line
            x1={centre - inside(target.mm) + 3}
            x2={centre + inside(target.mm) - 3}
            y1={y(target.mm)}
            y2={y(target.mm)}
            stroke={under ? '#fff' : 'var(--rim)'}
            strokeDasharray="10 6"
            strokeWidth="3"
          />
          <text
            x={centre}
            y={y(target.mm) + (target.mm * k > 24 ? 19 : -8)}
            textAnchor="middle"
            fontSize="15"
            fontWeight="700"
            fill={under && target.mm * k > 24 ? '#fff' : 'var(--ink)'}
            stroke={under && target.mm * k > 24 ? colour : 'var(--enamel)'}
            strokeWidth="4"
            paintOrder="stroke"
          >
            {target.words}
          </text>
        </g>
      )}
      <rect
        x={rulerX}
        y={rulerTop}
        width={RULER}
        height={bottom - rulerTop}
        fill="url(#steel)"
        stroke="var(--steel)"
      />
      <defs>
        <linearGradient id="steel" x1="0" x2="1">
          <stop offset="0" stopColor="var(--steel-low)" />
          <stop offset="0.5" stopColor="var(--steel-high)" />
          <stop offset="1" stopColor="var(--steel-low)" />
        </linearGradient>
      </defs>
      <Ticks height={height} y={y} unit={unit} x={rulerX} />
      {shown !== null && (
        <path
          d={`M${rulerX} ${y(shown)} l-17 -9 v18 Z`}
          fill={colour}
          stroke="var(--enamel)"
          strokeWidth="1"
        />
      )}
    </svg>
  );
}
