import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { LabelView } from '@inch/contract/making/label';
import type { LotView } from '@inch/contract/making/lot';
import type { Vessel } from '@inch/contract/making/vessel';
import { labelCheck, labelContent, labelMissing, relabelling } from '@inch/core/label';
import {
  bottleLives,
  type Gate,
  gates,
  judging,
  keepsShort,
  type LotKeeping,
  lotBottles,
  lotKeeping,
  lotLines,
  thawedGroups,
} from '@inch/core/lot';
import type { StoredLot } from './store.ts';

export interface Judged {
  keeping: LotKeeping;
  gates: Gate[];
  label: Pick<LabelView, 'content' | 'checks'>;
}

/** What the core makes of a lot's record: its date and hurdles, its label, its gates. */
export const judgeLot = (lot: StoredLot, kitchen: Kitchen): Judged =>
  judging(lot, () => judgedOf(lot, kitchen));

function judgedOf(lot: StoredLot, kitchen: Kitchen): Judged {
  const { timeZone, rulePack } = lot;
  const asBegun = { ...kitchen, rulePack };
  const keeping = lotKeeping(lot, { timeZone });
  const content = labelContent(lot, keeping, asBegun);
  const checks = labelCheck(content, asBegun);
  const anew = relabelling(lot, keeping, content);
  const list = gates(lot, { timeZone, labelMissing: labelMissing(checks), relabel: anew });
  return { keeping, gates: list, label: { content, checks } };
}

/** What is looked up beside a lot's own record. */
interface Beside {
  vessel: Vessel | null;
  wentInto: string[];
  stopped: string[];
}

/** On paper a lot stands by itself. */
export const BY_ITSELF: Beside = { vessel: null, wentInto: [], stopped: [] };

/** A lot with everything a screen shows of it. */
export function lotView(lot: StoredLot, kitchen: Kitchen, beside: Beside): LotView {
  const { keeping, gates: list } = judgeLot(lot, kitchen);
  const now = new Date().toISOString();
  return {
    ...lot,
    lines: lotLines(lot, lot.cupSchool),
    ...beside,
    gates: list,
    keeping,
    bottles: lotBottles(lot),
    thawed: thawedGroups(lot, keeping, now),
    lives: bottleLives(lot, now),
    keepsShort: keepsShort(lot),
  };
}
