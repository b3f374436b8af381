import type { LotHead } from '@inch/contract/making/lot';
import { asCsv } from '../../ui/csv.ts';

/** Lots as a table, a row a lot, with the columns that lists show. */
export const lotsAsCsv = (lots: readonly LotHead[]): string =>
  asCsv(
    lots.map((lot) => ({
      lot: lot.code,
      name: lot.name,
      kind: lot.kind,
      state: lot.state,
      begun: lot.begunAt,
      made: lot.madeOn,
      ready: lot.readyOn,
      'best by': lot.bestBy ?? '',
      'kept as': lot.keepingClass,
      'release checks passed': lot.gatesOpen,
      'release checks': lot.gatesAll,
      filled: lot.bottles.filled,
      left: lot.bottles.left,
      sold: lot.bottles.sold,
      places: [...new Set(lot.bottles.groups.map((group) => group.place))].join(', '),
      held: lot.heldWhy ?? '',
    })),
  );
