import type { Container } from '@inch/contract/making/container';
import type { LotView } from '@inch/contract/making/lot';
import type { Vessel } from '@inch/contract/making/vessel';
import { boilsIn, type CannerFill, cannerFill, jarDisplacement, RACK_MM } from '@inch/core/bottling';
import { boilingPointOfWater } from '@inch/core/heat';
import { finishedBrix } from '@inch/core/lot';
import { densityAt20 } from '@inch/core/sugar';
import { useState } from 'react';
import { useContainers } from '../data/containers.ts';
import { useSession } from '../data/session.tsx';
import { useVessels } from '../data/vessels.ts';
import { figureIn } from '../ui/typed.ts';

/** What is asked of the canner, as typed. */
export interface CannerAnswers {
  canner: string;
  jars: string;
  start: string;
  watts: string;
  ready: string;
}

/** Brix of what is not measured yet, and °C of jars as they are set in. */
const [USUAL_BRIX, JARS_CELSIUS] = [50, 80];

/** How deep the water stands; what is wrong where the jars do not go in. */
function filled(canner: Vessel, jar: Container, count: number): { fill?: CannerFill; trouble?: string } {
  if (count <= 0) return {};
  const { displacesMl } = jarDisplacement(jar);
  try {
    return { fill: cannerFill(canner.shape, { count, heightMm: jar.heightMm, displacesMl }, RACK_MM) };
  } catch (error) {
    return { trouble: (error as Error).message };
  }
}

/** Seconds to the full boil; null while something is missing. */
function secondsToBoil(
  a: CannerAnswers,
  at: { fill: CannerFill | undefined; jar: Container; count: number; brix: number; boilsAt: number },
): number | null {
  const watts = figureIn(a.watts) ?? 0;
  const from = figureIn(a.start, { unit: 'C' });
  if (!at.fill || watts <= 0 || from === null || from < 0 || from >= at.boilsAt) return null;
  return boilsIn({
    waterMl: at.fill.waterMl,
    startCelsius: from,
    boilsAt: at.boilsAt,
    watts,
    jars: {
      count: at.count,
      glassGrams: jarDisplacement(at.jar).glassGrams,
      brix: at.brix,
      celsius: JARS_CELSIUS,
      contentGrams: at.jar.nominalMl * densityAt20(Math.min(75, at.brix)),
    },
  });
}

/** The canner for a lot's jars: what was chosen, how deep its water stands, how long it takes to boil. */
export function useCanner(lot: LotView) {
  const { kitchen } = useSession();
  const canners = (useVessels().data ?? []).filter((v) => v.use === 'canner' && !v.retired);
  const bottling = lot.bottlings.filter((b) => b.struck === null).at(-1);
  const jar = useContainers().data?.find((c) => c.id === bottling?.containerId);
  const most = Math.min(kitchen.workshop.cannerHolds, lot.bottles.filled || 1);
  const [answers, setAnswers] = useState<CannerAnswers>({
    canner: '',
    jars: String(most),
    start: '15',
    watts: '2000',
    ready: '',
  });
  const canner = canners.find((v) => v.id === answers.canner) ?? canners[0];
  const boilsAt = boilingPointOfWater(kitchen.elevationMetres);
  const count = figureIn(answers.jars, { unit: '', whole: true, min: 0 }) ?? 0;
  const { fill, trouble } = canner && jar ? filled(canner, jar, count) : {};
  const brix = finishedBrix(lot) ?? USUAL_BRIX;
  return {
    canners,
    canner,
    jar,
    count,
    fill,
    trouble,
    boilsAt,
    answers,
    set: (part: Partial<CannerAnswers>) => setAnswers((before) => ({ ...before, ...part })),
    seconds: jar ? secondsToBoil(answers, { fill, jar, count, brix, boilsAt }) : null,
  };
}
export type CannerState = ReturnType<typeof useCanner>;
