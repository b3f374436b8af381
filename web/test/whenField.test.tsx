import { waitFor } from '@testing-library/react';
// @vitest-environment happy-dom
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { fromLocalInput, showTimesOf } from '../src/ui/dates.ts';
import { WhenField } from '../src/ui/WhenField.tsx';
import { screen, show, type } from './page.tsx';

/** A field in a page that shows what it holds. */
function Held({ kind, first = '' }: { kind: 'day' | 'moment' | 'clock'; first?: string }) {
  const [value, setValue] = useState(first);
  return (
    <>
      <WhenField kind={kind} label="When" value={value} onChange={setValue} max="2026-11-30" />
      <output>{value}</output>
      <button type="button" onClick={() => setValue('')}>
        empty it
      </button>
      <button type="button">elsewhere</button>
    </>
  );
}
const held = () => screen.getByRole('status').textContent;
const field = () => screen.getByLabelText('When') as HTMLInputElement;

describe('a field of a day or a time', () => {
  it.each(['3 Dec 2026', '31.12.1999'])(
    'refuses "%s", a day past its last one or before 2000',
    async (said) => {
      const { user } = show(<Held kind="day" />);
      await type(user, 'When', said);
      await user.click(screen.getByRole('button', { name: 'elsewhere' }));
      expect(field().getAttribute('aria-invalid')).toBe('true');
      expect(held()).toBe(said);
    },
  );

  it.each([
    ['day', '27.11.2026', '2026-11-27', '27 Nov 2026'],
    ['day', '2026-11-03', '2026-11-03', '3 Nov 2026'],
    ['moment', '27 Nov 2026, 5:30 pm', '2026-11-27T17:30', '27 Nov 2026, 17:30'],
    ['moment', '2026-11-26T09:10', '2026-11-26T09:10', '26 Nov 2026, 09:10'],
    ['clock', '5.30 pm', '17:30', '17:30'],
  ] as const)(
    'of a %s reads "%s", and shows it as everywhere once it is left',
    async (kind, said, value, shown) => {
      const { user } = show(<Held kind={kind} />);
      await type(user, 'When', said);
      expect(held()).toBe(value);
      await user.click(screen.getByRole('button', { name: 'elsewhere' }));
      expect(field().value).toBe(shown);
      expect(field().getAttribute('aria-invalid')).toBeNull();
    },
  );

  it('keeps what it cannot read as it was typed, and says so once it is left', async () => {
    const { user } = show(<Held kind="day" first="2026-11-27" />);
    expect(field().value).toBe('27 Nov 2026');
    await type(user, 'When', '11/12/2026');
    expect(screen.queryByRole('alert')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'elsewhere' }));
    expect(screen.getByRole('alert').textContent).toMatch(/could be two days/);
    expect([field().value, held()]).toEqual(['11/12/2026', '11/12/2026']);
    await user.click(screen.getByRole('button', { name: 'empty it' }));
    expect([field().value, held()]).toEqual(['', '']);
  });

  it('may be chosen in a calendar, whose days past the last one are closed', async () => {
    const { user } = show(<Held kind="day" first="2026-11-27" />);
    await user.click(screen.getByRole('button', { name: 'Open the calendar' }));
    const day = await screen.findByRole('button', { name: /November 19/ });
    await user.click(day);
    await waitFor(() => expect(held()).toBe('2026-11-19'));
    expect(field().value).toBe('19 Nov 2026');
  });

  it('means the hour of the kitchen, whatever zone the device is in; what cannot be read is no instant', () => {
    showTimesOf('America/Denver');
    // Denver is seven hours behind UTC in November.
    expect(fromLocalInput('2026-11-27T17:30')).toBe('2026-11-28T00:30:00.000Z');
    expect(fromLocalInput('')).toBeUndefined();
    expect(fromLocalInput('later')).toBe('later');
    showTimesOf('UTC');
  });
});
