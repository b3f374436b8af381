// @vitest-environment happy-dom
import { render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import { KeySheet } from '../src/shell/KeySheet.tsx';
import { KeysProvider, useKey } from '../src/ui/keys.tsx';
import './page.tsx';

function Step({ act }: { act: () => void }) {
  useKey('s', 'start the step', act);
  return null;
}
const page = (act: () => void, step: boolean, sheet: boolean) => (
  <KeysProvider>
    {step && <Step act={act} />}
    {sheet && <KeySheet onClose={() => undefined} />}
  </KeysProvider>
);

it('the sheet of keys tells those of a part that comes while it is open, and drops those that go', () => {
  const { rerender } = render(page(vi.fn(), false, true));
  expect(screen.queryByText('start the step')).toBeNull();
  rerender(page(vi.fn(), true, true));
  expect(screen.getByText('start the step')).toBeTruthy();
  rerender(page(vi.fn(), false, true));
  expect(screen.queryByText('start the step')).toBeNull();
});

it('a key acts while its part is on show, and not afterwards', async () => {
  const act = vi.fn();
  const { rerender } = render(page(act, true, false));
  await userEvent.keyboard('s');
  expect(act).toHaveBeenCalledTimes(1);
  rerender(page(act, false, false));
  await userEvent.keyboard('s');
  expect(act).toHaveBeenCalledTimes(1);
});
