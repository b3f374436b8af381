import { judging } from '../judging.ts';
import { linesNotRecorded } from '../pan/asMade.ts';
import { type LotRecord, printsOf, standing } from '../record.ts';
import { failed, type Gate, gate, shown } from './gate.ts';
import { acidGate } from './gateAcid.ts';
import { countGate } from './gateCount.ts';
import { heatGate } from './gateHeat.ts';
import { makingGate } from './gateMaking.ts';
import { sealGate } from './gateSeal.ts';
import { traceGate } from './gateTrace.ts';

/** What a lot's gates need from outside its own record. */
export interface GateSetting {
  timeZone: string;
  /** What the label check finds wrong, if anything. */
  labelMissing: readonly string[];
  /** What labels that were printed before say otherwise than the lot is now. */
  relabel?: readonly string[];
}

function everythingIn(lot: LotRecord): Gate {
  const left = linesNotRecorded(lot);
  const inPan = standing(lot.additions).filter((a) => a.grams > 0);
  return gate(
    'everything-in',
    'Is everything recorded?',
    inPan.length > 0 ? [shown(`${inPan.length} weighed in`, 'addition', inPan[0]!.id)] : [],
    left.length > 0
      ? `Not recorded as in or left out: ${left.join(', ')}.`
      : inPan.length === 0
        ? 'Nothing is recorded as in.'
        : null,
  );
}

const label = (lot: LotRecord, missing: readonly string[], relabel: readonly string[]): Gate => {
  const asked = gate(
    'label',
    'Has the label what it must have?',
    printsOf(lot).map((p) => shown(`${p.copies} printed`, 'print', p.id)),
    missing.length + relabel.length > 0 ? [...missing, ...relabel].join(' ') : null,
  );
  return relabel.length > 0 ? failed(asked) : asked;
};

/** Nothing out of its limits stays without its cause and what was done about it. */
function deviations(lot: LotRecord): Gate {
  const open = lot.deviations.filter((d) => !d.closed);
  return gate(
    'deviations',
    'Is every deviation closed?',
    lot.deviations.map((d) =>
      shown(
        d.closed ? `${d.what} Cause: ${d.closed.cause}. Done: ${d.closed.done}.` : d.what,
        'deviation',
        d.id,
      ),
    ),
    open.length > 0
      ? `${open.length === 1 ? 'One is' : `${open.length} are`} open: record the cause and what was done.`
      : null,
  );
}

/**
 * Every gate of a lot with its evidence and what is missing. A lot is released only when all are open.
 * @example gates(lot, { timeZone: 'UTC', labelMissing: [] }).every((gate) => gate.open) // true
 */
export const gates = (lot: LotRecord, setting: GateSetting): Gate[] =>
  judging(lot, () => [
    everythingIn(lot),
    traceGate(lot),
    makingGate(lot),
    acidGate(lot),
    countGate(lot),
    heatGate(lot),
    sealGate(lot),
    label(lot, setting.labelMissing, setting.relabel ?? []),
    deviations(lot),
  ]);

/**
 * Whether all gates are open: the only way to a release.
 * @example allOpen([]) // false
 */
export const allOpen = (list: readonly Gate[]): boolean => list.length > 0 && list.every((g) => g.open);
