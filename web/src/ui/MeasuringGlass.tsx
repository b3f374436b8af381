import type { MouseEvent } from 'react';

interface Limit {
  at: number;
  words: string;
  /** A limit is not to be passed; an aim is to be reached. */
  aim?: boolean;
}

export interface Band {
  low: number;
  high: number;
  bins?: number[];
  from?: number;
  to?: number;
}

interface Props {
  title: string;
  /** Scale from bottom to top; a pH glass runs from low to high as well. */
  low: number;
  high: number;
  /** Steps between marks with a figure, and between bare marks. */
  every: number;
  minor: number;
  level: number | null;
  colour: string;
  /** Where nine of ten fall; with `bins` also how often, drawn as a shape. */
  band?: Band | undefined;
  limit?: Limit | undefined;
  said: string;
  digits?: number;
  /** Called with the value of the level pointed at, to the glass's small marks. */
  onPoint?: ((value: number) => void) | undefined;
}

const HEIGHT = 230;
const TOP = 14;

/** How often each figure came up, as a shape hung on the glass's inner wall. */
function Shape({ band, y }: { band: Band; y: (v: number) => number }) {
  const { bins = [], from = 0, to = 1 } = band;
  const most = Math.max(...bins, 1);
  const at = (i: number) => from + ((i + 0.5) / bins.length) * (to - from);
  const edge = bins.map((count, i) => `L${(46 - (count / most) * 22).toFixed(1)} ${y(at(i)).toFixed(1)}`);
  return (
    <path
      d={`M46 ${y(from)} ${edge.join(' ')} L46 ${y(to)} Z`}
      fill="var(--ink)"
      opacity="0.62"
      stroke="var(--enamel)"
      strokeWidth="1"
    />
  );
}

/** Values of a glass's small marks, and where each stands. */
function scaleOf({ low, high, every, minor }: Pick<Props, 'low' | 'high' | 'every' | 'minor'>) {
  const inside = HEIGHT - 2 * TOP;
  const clamp = (v: number) => Math.min(high, Math.max(low, v));
  return {
    inside,
    y: (v: number) => TOP + inside * (1 - (clamp(v) - low) / (high - low)),
    marks: Array.from({ length: Math.round((high - low) / minor) + 1 }, (_, i) => low + i * minor),
    labelled: (v: number) => Math.abs((v - low) / every - Math.round((v - low) / every)) < 1e-6,
    /** The value pointed at, to half of a small mark. */
    pointed: (event: MouseEvent<SVGSVGElement>): number => {
      const box = event.currentTarget.getBoundingClientRect();
      const at = ((event.clientY - box.top) / box.height) * HEIGHT;
      const value = low + (high - low) * (1 - (at - TOP) / inside);
      return Number((Math.round(clamp(value) / (minor / 2)) * (minor / 2)).toFixed(2));
    },
  };
}
type Scale = ReturnType<typeof scaleOf>;

function Marks({ scale: { marks, labelled, y }, digits }: { scale: Scale; digits: number }) {
  return marks.map((v) => (
    <g key={v}>
      <line
        x1="49"
        x2={labelled(v) ? 61 : 55}
        y1={y(v)}
        y2={y(v)}
        stroke="var(--steel)"
        strokeWidth={labelled(v) ? 1.5 : 1}
      />
      {labelled(v) && (
        <text x="65" y={y(v) + 4} fontSize="11" fill="var(--ink-2)" className="figure">
          {v.toFixed(digits)}
        </text>
      )}
    </g>
  ));
}

function LimitLine({ limit, y }: { limit: Limit; y: Scale['y'] }) {
  return (
    <g>
      <line
        x1="0"
        x2="64"
        y1={y(limit.at)}
        y2={y(limit.at)}
        stroke={limit.aim ? 'var(--rim)' : 'var(--stop)'}
        strokeWidth="2.5"
      />
      <text
        x="66"
        y={y(limit.at) - 5}
        fontSize="11.5"
        fontWeight="700"
        fill={limit.aim ? 'var(--link)' : 'var(--stop)'}
        stroke="var(--enamel-cool)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {limit.words}
      </text>
    </g>
  );
}

/** What is in the glass: its level, and the band or shape of where it may fall. */
function Content({
  scale,
  level,
  colour,
  band,
}: { scale: Scale } & Pick<Props, 'level' | 'colour' | 'band'>) {
  const { y, inside } = scale;
  return (
    <>
      {level !== null && (
        <rect
          className="level"
          x="6"
          width="40"
          y={y(level)}
          height={TOP + inside - y(level) + 3}
          rx="2"
          fill={colour}
        />
      )}
      {band?.bins && <Shape band={band} y={y} />}
      {band && !band.bins && (
        <rect
          className="level"
          x="36"
          width="7"
          y={y(band.high)}
          height={Math.max(4, y(band.low) - y(band.high))}
          rx="3.5"
          fill="var(--ink)"
          opacity="0.65"
          stroke="var(--enamel)"
        />
      )}
    </>
  );
}

/** A measuring glass with its scale: the level is the figure, the dark mark or shape its band, the red line its limit. */
export function MeasuringGlass(props: Props) {
  const { title, level, limit, said, digits = 0, onPoint } = props;
  const scale = scaleOf(props);
  return (
    <figure className="min-w-0">
      <figcaption className="mb-1 font-semibold">{title}</figcaption>
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: by keyboard the same is asked with the button beside the glasses */}
      <svg
        viewBox={`0 0 118 ${HEIGHT}`}
        className={`w-full max-w-31 ${onPoint ? 'cursor-row-resize' : ''}`}
        onClick={onPoint ? (event) => onPoint(scale.pointed(event)) : undefined}
        role="img"
        aria-label={`${title}: ${said}${limit ? `, ${limit.words}` : ''}`}
      >
        <rect
          x="3"
          y={TOP - 8}
          width="46"
          height={scale.inside + 14}
          rx="6"
          fill="var(--enamel)"
          stroke="var(--steel)"
          strokeWidth="1.5"
        />
        <Content scale={scale} level={level} colour={props.colour} band={props.band} />
        <Marks scale={scale} digits={digits} />
        {limit && <LimitLine limit={limit} y={scale.y} />}
      </svg>
      <p className={level === null ? 'font-bold text-hold' : 'figure text-[1.4rem] font-bold'}>{said}</p>
    </figure>
  );
}
