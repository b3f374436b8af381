import type { LabelView } from '@inch/contract/lot';
import { labelLayout, type MeasureText } from '@inch/core/label';
import { useEffect, useMemo, useState } from 'react';

const FAMILY = "'Atkinson Hyperlegible Next'";

/** Text width as this browser sets it, in mm: the same font as the printed label, so lines break alike. */
function measurer(): MeasureText {
  const context = document.createElement('canvas').getContext('2d')!;
  return (text, sizeMm, bold) => {
    context.font = `${bold ? 700 : 400} 100px ${FAMILY}`;
    return (context.measureText(text).width / 100) * sizeMm;
  };
}

/** The label drawn at true size: one millimetre is one millimetre, as far as the screen knows its own. */
export function Artwork({ label, size }: { label: LabelView; size: { widthMm: number; heightMm: number } }) {
  const [ready, setReady] = useState(false);
  useEffect(() => {
    void Promise.all([
      document.fonts.load(`400 16px ${FAMILY}`),
      document.fonts.load(`700 16px ${FAMILY}`),
    ]).then(() => setReady(true));
  }, []);
  const layout = useMemo(
    () => (ready ? labelLayout(label.content, size, label.netHeightMm, measurer()) : null),
    [label, size, ready],
  );
  if (!layout) return <div style={{ width: `${size.widthMm}mm`, height: `${size.heightMm}mm` }} />;
  return (
    <figure>
      <svg
        role="img"
        aria-label={`Label of ${label.content.name}`}
        viewBox={`0 0 ${size.widthMm} ${size.heightMm}`}
        className="max-w-full shadow-[0_1px_6px_rgba(20,27,45,0.25)]"
        style={{ width: `${size.widthMm}mm`, height: `${size.heightMm}mm` }}
      >
        <rect width={size.widthMm} height={size.heightMm} fill="#ffffff" />
        <rect width={size.widthMm} height={layout.bandMm} fill={label.content.colour} />
        {layout.texts.map((t, i) => (
          <text
            key={i}
            x={t.x}
            y={t.y}
            fontSize={t.sizeMm}
            fontFamily={FAMILY}
            fontWeight={t.bold ? 700 : 400}
            fill={i < layout.onBand ? '#ffffff' : '#141b2d'}
          >
            {t.text}
          </text>
        ))}
      </svg>
      <figcaption className="mt-2 text-sm text-ink-2">
        <span className="figure">
          {size.widthMm} × {size.heightMm} mm
        </span>
        , true size{layout.fits ? '' : ' · '}
        {!layout.fits && <strong className="text-hold">the words do not fit: take a larger label</strong>}
      </figcaption>
    </figure>
  );
}
