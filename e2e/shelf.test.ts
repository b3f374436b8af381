import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, inject, it } from 'vitest';
import { launch, openPage, pictureOfFailure, signIn } from './browser.ts';

let browser: Browser;
let page: Page;
let faults: string[];

beforeAll(async () => {
  browser = await launch(inject('chromium'));
  ({ page, faults } = await openPage(browser, inject('demo').shelf));
  await signIn(page, 'Wren', 'enamel-and-steel');
});
afterAll(() => browser.close());

const seen = async (name: string, work: () => Promise<void>): Promise<void> => {
  try {
    await work();
  } catch (error) {
    await pictureOfFailure(page, name);
    throw error;
  }
};
const dialog = () => page.getByRole('dialog');
const press = (name: string) => dialog().getByRole('button', { name, exact: true }).click();

/** Moves bottles of a lot by its page. */
async function move(code: string, action: string, said: { from?: string; to?: string; note?: string }) {
  await page.goto(`/shelf/${code}`);
  await page.getByRole('button', { name: action, exact: true }).click();
  await dialog().waitFor();
  if (said.from) await dialog().getByLabel('From').selectOption({ label: said.from });
  if (said.to) await dialog().getByLabel('New place').fill(said.to);
  if (said.note)
    await dialog()
      .getByLabel(/Why|Buyer|Who|Note/)
      .fill(said.note);
  await dialog().getByRole('button', { name: action, exact: true }).click();
  await dialog().waitFor({ state: 'detached' });
}

it('bottles carry what they went through: moved, kept back and thrown away, each place says it', () =>
  seen('bottle-life', async () => {
    await move('7E8C', 'Move', { to: 'market table' });
    await page.getByText('market table', { exact: false }).first().waitFor();
    await move('7E8C', 'Keep back', { to: 'back fridge' });
    await page.getByText('1 kept back, not for sale').waitFor();
    await move('7E8C', 'Throw away', { note: 'the label came off' });
    await page.getByText(/8 bottles left of 15/).waitFor();

    await page.goto('/shelf/stores');
    const table = page.getByRole('listitem').filter({ hasText: 'market table' });
    await expect.poll(() => table.getByLabel('What it is').inputValue()).toBe('warm');
    const place = page.getByRole('listitem').filter({ hasText: 'cellar' }).first();
    await place.getByLabel('What it is').selectOption('warm');
    await expect.poll(() => place.getByLabel('What it is').inputValue()).toBe('warm');
    await place.getByRole('button', { name: 'Another name…' }).click();
    await place.getByLabel('It is also called').fill('the undercroft');
    await place.getByRole('button', { name: 'Save' }).click();
    await place.getByRole('button', { name: 'Another name…' }).waitFor();
  }));

it('a sale that was a mistake is undone in the record: its bottles are back, and it stays, crossed out', () =>
  seen('sale-undone', async () => {
    const left = async (code: string): Promise<number> =>
      (await (await page.request.get(`/api/lots/${code}`)).json()).bottles.left;
    const { lots } = await (await page.request.get('/api/lots?state=released')).json();
    const { code } = lots.find((lot: { bottles: { left: number } }) => lot.bottles.left > 2);
    const before = await left(code);
    await move(code, 'Sell', { note: 'Fellside market' });
    expect(await left(code)).toBe(before - 1);
    await page.goto(`/records/${code}`);
    const sale = page.getByRole('listitem').filter({ hasText: 'Fellside market' });
    await sale.getByRole('button', { name: /^Undo / }).click();
    await dialog().getByLabel('Why').fill('it was another lot');
    await press('Undo');
    await dialog().waitFor({ state: 'detached' });
    await sale.getByText(/undone by Wren: it was another lot/).waitFor();
    expect(await left(code)).toBe(before);
  }));

const get = async (path: string) => (await page.request.get(path)).json();

it('a sale is undone where the bottles are shown as well', () =>
  seen('sale-undone-here', async () => {
    const { lots } = await get('/api/lots?state=released');
    const { code } = lots.find((lot: { bottles: { left: number } }) => lot.bottles.left > 2);
    const left = async (): Promise<number> => (await get(`/api/lots/${code}`)).bottles.left;
    const before = await left();
    await move(code, 'Sell', { note: 'Undercroft stall' });
    expect(await left()).toBe(before - 1);
    const sale = page.getByRole('listitem').filter({ hasText: 'Undercroft stall' });
    await sale.getByRole('button', { name: /^Undo Sold: 1 bottle/ }).click();
    await dialog().getByLabel('Why').fill('they took another');
    await press('Undo');
    await expect.poll(left).toBe(before);
    await sale.waitFor({ state: 'detached' });
  }));

it('a count that was a mistake is undone where it stands: what was there is there again', () =>
  seen('count-undone', async () => {
    const sugar = (await get('/api/stock')).find(
      (s: { thing: string; left: number; held: string | null }) => s.thing === 'sugar' && s.left > 100,
    );
    await page.goto('/plan/stock');
    const open = () =>
      page
        .getByRole('button', { name: new RegExp(`^${sugar.code}\\b`) })
        .first()
        .click();
    await open();
    await dialog().getByLabel('Counted').fill('50 g');
    await dialog().getByLabel('Reason').fill('only the top of the bag');
    await press('Record');
    await dialog().waitFor({ state: 'hidden' });
    const now = async (): Promise<number> => (await get(`/api/stock/${sugar.id}`)).left;
    await expect.poll(now).toBe(50);
    await open();
    const count = dialog().getByRole('listitem').filter({ hasText: 'only the top of the bag' });
    await count.getByRole('button', { name: /^Undo counted/ }).click();
    await count.getByLabel('Why it is undone').fill('there is a second bag');
    await count.getByRole('button', { name: 'Undo', exact: true }).click();
    await count.getByText(/undone by Wren: there is a second bag/).waitFor();
    expect(await now()).toBeCloseTo(sugar.left, 6);
    await page.keyboard.press('Escape');
  }));

it('what a cloth kept goes into stock as pulp, with the amount and the day of the record', () =>
  seen('by-product', async () => {
    const { lots } = await get('/api/lots?scope=on-hand');
    let code = '';
    for (const lot of lots) {
      const { steps } = await get(`/api/lots/${lot.code}`);
      const strained = steps.some(
        (s: { kind: string; marks: { kind: string }[] }) =>
          s.kind === 'strain' && s.marks.some((m) => m.kind === 'done'),
      );
      if (code === '' && strained) code = lot.code;
    }
    await page.goto(`/plan/stock?leftBy=${code}`);
    await page.getByText(`By the record the cloth of lot ${code} kept about`).waitFor();
    const amount = page.getByLabel('How much');
    expect(await amount.inputValue()).toMatch(/^[\d\u202f.]+ k?g$/);
    await page.getByRole('button', { name: 'Add to stock', exact: true }).click();
    await page.getByText(/^Write S\d+ on it$/).waitFor();
    const pulp = (await get('/api/stock')).find((s: { thing: string }) => s.thing === 'pulp-left');
    expect(pulp).toMatchObject({ name: 'Left-over pulp', leftBy: { code } });
  }));

it('a held stock lot says what it went into, and Today names it; lifted by its owner, the lots stay held', () =>
  seen('source-hold', async () => {
    await page.goto('/plan/stock');
    await page.getByRole('button', { name: /S20/ }).first().click();
    await dialog().waitFor();
    await dialog()
      .getByRole('button', { name: /^Hold S20/ })
      .click();
    const form = page.getByRole('dialog', { name: /^Hold S20/ });
    await form.getByLabel('Who holds it').selectOption('yes');
    await form.getByLabel('Why').fill('the press calls it back: glass in the cans');
    await form.getByRole('button', { name: 'Hold', exact: true }).click();
    await form.waitFor({ state: 'detached' });
    await page.getByText(/It went into 2 lots/).waitFor();
    await page.goto('/');
    await page.getByText('S20 Cider vinegar, 5 % called back').waitFor();
    await page.goto('/shelf/7E7W');
    await page.getByText(/Nothing of it leaves the kitchen/).waitFor();
    expect(await page.getByRole('button', { name: 'Sell', exact: true }).count()).toBe(0);
    await page.goto('/plan/stock');
    await page.getByRole('button', { name: /S20/ }).first().click();
    await dialog().getByRole('button', { name: 'Lift the hold' }).click();
    const lift = page.getByRole('dialog', { name: /^Lift/ });
    await lift.getByLabel('Why').fill('another batch than ours');
    await lift.getByRole('button', { name: 'Lift', exact: true }).click();
    await lift.waitFor({ state: 'detached' });
    await page.goto('/bottling/7E7W');
    await page.getByRole('button', { name: 'Resume', exact: true }).waitFor();
  }));

it('a recall is signed, says so on every page of the lot, and asks who was told', () =>
  seen('recall', async () => {
    await page.goto('/bottling/7E2R');
    await page.getByRole('button', { name: 'Recall', exact: true }).click();
    await dialog().getByLabel('Why').fill('two lids lifted at Arkle');
    await dialog().getByLabel('Your password').fill('enamel-and-steel');
    await press('Recall');
    await dialog().waitFor({ state: 'detached' });
    for (const path of [
      '/bottling/7E2R',
      '/labels/7E2R',
      '/shelf/7E2R',
      '/shelf/7E2R/looks',
      '/records/7E2R',
    ]) {
      await page.goto(path);
      await page.getByText(/Nothing of it is sold, given or drunk/).waitFor();
    }
    expect(await page.getByText('Nothing was out of its limits.').count()).toBe(0);
    const told = page.getByLabel('How they were told').first();
    await told.fill('by telephone');
    await told.press('Enter');
    await page.getByText(/told .* by Wren: by telephone/).waitFor();
    await move('7E2R', 'Destroy', { note: 'unopened, Tam saw it' });
    await page.getByText(/3 bottles left/).waitFor();
    expect(faults).toEqual([]);
  }));
