import { type LaidStep, type PlanSetting, schedule, scheduleBack } from '@inch/core/planning';

/** What the page asks: lots to be laid, forwards from their earliest minute or backwards from a due one. */
export interface PlanQuestion {
  id: number;
  setting: PlanSetting;
  /** Minute by which all is done; null for as early as can be. */
  due: number | null;
}

export interface PlanLaid {
  steps: LaidStep[];
  /** Minute at which it is done, or has to be begun. */
  at: number;
  /** Minute that no plan beats. */
  bound: number;
}

export type PlanAnswer = { id: number } & (PlanLaid | { error: string });

const SEED = 20_261_219;

function laid({ setting, due }: PlanQuestion): PlanLaid {
  if (due === null) {
    const { steps, finish, lowerBound } = schedule(setting, { seed: SEED });
    return { steps, at: finish, bound: lowerBound };
  }
  const { steps, begin, upperBound } = scheduleBack(setting, due, { seed: SEED });
  return { steps, at: begin, bound: upperBound };
}

addEventListener('message', (event: MessageEvent<PlanQuestion>) => {
  const { id } = event.data;
  try {
    postMessage({ id, ...laid(event.data) } satisfies PlanAnswer);
  } catch (error) {
    postMessage({ id, error: (error as Error).message } satisfies PlanAnswer);
  }
});
