import { type MeasureText, measuredBy } from '@inch/core/label';
import { useEffect, useState } from 'react';

export const FAMILY = "'Atkinson Hyperlegible Next'";

/** Text width as this browser sets it, in mm: the same font as the printed label, so lines break alike. */
function measurer(): MeasureText {
  const context = document.createElement('canvas').getContext('2d')!;
  return measuredBy((text, bold) => {
    context.font = `${bold ? 700 : 400} 100px ${FAMILY}`;
    return context.measureText(text).width / 100;
  });
}

/** What measures text, once the typeface is there; null until then. */
export function useMeasure(): MeasureText | null {
  const [measure, setMeasure] = useState<MeasureText | null>(null);
  useEffect(() => {
    void Promise.all([
      document.fonts.load(`400 16px ${FAMILY}`),
      document.fonts.load(`700 16px ${FAMILY}`),
    ]).then(() => setMeasure(() => measurer()));
  }, []);
  return measure;
}
