import type { Forecast } from '@inch/core/formula';
import type { Change, Draft } from '../draft.ts';

/** What a question about one line is asked of. */
export interface Asked {
  lineId: string;
  draft: Draft;
  forecast: Forecast;
  change: (change: Change) => void;
  onClose: () => void;
}
