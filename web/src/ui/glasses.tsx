import { type Band, MeasuringGlass } from './MeasuringGlass.tsx';

/** The acid glass: pH from sharp at the bottom to flat at the top, under the critical limit. */
export function AcidGlass({
  ph,
  band,
  limit,
  colour,
  unknown,
  onPoint,
}: {
  ph: number | null;
  band?: Band | undefined;
  limit: number;
  colour: string;
  unknown: string;
  onPoint?: ((value: number) => void) | undefined;
}) {
  return (
    <MeasuringGlass
      title="Acid, pH"
      low={2.2}
      high={5.2}
      every={0.6}
      minor={0.1}
      digits={1}
      colour={colour}
      level={ph}
      band={band}
      limit={{ at: limit, words: `limit ${limit}` }}
      onPoint={onPoint}
      said={ph === null ? unknown : ph.toFixed(2)}
    />
  );
}

/** The sugar glass: °Bx, with the mark the product is made to. */
export function SugarGlass({
  brix,
  band,
  aim,
  colour,
  unknown,
  onPoint,
}: {
  brix: number | null;
  band?: Band | undefined;
  aim?: number | undefined;
  colour: string;
  unknown: string;
  onPoint?: ((value: number) => void) | undefined;
}) {
  return (
    <MeasuringGlass
      title="Sugar, °Bx"
      low={0}
      high={80}
      every={10}
      minor={2}
      colour={colour}
      level={brix}
      band={band}
      limit={aim ? { at: aim, words: `to ${aim}`, aim: true } : undefined}
      onPoint={onPoint}
      said={brix === null ? unknown : brix.toFixed(1)}
    />
  );
}
