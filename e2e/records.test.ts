import { readFile } from 'node:fs/promises';
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
    expect(all).toHaveLength(15);
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

const importFile = async (name: string, text: string) => {
  await page
    .getByLabel('Spreadsheet, XLSX or CSV')
    .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
};

it('lots and sales come in from a spreadsheet: what cannot be taken is named, what asks is asked, all of it comes', async () => {
  try {
    await page.goto('/records/import');
    await page.getByLabel('Spreadsheet, XLSX or CSV').waitFor({ state: 'attached' });
    // What the page before was still asking for when it was left is no fault of this one.
    faults.length = 0;
    await importFile(
      'old lots.csv',
      'Batch;Syrup;Made;Qty;pH\n19A;Medlar cordial;03/04/2019;12;3,4\n19B;Medlar cordial;05/06/2019;lots;3,4\n',
    );
    await page.getByText('3 cells cannot be taken').waitFor();
    await page.getByText('Row 3, Bottles: ').waitFor();
    await page.getByLabel('A day such as 03/04/2024 is').selectOption('date-first');
    await page.getByText('1 cell cannot be taken').waitFor();
    expect(await page.getByRole('button', { name: /^Import 1 row/ }).isDisabled()).toBe(true);
    await importFile('old lots.csv', 'Batch;Syrup;Made;Qty;pH\n19A;Medlar cordial;13/04/2019;12;3,4\n');
    await page.getByRole('button', { name: 'Import 1 row' }).click();
    await page.getByText('1 row imported').waitFor();

    await page.getByLabel('What is in it').selectOption('sales');
    await importFile('old sales.csv', 'When,Lot,How many,Customer\n2019-06-01,19A,5,Ada Marl\n');
    await page.getByText('Choose the column that has Sold on.').waitFor();
    await page.getByLabel('Sold on (needed)').selectOption({ label: 'When' });
    await page.getByLabel('Bottles (needed)').selectOption({ label: 'How many' });
    await page.getByRole('button', { name: 'Import 1 row' }).click();
    await page
      .locator('span')
      .filter({ hasText: /^old sales\.csv$/ })
      .waitFor();

    await page.getByRole('link', { name: 'Earlier lots' }).click();
    const lot = page.locator('main li').filter({ hasText: '19A' });
    await lot.getByText('12 bottles · 5 sold · pH 3.4').waitFor();
    await lot.getByText('imported from old lots.csv, row 2').waitFor();
    await page.getByRole('link', { name: 'Sales' }).click();
    await page.getByText('Every sale, newest first').waitFor();
    await page.keyboard.press('/');
    await page.keyboard.type('marl');
    await page.getByText('Found, newest first').waitFor();
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'as CSV' }).click(),
    ]);
    expect(await readFile(await file.path(), 'utf8')).toContain('2019-06-01,19A,Medlar cordial,5,,Ada Marl');
    expect(faults).toEqual([]);
  } catch (error) {
    await pictureOfFailure(page, 'import');
    throw error;
  }
});
