import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { LotView } from '@inch/contract/making/lot';
import { describe, expect, it } from 'vitest';
import { releaseSheet } from '../src/release/sheet.ts';

const kitchen = {
  name: 'Low Bridge',
  place: '',
  elevationMetres: 719.328,
  timeZone: 'America/Denver',
  rulePack: 'us',
  localStatement: '',
  broughtIn: null,
} as unknown as Kitchen;

const decision = (to: string, at: string, why = '') => ({
  id: to,
  to,
  at,
  recordedAt: at,
  by: 'Wren',
  why,
  role: 'owner',
});

function lotIn(state: string, decisions: object[]): LotView {
  return {
    id: 'lot',
    code: 'ABCD',
    state,
    decisions,
    begunAt: '2026-11-20T08:00:00.000Z',
    criticalPh: 4.2,
    version: 1,
    versionNumber: 1,
    name: 'Damson shrub',
    product: { name: 'Damson shrub', kind: 'shrub', colour: '#4A2A5E', content: { lines: [], steps: [] } },
    gates: [],
    readings: [],
    bottlings: [],
    additions: [],
    deviations: [],
    sealChecks: [],
    lines: [],
    heatProcesses: [],
    loads: [],
    coolings: [],
    storageChanges: [],
    weighings: [],
    faults: [],
    movements: [],
    steps: [],
    marks: [],
    photographs: [],
    prints: [],
    bottles: { filled: 0, left: 0, groups: [] },
    elevationMetres: 719.328,
    broughtInAt: null,
    placings: [],
    ticks: [],
    tallies: [],
    curves: [],
    fates: [],
    settlings: [],
    spoiltLabels: [],
    looks: [],
    datings: [],
    keeping: { bestBy: null, dateWord: 'best-before', madeOn: '2026-11-20', carriedBy: 'cold' },
  } as unknown as LotView;
}

const RELEASED = decision('released', '2026-11-24T18:30:00.000Z');
const verdictOf = (state: string, decisions: object[]) => {
  const { verdict, released } = releaseSheet(lotIn(state, decisions), kitchen, '2026-11-27T12:00:00.000Z');
  return { verdict, released };
};

describe('the head of a release sheet', () => {
  it('says that a lot is released, by whom and at which hour of the kitchen', () => {
    // Half past six in the evening UTC is half past eleven in the morning in Denver.
    const { verdict, released } = verdictOf('released', [RELEASED]);
    expect(released).toBe(true);
    expect(verdict).toMatch(/^Released .*24 November 2026.*11:30.*Wren/);
  });

  it('says of an imported kitchen that its signature was given elsewhere, where another key had signed it', () => {
    const signed = { ...RELEASED, signed: true, meaning: 'released by', recordHash: null };
    const said = (signedHere: boolean, at: string) =>
      releaseSheet(
        lotIn('released', [signed]),
        { ...kitchen, broughtIn: { at, sequence: 9, signedHere } },
        '2026-11-27T12:00:00.000Z',
      );
    const later = '2026-11-26T08:00:00.000Z';
    expect(said(false, later).verdict).toMatch(
      /In the installation that the kitchen was imported from: signed/,
    );
    expect(said(false, later).head.join()).toMatch(/Imported with the kitchen on 26 November 2026/);
    // Signed after the import, or with the key of this installation, it is signed here.
    for (const sheet of [said(true, later), said(false, '2026-11-01T08:00:00.000Z')])
      expect(sheet.verdict).toMatch(/\. Signed with the account’s own password/);
  });

  it('a closed lot stays released, but not one that was recalled before it was closed', () => {
    expect(verdictOf('closed', [RELEASED]).released).toBe(true);
    const recalled = [RELEASED, decision('recalled', '2026-11-25T08:00:00.000Z', 'a broken seal')];
    expect(verdictOf('closed', recalled)).toEqual({ verdict: 'Not released.', released: false });
    expect(verdictOf('recalled', recalled)).toMatchObject({ released: false });
    expect(verdictOf('recalled', recalled).verdict).toMatch(/^Recalled .*a broken seal/);
  });

  it('is not released where it is held, was never decided of, or only its last word is a release', () => {
    expect(
      verdictOf('held', [RELEASED, decision('held', '2026-11-25T08:00:00.000Z', 'cloudy')]),
    ).toMatchObject({ released: false });
    expect(verdictOf('bottled', [])).toEqual({ verdict: 'Not released.', released: false });
    expect(verdictOf('released', [])).toEqual({ verdict: 'Not released.', released: false });
    expect(verdictOf('making', [RELEASED])).toEqual({ verdict: 'Not released.', released: false });
  });
});
