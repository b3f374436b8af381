import { waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { describe, expect, it } from 'vitest';
import { outbox } from '../src/data/outbox/outbox.ts';
import { screen, server, show, type } from './page.tsx';

/** A form: how it is filled in, what it refuses, and what it sends. */
export interface Case {
  name: string;
  form: () => ReactElement;
  reads?: Record<string, unknown>;
  /** What is typed, by label; good figures as a cook writes them. */
  typed: [string | RegExp, string][];
  /** A choice made first, by its label. */
  chosen?: [string, string];
  thenChosen?: [string, string | RegExp];
  /** A field with what cannot be read, and what it then says. */
  bad: [string | RegExp, string, RegExp];
  press: string | RegExp;
  address: string | RegExp;
  /** What of the body the good figures come to. */
  body: Record<string, unknown>;
}

async function opened(one: Case) {
  for (const [address, answer] of Object.entries(one.reads ?? {})) server.current.reads.set(address, answer);
  const page = show(one.form());
  for (const choice of [one.chosen, one.thenChosen])
    if (choice)
      await page.user.selectOptions(
        await screen.findByLabelText(choice[0]),
        await screen.findByRole('option', { name: choice[1] }),
      );
  for (const [label] of one.typed) await screen.findByLabelText(label);
  return page;
}

export const press = async (user: Awaited<ReturnType<typeof opened>>['user'], name: string | RegExp) => {
  const button = screen.getAllByRole('button', { name })[0] as HTMLButtonElement;
  await user.click(button);
};

/** Each form is read as a cook writes it, refused in place, and tried again under the same id. */
export const describeForms = (cases: readonly Case[]) =>
  describe.each(cases)('$name', (one) => {
    it('is read as a cook writes it, and sent once', async () => {
      const { user } = await opened(one);
      for (const [label, text] of one.typed) await type(user, label, text);
      await press(user, one.press);
      await waitFor(() => expect(server.current.sent).toHaveLength(1));
      const [{ address, body }] = server.current.sent as [(typeof server.current.sent)[number]];
      expect(address).toBe(one.address);
      for (const [key, value] of Object.entries(one.body))
        if (typeof value === 'number') expect(body[key] as number, key).toBeCloseTo(value, 9);
        else expect(body[key], key).toEqual(value);
    });

    it('is refused in place where it cannot be read, keeps what was typed, and sends nothing', async () => {
      const { user } = await opened(one);
      for (const [label, text] of one.typed) await type(user, label, text);
      const [label, text, says] = one.bad;
      await type(user, label, text);
      await press(user, one.press);
      expect((await screen.findAllByText(says)).length).toBeGreaterThan(0);
      expect((screen.getByLabelText(label) as HTMLInputElement).value).toBe(text);
      expect(server.current.sent).toEqual([]);
    });

    it('tried again after a lost answer, it is the same write under the same id', async () => {
      const { user } = await opened(one);
      server.current.doing = ['lose', 'answer'];
      for (const [label, text] of one.typed) await type(user, label, text);
      await press(user, one.press);
      await waitFor(() => expect(server.current.sent).toHaveLength(1));
      if (outbox.list().length > 0 || (await kept())) await outbox.again(outbox.list()[0]!);
      else await press(user, one.press);
      // What waits is sent again by itself as well: however often it goes, it is the same write.
      await waitFor(() => expect(server.current.sent.length).toBeGreaterThanOrEqual(2));
      const [first, ...again] = server.current.sent;
      for (const sent of again) expect(sent).toEqual(first);
    });
  });

/** Whether what was sent is kept on the device within a moment. */
async function kept(): Promise<boolean> {
  for (let look = 0; look < 20 && outbox.list().length === 0; look++)
    await new Promise((r) => setTimeout(r, 10));
  return outbox.list().length > 0;
}
