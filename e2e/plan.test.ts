import type { Browser, Page } from 'playwright-core';
import { afterAll, afterEach, beforeAll, describe, expect, inject, it } from 'vitest';
import { DEMO_OWNER } from '../scripts/src/demo.mjs';
import { daysAgo, launch, openPage, pictureOfFailure, signIn } from './browser.ts';

let browser: Browser;
let page: Page;
let faults: string[];

const TABLE = { width: 1280, height: 800 };

beforeAll(async () => {
  browser = await launch(inject('chromium'));
  ({ page, faults } = await openPage(browser, inject('demo').plan));
  await signIn(page, DEMO_OWNER.name, DEMO_OWNER.password);
});
afterAll(async () => {
  // Out of the kitchen's reach a browser says so itself.
  expect(faults.filter((f) => !f.includes('ERR_INTERNET_DISCONNECTED'))).toEqual([]);
  await browser.close();
});
afterEach(async ({ task }) => {
  if (task.result?.state === 'fail') await pictureOfFailure(page, task.name.replace(/\W+/g, '-'));
});

const main = () => page.locator('main');
const dialog = () => page.getByRole('dialog');
const button = (name: string | RegExp) =>
  main().getByRole('button', { name, exact: typeof name === 'string' });
const go = (name: string) =>
  page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name, exact: true }).click();
const ofPlan = (name: string) =>
  page
    .getByRole('navigation', { name: 'Parts of this plan' })
    .getByRole('link', { name, exact: true })
    .click();
const product = (name: string) => main().getByRole('region', { name });

interface Stock {
  code: string;
  thing: string;
  left: number;
}
const stock = async () => (await (await page.request.get('/api/stock')).json()) as Stock[];
const leftOf = async (thing: string) =>
  (await stock()).filter((s) => s.thing === thing).reduce((sum, s) => sum + s.left, 0);

/** Opens the plan of this test again, wherever the page stands. */
async function openPlan(): Promise<void> {
  await go('Plan');
  await main()
    .getByRole('link', { name: /The fair on the 19th/ })
    .click();
}

describe('from bottles wanted and fruit in hand to two lots on the stove', () => {
  it('two products for one date: their sizes, what sets them, and what your last lots gave', async () => {
    await go('Plan');
    await page.getByLabel('Name').fill('The fair on the 19th');
    await page.getByLabel('Ready by').fill(daysAgo(-26, '').slice(0, 10));
    await page.getByRole('button', { name: 'Begin a plan' }).click();
    await button('Add a product').click();
    await dialog().getByLabel('Product').selectOption({ label: 'Sour cherry syrup' });
    await dialog().getByLabel('Bottles wanted').fill('36');
    await dialog()
      .getByText(/Split into 2 lots/)
      .waitFor();
    await dialog()
      .getByText(/Your last three gave 0\.83 L per kg/)
      .waitFor();
    await dialog().getByRole('button', { name: 'Add' }).click();
    await product('Sour cherry syrup')
      .getByText(/Lot 2 of 2/)
      .waitFor();
    expect(await product('Sour cherry syrup').textContent()).toMatch(
      /36 bottles wanted: 3[56] bottles expected/,
    );

    await button('Add a product').click();
    await dialog().getByLabel('Product').selectOption({ label: 'Damson shrub' });
    await dialog().getByLabel('Size set by').selectOption({ label: 'the fruit in hand' });
    await dialog().getByLabel('How much is there').fill('3.4 kg');
    await dialog()
      .getByText(/g of damsons are in hand/)
      .waitFor();
    await dialog().getByRole('button', { name: 'Add' }).click();
    await product('Damson shrub').waitFor();
    expect(await product('Damson shrub').textContent()).toMatch(/Damsons3 kg3\s[34]\d\d g.*S32/);
  });

  it('the list is bought on a phone: ticked off, and the receipt is stock in one go', async () => {
    await page.setViewportSize({ width: 390, height: 844 });
    await main().getByRole('link', { name: 'What to buy' }).click();
    const cherries = main().getByRole('listitem').filter({ hasText: 'Sour cherries' }).first();
    await cherries.getByText(/1 × crate of 10 kg, frozen/).waitFor();
    await main().getByText('£0.00', { exact: true }).waitFor();
    const before = await leftOf('sour-cherry');
    await cherries.getByRole('checkbox').check();
    await main().getByRole('checkbox', { name: 'Sugar, white is in the basket' }).check();
    await main().getByText('£0.00', { exact: true }).waitFor({ state: 'detached' });
    await button('Receipt…').click();
    await dialog().getByLabel('Bought at').fill('Beck House and Fell');
    await dialog().getByLabel('Sour cherries, stoned, paid').fill('47.50');
    await dialog().getByRole('button', { name: 'Save receipt' }).click();
    await page.getByText(/Added to stock: S\d+, S\d+/).waitFor();
    await main()
      .getByRole('checkbox', { name: 'Sugar, white is in the basket' })
      .waitFor({ state: 'detached' });
    expect(await leftOf('sour-cherry')).toBeGreaterThanOrEqual(before + 10_000);
    await page.setViewportSize(TABLE);
  });

  it('a tick out of the kitchen’s reach waits on the phone, and arrives when it is back', async () => {
    const vinegar = main().getByRole('checkbox', { name: /^Cider vinegar.* is in the basket/ });
    const inBasket = async () =>
      ((await (await page.request.get('/api/basket')).json()) as { thing: string }[]).map((b) => b.thing);
    await page.context().setOffline(true);
    await vinegar.check();
    await page.getByRole('button', { name: /1 waiting/ }).waitFor();
    expect(await vinegar.isChecked()).toBe(true);
    await page.context().setOffline(false);
    await page.getByRole('button', { name: /1 waiting/ }).waitFor({ state: 'detached' });
    expect(await inBasket()).toContain('cider-vinegar');
    await expect.poll(() => vinegar.isChecked(), { timeout: 240_000 }).toBe(true);
    await vinegar.uncheck();
    await expect.poll(inBasket, { timeout: 240_000 }).not.toContain('cider-vinegar');
  });

  it('the hours are laid back from the day without a clash, the canner taking one load at a time', async () => {
    await page.setViewportSize(TABLE);
    await openPlan();
    await ofPlan('Hours');
    await button(/^Schedule back from/).click();
    await main()
      .getByText(/^Begins/)
      .waitFor();
    await main().getByText('No clash').waitFor();
    await main().getByText('Canner', { exact: true }).waitFor();
    await button('Save hours').click();
    await main().getByRole('link', { name: 'as a calendar file' }).waitFor();
    const loads = await main()
      .getByRole('button', { name: /load \d of 2/ })
      .count();
    expect(loads).toBe(4);
  });

  it('one step dragged into a clash is told, in words, and is put back', async () => {
    const loads = () => main().getByRole('button', { name: /load 2 of 2/ });
    await loads().last().scrollIntoViewIfNeeded();
    const boxes = await Promise.all([0, 1].map(async (i) => (await loads().nth(i).boundingBox())!));
    const late = boxes[0]!.x > boxes[1]!.x ? 0 : 1;
    const [to, from] = [boxes[1 - late]!, boxes[late]!];
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(from.x - 20, from.y + 10, { steps: 4 });
    await page.mouse.move(to.x + from.width / 2, from.y + from.height / 2, { steps: 6 });
    await page.mouse.up();
    await main()
      .getByText(/the canner: 2 wanted at once, 1 there/)
      .first()
      .waitFor();
    await main()
      .getByRole('button', { name: /load 2 of 2.*clashes/ })
      .first()
      .waitFor();
    await button('Discard changes').click();
    await main().getByText('No clash').waitFor();
    // By the keys: an hour earlier it is in the way again.
    await loads().nth(late).focus();
    await page.keyboard.press('Shift+ArrowLeft');
    await main()
      .getByText(/\d clash/)
      .waitFor();
    await button('Discard changes').click();
    await main().getByText('No clash').waitFor();
  });

  it('both lots begin from the plan, and the stock falls by what was weighed, not by what was planned', async () => {
    await ofPlan('Amounts');
    const begun = async (name: string) => {
      await product(name)
        .getByRole('button', { name: /^Start / })
        .first()
        .click();
      const link = product(name).getByRole('link', { name: /^begun as / });
      await link.waitFor();
      return (await link.textContent())!.slice(-4);
    };
    const cherry = await begun('Sour cherry syrup');
    const shrub = await begun('Damson shrub');
    const before = { cherry: await leftOf('sour-cherry'), damson: await leftOf('damson') };

    await product('Sour cherry syrup')
      .getByRole('link', { name: `begun as ${cherry}` })
      .click();
    await main().getByLabel('Sour cherries, stoned, grams weighed').fill('5010');
    await main().getByLabel('Sour cherries, stoned, before trimming').fill('5620');
    await button('Weighed in').first().click();
    await main()
      .getByText(/from S\d+.*5.620 g before trimming/)
      .waitFor();
    expect(await leftOf('sour-cherry')).toBeCloseTo(before.cherry - 5620, 3);

    await openPlan();
    await product('Damson shrub')
      .getByRole('link', { name: `begun as ${shrub}` })
      .click();
    await main().getByLabel('Damsons, grams weighed').fill('3075');
    await button('Weighed in').first().click();
    await main()
      .getByText(/from S32/)
      .waitFor();
    expect(await leftOf('damson')).toBeCloseTo(before.damson - 3075, 3);
  });

  it('the stock says which lot it went into', async () => {
    await go('Plan');
    await page.getByRole('link', { name: 'Stock', exact: true }).click();
    await button(/^S32/).click();
    await dialog()
      .getByText(/into lot/)
      .first()
      .waitFor();
    expect(await dialog().textContent()).toMatch(/3.075 g/);
    await page.keyboard.press('Escape');
  });

  it('everything is counted in one round, and what is typed stands', async () => {
    await button('stocktake').click();
    const before = await stock();
    const sugar = before.find((s) => s.thing === 'sugar' && s.left > 0)!;
    await main().getByLabel(`${sugar.code} Sugar, white, counted`).fill('2 kg');
    await button('Record 1 count').click();
    await page.getByText('1 count recorded').waitFor();
    expect((await stock()).find((s) => s.code === sugar.code)!.left).toBe(2000);
  });
});

describe('a picking divided', () => {
  it('so much to the shrub, the rest to the freezer as a stock lot of its own, and a plan begun', async () => {
    await page.getByRole('link', { name: 'Divide a picking', exact: true }).click();
    const table = main().getByLabel('What is on the table');
    await table.selectOption({ label: (await table.locator('option', { hasText: 'S32' }).textContent())! });
    await main().getByLabel('Damson shrub, price a bottle').fill('5.95');
    await main().getByLabel('Damson shrub, at most').fill('3');
    await main()
      .getByText(/into the freezer, a stock lot of its own/)
      .waitFor();
    const before = await leftOf('damson');
    await button('Divide it and start a plan').click();
    await product('Damson shrub')
      .getByText(/3.000 g of damsons in hand/)
      .waitFor();
    const lots = (await stock()).filter((s) => s.thing.includes('damson') && s.left > 0);
    expect(lots).toHaveLength(2);
    expect(lots.reduce((sum, s) => sum + s.left, 0)).toBeCloseTo(before, 3);
  });
});
