import { type CannerFill, RACK_MM } from '@inch/core/bottling';

interface Props {
  /** Depth of the canner, mm. */
  depth: number;
  fill: CannerFill;
  jars: number;
  jarHeight: number;
  colour: string;
}

/** Height of a depth in the drawing. */
type Y = (mm: number) => number;

function Jar({
  x,
  y,
  height,
  scale,
  colour,
}: Record<'x' | 'height' | 'scale', number> & { y: Y; colour: string }) {
  return (
    <g>
      <rect
        x={x}
        y={y(RACK_MM + height)}
        width={40}
        height={height * scale}
        rx="4"
        fill="var(--enamel)"
        stroke="var(--ink-2)"
      />
      <rect
        x={x + 3}
        y={y(RACK_MM + height * 0.86)}
        width={34}
        height={height * 0.83 * scale}
        fill={colour}
      />
    </g>
  );
}

function Inches({ depth, y }: { depth: number; y: Y }) {
  return (
    <>
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
    </>
  );
}

/** The canner cut open: water before and with the jars, an inch over their lids. */
export function CannerDrawing({ depth, fill, jars, jarHeight, colour }: Props) {
  const scale = 150 / depth;
  const y: Y = (mm) => 166 - mm * scale;
  const shown = Math.min(jars, 5);
  const [before, withJars] = [y(fill.beforeMm), y(fill.withJarsMm)];
  return (
    <svg
      viewBox="0 0 400 182"
      className="w-full max-w-sm"
      role="img"
      aria-label={`Water ${Math.round(fill.beforeMm)} mm deep before the jars, ${Math.round(fill.withJarsMm)} mm with them`}
    >
      <rect x="40" y={withJars} width="240" height={166 - withJars} fill="var(--rim-pale)" />
      <path d={`M40 ${before}H280`} stroke="var(--rim)" strokeWidth="1.6" strokeDasharray="5 4" />
      <path d={`M40 ${withJars}H280`} stroke="var(--rim)" strokeWidth="2.2" />
      <path d={`M46 ${y(RACK_MM)}H274`} stroke="var(--ink-2)" strokeWidth="2" strokeDasharray="9 4" />
      {Array.from({ length: shown }, (_, i) => (
        <Jar
          key={i}
          x={24 + ((i + 0.5) * 232) / shown}
          y={y}
          height={jarHeight}
          scale={scale}
          colour={colour}
        />
      ))}
      <path
        d="M36 10V168a4 4 0 0 0 4 4H280a4 4 0 0 0 4-4V10"
        fill="none"
        stroke="var(--rim)"
        strokeWidth="5"
      />
      <Inches depth={depth} y={y} />
      <text x="340" y={withJars + 4} fontSize="12" fontWeight="700" fill="var(--rim)">
        with
      </text>
      <text x="340" y={before + 4} fontSize="12" fill="var(--rim)">
        before
      </text>
    </svg>
  );
}
