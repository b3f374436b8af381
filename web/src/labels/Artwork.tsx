import type { LabelView } from '@inch/contract/making/label';
import { type Artwork as Drawn, type Face, type LabelDesign, labelArtwork } from '@inch/core/label';
import { useMemo } from 'react';
import { BottlePreview } from './BottlePreview.tsx';
import { FaceArt } from './FaceDrawing.tsx';
import { useMeasure } from './measure.ts';
import { pictureUrl } from './pictureUrl.ts';

/** The label as it would be drawn in a design, by the typeface of this browser; null until that is there. */
export function useArtwork(label: LabelView, design: LabelDesign): Drawn | null {
  const measure = useMeasure();
  return useMemo(
    () =>
      measure &&
      labelArtwork(
        {
          label: label.content,
          second: label.second,
          design,
          pack: label.rulePack,
          nutrition: label.nutritionPrinted ? label.nutrition : null,
          netHeightMm: label.netHeightMm,
          leastXMm: label.leastXMm,
          allCm2: label.allCm2,
          principalCm2: label.principalCm2,
        },
        measure,
      ),
    [label, design, measure],
  );
}

const CALLED = { front: 'front', back: 'back' } as const;

function FaceFigure({
  face,
  label,
  design,
  alone,
  code,
}: {
  face: Face;
  label: LabelView;
  design: LabelDesign;
  alone: boolean;
  code: string;
}) {
  return (
    <figure className="min-w-0">
      <svg
        role="img"
        aria-label={`Label of ${label.content.name}, ${CALLED[face.id]}`}
        viewBox={`0 0 ${face.widthMm} ${face.heightMm}`}
        className={`max-w-full ${face.round ? 'rounded-full' : ''} shadow-[0_1px_6px_rgba(20,27,45,0.25)]`}
        style={{ width: `${face.widthMm}mm`, height: 'auto' }}
      >
        <FaceArt face={face} picture={pictureUrl(design)} code={design.code ? code : null} />
      </svg>
      <figcaption className="mt-1.5 text-sm text-ink-2">
        {alone ? '' : `${CALLED[face.id][0]!.toUpperCase()}${CALLED[face.id].slice(1)}, `}
        <span className="figure">
          {face.widthMm} × {face.heightMm} mm
        </span>
      </figcaption>
    </figure>
  );
}

/** Ten centimetres in millimetres: laid against a real rule it shows whether this screen draws at true size. */
function ScreenRule() {
  return (
    <figure className="mt-5 max-w-full overflow-hidden">
      <svg
        role="img"
        aria-label="A rule of 100 mm"
        viewBox="-2 0 105 7"
        style={{ width: '105mm', height: '7mm' }}
        className="max-w-none text-ink-2"
      >
        {Array.from({ length: 101 }, (_, mm) => (
          <line
            key={mm}
            x1={mm}
            x2={mm}
            y1={0}
            y2={mm % 10 === 0 ? 4 : mm % 5 === 0 ? 3 : 2}
            stroke="currentColor"
            strokeWidth={0.18}
          />
        ))}
        {Array.from({ length: 11 }, (_, cm) => (
          <text key={cm} x={cm * 10} y={6.6} fontSize={2.4} textAnchor="middle" fill="currentColor">
            {cm * 10}
          </text>
        ))}
      </svg>
      <figcaption className="text-sm text-ink-2">
        Hold a rule against it: where 100 mm are 100 mm, the label stands at true size.
      </figcaption>
    </figure>
  );
}

/** The label drawn at true size, front and back, and on its bottle. */
export function Artwork({
  label,
  design,
  drawn,
  lotCode,
}: {
  label: LabelView;
  design: LabelDesign;
  drawn: Drawn | null;
  lotCode: string;
}) {
  if (!drawn) return <div style={{ width: `${design.widthMm}mm`, height: `${design.heightMm}mm` }} />;
  const code = design.numbered ? `${lotCode}/1` : lotCode;
  return (
    <div>
      <div className="flex flex-wrap items-end gap-6">
        {drawn.faces.map((face) => (
          <FaceFigure key={face.id} {...{ face, label, design, code }} alone={drawn.faces.length === 1} />
        ))}
        {label.container && (
          <BottlePreview
            container={label.container}
            face={drawn.faces[0]!}
            design={design}
            colour={label.content.colour}
            code={code}
          />
        )}
      </div>
      <ScreenRule />
    </div>
  );
}
