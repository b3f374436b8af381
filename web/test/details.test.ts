import { describe, expect, it } from 'vitest';
import { detailsOf } from '../src/parts/journal/details.ts';

describe('a journal row in words', () => {
  it('names what was said, without ids, times and what is empty', () => {
    expect(
      detailsOf({
        at: '2026-11-27T14:11:36.831Z',
        lotId: '01a21dce-1c71-70c8-a04a-b76529a98271',
        because: null,
        kind: 'ph',
        raw: 3.41,
        sample: 'finished',
        taken: 'as-it-is',
      }),
    ).toBe('kind ph, raw 3.41, sample finished, taken as it is');
  });

  it('reads into lists and what lies in one another', () => {
    expect(
      detailsOf({
        parts: [
          { part: 'spilt', ml: 60 },
          { part: 'short-bottle', ml: 150 },
        ],
        checked: true,
        beforeTrimming: 4200,
        empty: [],
      }),
    ).toBe('parts part spilt, ml 60; part short bottle, ml 150, checked yes, before trimming 4200');
  });
});
