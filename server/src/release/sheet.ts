import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { LotView } from '@inch/contract/making/lot';
import { spokenDay } from '@inch/core/calendar';
import { boilingPointOfWater, feetOf } from '@inch/core/heat';
import { datedBack, type LotRecord } from '@inch/core/lot';
import { bottleSize, temperature } from '@inch/core/quantity';
import { lateSaid } from '@inch/core/record';
import { momentIn, type Sheet } from './paper.ts';

const signatureSaid = (d: LotView['decisions'][number], elsewhere: boolean): string =>
  d.signed
    ? `${elsewhere ? 'In the installation that the kitchen was imported from: signed' : 'Signed'} with the account’s own password, as “${d.meaning}”${d.recordHash ? `, under the record of SHA-256 ${d.recordHash.slice(0, 16)}…` : ''}.`
    : 'Not signed here: the decision came in with a kitchen file.';

/** Whether something was written down before the kitchen was imported, in an installation whose key is not known here. */
const isFromElsewhere = ({ broughtIn }: Kitchen, at: string): boolean =>
  broughtIn !== null && !broughtIn.signedHere && at < broughtIn.at;

export function verdict(lot: LotView, kitchen: Kitchen): { words: string; released: boolean } {
  const { timeZone } = kitchen;
  const last = [...lot.decisions]
    .reverse()
    .find((d) => d.to === 'released' || d.to === 'held' || d.to === 'recalled');
  const when = last ? `${momentIn(last.at, timeZone)}, by ${last.by}` : '';
  if (['released', 'closed'].includes(lot.state) && last?.to === 'released')
    return {
      words: `Released ${when}. ${signatureSaid(last, isFromElsewhere(kitchen, last.recordedAt))}`,
      released: true,
    };
  if (lot.state === 'held') return { words: `Held ${when}: ${last?.why ?? ''}`, released: false };
  if (lot.state === 'recalled') return { words: `Recalled ${when}: ${last?.why ?? ''}`, released: false };
  return { words: 'Not released.', released: false };
}

export function head(lot: LotView, kitchen: Kitchen): string[] {
  const filled = lot.bottlings
    .filter((b) => b.struck === null)
    .map((b) => `${b.count} × ${bottleSize(b.nominalMl)} ${b.container}`);
  const { bestBy, dateWord, madeOn } = lot.keeping;
  return [
    `${kitchen.name}, ${kitchen.place}`,
    `Formula version ${lot.product.version}, made ${spokenDay(madeOn)}`,
    `Filled: ${filled.join(', ') || 'nothing yet'}; ${lot.bottles.left} left`,
    bestBy ? `${dateWord === 'use-by' ? 'Use by' : 'Best by'} ${spokenDay(bestBy)}` : 'No date is proposed.',
    `Critical limit of this lot: pH ${lot.criticalPh}`,
    `Made at ${Math.round(feetOf(lot.elevationMetres)).toLocaleString('en')} ft (${Math.round(lot.elevationMetres)} m), where water boils at ${temperature(boilingPointOfWater(lot.elevationMetres), 1)}`,
    lot.keeping.carriedBy,
    ...(isFromElsewhere(kitchen, lot.begunAt)
      ? [`Imported with the kitchen on ${momentIn(kitchen.broughtIn!.at, kitchen.timeZone)}.`]
      : []),
    ...(lot.broughtInAt
      ? [`Brought in from a kitchen file on ${momentIn(lot.broughtInAt, kitchen.timeZone)}.`]
      : []),
  ];
}

/** What the release of a lot rests on, gate by gate, as it stands in the record. */
export function releaseSheet(lot: LotView, kitchen: Kitchen, now: string): Sheet {
  const { words, released } = verdict(lot, kitchen);
  const gates = lot.gates.map((gate) => ({
    heading: `${gate.question} ${gate.open ? 'Passed' : 'Missing'}`,
    lines: [...gate.evidence.map((e) => e.words), ...(gate.missing ? [`Missing: ${gate.missing}`] : [])],
  }));
  const deviations = lot.deviations.map(
    (d) =>
      `${momentIn(d.at, kitchen.timeZone)}: ${d.what} ${
        d.closed
          ? `Cause: ${d.closed.cause}. Done: ${d.closed.done}. Decided by ${d.closed.by}, ${momentIn(d.closed.at, kitchen.timeZone)}.`
          : 'Open.'
      }`,
  );
  const late = datedBack(lot as LotRecord).map(
    (d) =>
      `${d.noun.replace(/-/g, ' ')} of ${momentIn(d.at, kitchen.timeZone)}, by ${d.by}: ${lateSaid(d.minutes)}`,
  );
  return {
    title: `Release sheet, lot ${lot.code}, ${lot.product.name}`,
    verdict: words,
    released,
    head: head(lot, kitchen),
    parts: [
      ...gates,
      { heading: 'Deviations', lines: deviations.length > 0 ? deviations : ['None.'] },
      ...(late.length > 0 ? [{ heading: 'Written down later than it happened', lines: late }] : []),
    ],
    at: now,
    toSign: true,
    foot: `From the record as of ${momentIn(now, kitchen.timeZone)}. It says what was measured and which limits that meets; it replaces no authority.`,
  };
}
