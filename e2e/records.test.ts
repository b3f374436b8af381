import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, inject, it } from 'vitest';
import { launch, openPage, pictureOfFailure, signIn } from './browser.ts';

let browser: Browser;
let page: Page;
let faults: string[];

beforeAll(async () => {
  browser = await launch(inject('chromium'));
  ({ page, faults } = await openPage(browser, inject('demo').screens));
  await signIn(page, 'Wren', 'enamel-and-steel');
});
afterAll(async () => {
  await browser?.close();
});

const codes = () =>
  page
    .locator('main li a .figure')
    .allTextContents()
    .then((all) => all.map((code) => code.trim()));

it('Records finds a lot by what stands in its record, and the address keeps what was looked for', async () => {
  try {
    await page.goto('/records');
    await page.getByText('Every lot, newest first').waitFor();
    const all = await codes();
    expect(all).toHaveLength(13);
    await page.keyboard.press('/');
    await page.keyboard.type('quince');
    await page.getByText('Found, newest first').waitFor();
    const quince = await codes();
    expect(quince.length).toBe(3);
    await page.waitForURL(/q=quince/);
    await page.getByLabel('Order').selectOption('oldest');
    await page.getByText('Found, oldest first').waitFor();
    await expect.poll(codes).toEqual([...quince].reverse());
    await page.reload();
    await page.getByText('Found, oldest first').waitFor();
    await expect.poll(codes).toEqual([...quince].reverse());
    await page.locator('main').getByRole('link', { name: quince[0]! }).click();
    await page.getByRole('heading', { level: 1, name: quince[0]! }).waitFor();
    await page.goBack();
    expect(await page.getByRole('searchbox').inputValue()).toBe('quince');

    await page.getByLabel('State').selectOption('discarded');
    await page.getByText('No lot found').waitFor();
    await page.getByRole('button', { name: 'Show all lots' }).click();
    await page.getByText('Every lot, oldest first').waitFor();
    await expect.poll(codes).toEqual([...all].reverse());
    expect(await page.getByRole('searchbox').inputValue()).toBe('');
  } catch (error) {
    await pictureOfFailure(page, 'records');
    throw error;
  }
});

it('a page that could not be read says so, and tries again', async () => {
  await page.goto('/');
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
  await page.route('**/api/instruments', (route) => route.fulfill({ status: 500, json: {} }));
  await page.evaluate(() => indexedDB.deleteDatabase('inch-kept'));
  await page.goto('/bench');
  await page.getByRole('button', { name: 'Try again' }).waitFor();
  await page.unroute('**/api/instruments');
  await page.getByRole('button', { name: 'Try again' }).click();
  await page.getByRole('heading', { level: 1, name: 'Bench' }).waitFor();
  expect(faults.filter((f) => !/status of 500/.test(f))).toEqual([]);
});
