import type { VesselShape } from '@inch/core/pan';
import { depthSaid } from '@inch/core/quantity';
import type { RulerUnit } from '../../ui/ruler.ts';
import { type Placed, placed } from './outline.ts';

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

function Walls({ at }: { at: Placed }) {
  const { centre, height, y } = at;
  const half = at.half(height);
  return (
    <>
      <path
        d={at.path(height).replace(' Z', '')}
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
    </>
  );
}

function StartMark({ at, mm, unit }: { at: Placed; mm: number; unit: RulerUnit }) {
  const { centre, y } = at;
  const inside = at.half(mm);
  return (
    <g>
      <line
        x1={centre - inside + 4}
        x2={centre + inside - 4}
        y1={y(mm)}
        y2={y(mm)}
        stroke="var(--steel)"
        strokeDasharray="2 5"
        strokeWidth="2"
      />
      <text x={centre - inside + 14} y={y(mm) - 6} fontSize="14" fill="var(--ink-2)">
        start {depthSaid(mm, unit)}
      </text>
    </g>
  );
}

function TargetMark({ at, mark, colour, under }: { at: Placed; mark: Mark; colour: string; under: boolean }) {
  const { centre, y, scale } = at;
  const inside = at.half(mark.mm);
  const roomBelow = mark.mm * scale > 24;
  const onColour = under && roomBelow;
  return (
    <g>
      <line
        x1={centre - inside + 3}
        x2={centre + inside - 3}
        y1={y(mark.mm)}
        y2={y(mark.mm)}
        stroke={under ? '#fff' : 'var(--rim)'}
        strokeDasharray="10 6"
        strokeWidth="3"
      />
      <text
        x={centre}
        y={y(mark.mm) + (roomBelow ? 19 : -8)}
        textAnchor="middle"
        fontSize="15"
        fontWeight="700"
        fill={onColour ? '#fff' : 'var(--ink)'}
        stroke={onColour ? colour : 'var(--enamel)'}
        strokeWidth="4"
        paintOrder="stroke"
      >
        {mark.words}
      </text>
    </g>
  );
}

function Ruler({ at, unit }: { at: Placed; unit: RulerUnit }) {
  const top = at.y(at.height) - 18;
  return (
    <>
      <rect
        x={at.rulerX}
        y={top}
        width={RULER}
        height={at.bottom - top}
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
      <Ticks height={at.height} y={at.y} unit={unit} x={at.rulerX} />
    </>
  );
}

/** The pan and its ruler at one scale: the level where it stands, where it began, and the mark to reduce to. */
export function PanRuler({ shape, level, start, target, colour, unit, said }: Props) {
  const at = placed(shape);
  const shown = level === null ? null : Math.min(at.height, Math.max(0, level));
  return (
    <svg
      role="img"
      aria-label={said}
      viewBox={`0 0 ${at.rulerX + RULER + 6} ${at.tall}`}
      className="block w-full max-w-[27rem]"
    >
      {shown !== null && shown > 0.5 && (
        <path
          d={at.path(shown)}
          fill={colour}
          className="transition-[d] duration-500 motion-reduce:transition-none"
        />
      )}
      <Walls at={at} />
      {start != null && start <= at.height && <StartMark at={at} mm={start} unit={unit} />}
      {target && target.mm <= at.height && (
        <TargetMark at={at} mark={target} colour={colour} under={shown !== null && target.mm <= shown} />
      )}
      <Ruler at={at} unit={unit} />
      {shown !== null && (
        <path
          d={`M${at.rulerX} ${at.y(shown)} l-17 -9 v18 Z`}
          fill={colour}
          stroke="var(--enamel)"
          strokeWidth="1"
        />
      )}
    </svg>
  );
}
