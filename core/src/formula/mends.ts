import type { KeepingTime } from '../keeping/index.ts';
import type { FormulaContent } from './content.ts';
import { type Forecast, type ForecastSetting, forecast } from './forecast.ts';
import { matchFormula } from './processed.ts';
import { processesOf } from './processesOf.ts';

/** Something that would let a lot of a formula be released: another process, smaller jars for one, or the cold. */
export type Mend =
  | { do: 'process'; id: string; name: string }
  | { do: 'jar'; id: string; name: string; largestMl: number }
  | { do: 'cold'; time: NonNullable<KeepingTime['time']> };

/** So many processes are offered. */
const MOST = 2;

/**
 * What would mend a shelf formula that would not be released as it stands; empty where nothing is wrong, or nothing of this kind mends it.
 * @param content the formula; @param setting the kitchen's; @param f its forecast, where that is there already
 * @example mendsFor({ ...cherry, storage: 'cold' }, setting) // []
 */
export function mendsFor(
  content: FormulaContent,
  setting: ForecastSetting,
  f: Forecast = forecast(content, setting),
): Mend[] {
  if (content.storage !== 'shelf') return [];
  if (f.makeup.faults.length > 0 || (f.keeping.row === 'shelf' && !f.processFault)) return [];
  const fits = (bottleMl: number) =>
    matchFormula(processesOf(setting), {
      ...{ content: { ...content, bottleMl }, lines: f.lines, jarred: f.makeup, kind: setting.kind },
      ...{ brix: f.brix, ph: f.ph?.middle ?? null, elevationMetres: setting.elevationMetres },
    });
  const matching = fits(content.bottleMl).filter(
    (match) => match.reasons.length === 0 && match.process.id !== content.processId,
  );
  const processes = matching.map(({ process: { id, name } }): Mend => ({ do: 'process', id, name }));
  const jars = processesOf(setting)
    .filter((p) => content.bottleMl > p.largestMl)
    .filter((p) => fits(p.largestMl).some((m) => m.process === p && m.reasons.length === 0))
    .map(({ id, name, largestMl }): Mend => ({ do: 'jar', id, name, largestMl }));
  const cold = forecast({ ...content, storage: 'cold', processId: undefined }, setting);
  const keeps = cold.makeup.faults.length === 0 && cold.keeping.time !== null;
  return [
    ...[...processes, ...jars].slice(0, MOST),
    ...(keeps ? [{ do: 'cold' as const, time: cold.keeping.time! }] : []),
  ];
}
