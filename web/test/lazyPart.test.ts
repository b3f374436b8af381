import { afterEach, expect, it, vi } from 'vitest';
import { patiently } from '../src/ui/lazyPart.ts';

afterEach(() => void vi.useRealTimers());

it('the code of a part that fails is asked for again until it comes', async () => {
  vi.useFakeTimers();
  let asked = 0;
  const loaded = patiently(async () => {
    asked += 1;
    if (asked < 5) throw new Error('the line is away');
    return 'here';
  });
  await vi.runAllTimersAsync();
  expect(await loaded).toBe('here');
  expect(asked).toBe(5);
});

it('what never comes is said at last', async () => {
  vi.useFakeTimers();
  const gone = expect(patiently(() => Promise.reject(new Error('the line is away')))).rejects.toThrow(
    'the line is away',
  );
  await vi.runAllTimersAsync();
  await gone;
});
