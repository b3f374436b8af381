import { type Warming, type WarmingBottle, warming } from '@inch/core/bottling';

export interface WarmingQuestion {
  id: number;
  bottle: WarmingBottle;
}
export type WarmingAnswer = { id: number } & ({ warming: Warming } | { error: string });

addEventListener('message', ({ data }: MessageEvent<WarmingQuestion>) => {
  try {
    postMessage({ id: data.id, warming: warming(data.bottle) } satisfies WarmingAnswer);
  } catch (error) {
    postMessage({ id: data.id, error: (error as Error).message } satisfies WarmingAnswer);
  }
});
