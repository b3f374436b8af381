import type { Kitchen } from '@inch/contract/kitchen';
import type { LabelView, LotHead, LotView } from '@inch/contract/lot';
import type { Vessel } from '@inch/contract/vessel';
import { differencesFromFormula, labelCheck, labelContent, labelMissing } from '@inch/core/label';
import {
  type Gate,
  gates,
  type LotKeeping,
  lotBottles,
  lotKeeping,
  lotLines,
  presentStep,
} from '@inch/core/lot';
import type { StoredLot } from './store.ts';

/** What the core makes of a lot's record: its date and hurdles, its label, its gates. */
export function judgeLot(
  lot: StoredLot,
  kitchen: Kitchen,
): { keeping: LotKeeping; gates: Gate[]; label: Omit<LabelView, 'netHeightMm' | 'printable' | 'refusal'> } {
  const { timeZone, rulePack } = lot;
  const asBegun = { ...kitchen, rulePack };
  const keeping = lotKeeping(lot, { timeZone });
  const content = labelContent(lot, keeping, asBegun);
  const checks = labelCheck(content, asBegun);
  const list = gates(lot, { timeZone, labelMissing: labelMissing(checks) });
  return { keeping, gates: list, label: { content, checks, differences: differencesFromFormula(lot) } };
}

/** A lot with everything a screen shows of it. */
export function lotView(lot: StoredLot, kitchen: Kitchen, vessel: Vessel | null): LotView {
  const { keeping, gates: list } = judgeLot(lot, kitchen);
  return {
    ...lot,
    lines: lotLines(lot, lot.cupSchool),
    vessel,
    gates: list,
    keeping,
    bottles: lotBottles(lot),
  };
}

export function lotHead(lot: StoredLot, kitchen: Kitchen, now: string): LotHead {
  const { keeping, gates: list } = judgeLot(lot, kitchen);
  return {
    id: lot.id,
    code: lot.code,
    name: lot.product.name,
    colour: lot.product.colour,
    kind: lot.product.kind,
    state: lot.state,
    begunAt: lot.begunAt,
    madeOn: keeping.madeOn,
    readyOn: keeping.readyOn,
    bestBy: keeping.bestBy,
    dateWord: keeping.dateWord,
    storage: lot.storage,
    keepingClass: keeping.class,
    step: lot.state === 'making' ? (presentStep(lot.steps, now)?.title ?? 'Fill the bottles') : null,
    gatesOpen: list.filter((g) => g.open).length,
    gatesAll: list.length,
    bottles: lotBottles(lot),
    heldWhy: lot.state === 'held' ? (lot.decisions.filter((d) => d.to === 'held').at(-1)?.why ?? null) : null,
  };
}
