import { describe, expect, it } from 'vitest';
import { asCsv } from '../src/ui/csv.ts';

describe('a list as CSV', () => {
  it('says UTF-8, ends its lines as RFC 4180 asks, and quotes what needs it', () => {
    expect(asCsv([{ what: 'Mädesüß, dried', left: 1.5 }])).toBe(
      '\uFEFFwhat,left\r\n"Mädesüß, dried",1.5\r\n',
    );
  });
  it.each(['=1+1', '+44 1', '-2', '@import'])('shows "%s" as words, never as a formula', (cell) => {
    expect(asCsv([{ what: cell }])).toContain(`'${cell}`);
  });
});
