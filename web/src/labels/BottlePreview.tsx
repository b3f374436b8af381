import type { LabelView } from '@inch/contract/making/label';
import { type Face, facesOf, type LabelDesign } from '@inch/core/label';
import { useId } from 'react';
import { FaceArt } from './FaceDrawing.tsx';
import { pictureUrl } from './pictureUrl.ts';

type Container = NonNullable<LabelView['container']>;

/** The outline of a bottle or jar by its measures: base, wall, shoulder, neck and closure. */
function outline({ heightMm: h, diameterMm: d }: Container, wall: number): { body: string; neck: number } {
  const neck = Math.min(d * 0.8, wall > h * 0.65 ? d * 0.82 : d * 0.42);
  const top = h - wall;
  const [left, right] = [0, d];
  const n1 = (d - neck) / 2;
  const n2 = (d + neck) / 2;
  const lip = 4;
  return {
    neck,
    body: `M ${left + 3} ${h} Q ${left} ${h} ${left} ${h - 3} L ${left} ${top} C ${left} ${top * 0.62} ${n1} ${top * 0.72} ${n1} ${lip} L ${n2} ${lip} C ${n2} ${top * 0.72} ${right} ${top * 0.62} ${right} ${top} L ${right} ${h - 3} Q ${right} ${h} ${right - 3} ${h} Z`,
  };
}

/** The label on its bottle, as one sees it from the front: what goes round it is cut off at its sides. */
export function BottlePreview({
  container,
  face,
  design,
  colour,
  code,
}: {
  container: Container;
  face: Face;
  design: LabelDesign;
  colour: string;
  code: string;
}) {
  const clip = useId();
  const { wallMm } = facesOf(container);
  const { heightMm: h, diameterMm: d } = container;
  const { body, neck } = outline(container, wallMm);
  const onLid = design.look === 'lid';
  const tag = design.look === 'tag';
  const scale = tag ? 0.5 : 1;
  // Seen from the front a label that goes round is narrower: half of the way round is all that is seen, as wide as the bottle.
  const arc = Math.min(face.widthMm / d, Math.PI / 2);
  const round = !tag && container.shape === 'round' ? Math.sin(arc) / arc : 1;
  const x = tag ? d * 0.72 : (d - face.widthMm * round) / 2;
  const y = tag ? h * 0.16 : h - wallMm + (wallMm - face.heightMm) / 2;
  const widest = tag ? x + face.widthMm * scale : d;
  return (
    <figure>
      <svg
        role="img"
        aria-label={`The label on ${container.name}`}
        viewBox={`-4 -4 ${widest + 8} ${h + 8}`}
        style={{ height: `${Math.min((h + 8) * 0.72, 92)}mm` }}
        className="max-w-full"
      >
        <defs>
          <clipPath id={clip}>
            <path d={body} />
          </clipPath>
        </defs>
        <path d={body} fill={colour} opacity={0.85} />
        <rect x={(d - neck) / 2 - 1.5} y={-2} width={neck + 3} height={8} rx={1.5} fill="#8793A3" />
        {onLid ? (
          <ellipse
            cx={d / 2}
            cy={-1}
            rx={neck / 2}
            ry={2.2}
            fill={colour}
            stroke="#ffffff"
            strokeWidth={0.6}
          />
        ) : (
          <g clipPath={tag ? undefined : `url(#${clip})`}>
            <g transform={`translate(${x} ${y}) scale(${scale * round} ${scale})${tag ? ' rotate(6)' : ''}`}>
              <FaceArt face={face} picture={pictureUrl(design)} code={design.code ? code : null} />
            </g>
          </g>
        )}
        {tag && (
          <path
            d={`M ${d / 2} 5 Q ${d} ${h * 0.05} ${x + (face.widthMm / 2) * scale} ${y + 4}`}
            fill="none"
            stroke="#4A5468"
            strokeWidth={0.6}
          />
        )}
        <path d={body} fill="none" stroke="#8793A3" strokeWidth={0.5} />
        <rect
          x={d * 0.1}
          y={h - wallMm + 4}
          width={2}
          height={wallMm - 10}
          rx={1}
          fill="#ffffff"
          opacity={0.35}
        />
      </svg>
      <figcaption className="mt-1.5 text-sm text-ink-2">{container.name}</figcaption>
    </figure>
  );
}
