import type { Gate, LotKeeping, LotRecord, StepLeft } from '../lot/index.ts';

export type DueWhen = 'now' | 'next' | 'later';

/** A lot as it is named where it needs a hand. */
export interface LotTag {
  code: string;
  name: string;
  colour: string;
}

/** Something that needs a hand, with its one action. */
export interface DueItem {
  id: string;
  when: DueWhen;
  /** ISO instant it is due or was due; null for "today". */
  at: string | null;
  lot: LotTag | null;
  title: string;
  detail: string;
  action: {
    label: string;
    place: 'stove' | 'bottling' | 'labels' | 'bench' | 'shelf' | 'plan' | 'kitchen';
    part?: string;
  };
}

export interface LotToday {
  record: LotRecord;
  /** How long its running steps still go on, by the id of the step; by their clocks where absent. */
  left?: ReadonlyMap<string, StepLeft> | undefined;
  gates: Gate[];
  keeping: LotKeeping;
}

export const tag = (lot: LotRecord): LotTag => ({
  code: lot.code,
  name: lot.product.name,
  colour: lot.product.colour,
});
