import type { Gate, LotKeeping, LotRecord } from '../lot/index.ts';

export type DueWhen = 'now' | 'next' | 'later';

/** Something that needs a hand, with its one action. */
export interface DueItem {
  id: string;
  when: DueWhen;
  /** ISO instant it is due or was due; null for "today". */
  at: string | null;
  lot: { code: string; name: string; colour: string } | null;
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
  gates: Gate[];
  keeping: LotKeeping;
}

export const tag = (lot: LotRecord) => ({
  code: lot.code,
  name: lot.product.name,
  colour: lot.product.colour,
});
export const plural = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;
