import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, inject, it } from 'vitest';
import { launch, openPage, signIn } from './browser.ts';

let browser: Browser;
const folder = mkdtempSync(join(tmpdir(), 'inch-e2e-export-'));
const file = join(folder, 'kitchen.zip');
beforeAll(async () => {
  browser = await launch(inject('chromium'));
});
afterAll(async () => {
  await browser.close();
  rmSync(folder, { recursive: true, force: true });
});

it('an owner exports the whole kitchen from the settings, and hears when it is done', async () => {
  const { page, faults } = await openPage(browser, inject('demo').people);
  await signIn(page, 'Wren', 'enamel-and-steel');
  await page.goto('/kitchen');
  const begun = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export the whole kitchen' }).click();
  const download = await begun;
  expect(download.suggestedFilename()).toMatch(/^hollin-rigg-kitchen-\d{4}-\d\d-\d\d\.zip$/);
  await download.saveAs(file);
  expect(statSync(file).size).toBeGreaterThan(100_000);
  await page.getByText('Exported. The file is where this device keeps its downloads.').waitFor();
  expect(faults).toEqual([]);
  await page.context().close();
});

it('it is imported on the first page of another installation, and its owner sets the first password', async () => {
  const { page, faults } = await openPage(browser, inject('importUrl'));
  await page.goto('/');
  await page.getByRole('button', { name: 'Choose the zip…' }).waitFor();
  await page.getByLabel('Exported kitchen, a zip').setInputFiles('package.json');
  await page
    .getByRole('alert')
    .filter({ hasText: 'Nothing was imported. The file cannot be read' })
    .waitFor();
  await page.getByLabel('Exported kitchen, a zip').setInputFiles(file);
  await page.getByRole('heading', { name: 'The kitchen is imported' }).waitFor();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
  await page.getByLabel('New password').fill('password');
  await page.getByRole('button', { name: 'Set the password' }).click();
  await page.getByText('A password has at least 10 characters.').waitFor();
  await page.getByLabel('New password').fill('quince and copper pans');
  await page.getByRole('button', { name: 'Set the password' }).click();
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
  await page.goto('/kitchen');
  // The servers of these tests sign with no key.
  await page.getByText(/^Imported .* with the journal up to row \d+/).waitFor();
  const { lots } = await (await page.request.get('/api/lots')).json();
  expect(lots.length).toBeGreaterThan(10);
  await page.goto(`/records/${lots[0].code}`);
  await page.getByText(/Imported with the kitchen on .* signed in another installation/).waitFor();
  expect(faults.filter((fault) => !/status of 422/.test(fault))).toEqual([]);
  await page.context().close();
});
