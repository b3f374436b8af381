import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { ensureBuilt } from '../scripts/src/build.mjs';
import { ensureChromium } from '../scripts/src/debian.mjs';
import { DEMO_OWNER, loadDemo } from '../scripts/src/demo.mjs';
import { prepareDatabase, startServer } from '../scripts/src/house.mjs';
import { freePort, startMariadb } from '../scripts/src/mariadb.mjs';
import { ROOT } from '../scripts/src/root.mjs';
import { say } from '../scripts/src/say.mjs';

/** Takes the pictures of the main views anew from the demo kitchen, into docs/screenshots. */
const FLAGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
const TABLE = { width: 1280, height: 800 };
const STOVE = { width: 1024, height: 768 };
const PHONE = { width: 390, height: 844 };

await ensureBuilt();
const folder = mkdtempSync(join(tmpdir(), 'inch-pictures-'));
const db = await startMariadb(folder, { throwAway: true });
await prepareDatabase(db);
const server = await startServer({ appUrl: db.appUrl, port: await freePort() });
await loadDemo(server.url);
const browser = await chromium.launch({ executablePath: await ensureChromium(), args: FLAGS });
const page = await (await browser.newContext({ baseURL: server.url, reducedMotion: 'reduce' })).newPage();
await page.request.post('/api/session', { data: DEMO_OWNER });
const { lots } = await (await page.request.get('/api/lots')).json();
const formulas = await (await page.request.get('/api/formulas')).json();
const lot = (state, name) => lots.find((l) => l.state === state && l.name.startsWith(name)).code;
const plan = (await (await page.request.get('/api/plans')).json())[0].id;
const formula = (name) => formulas.find((f) => f.name.startsWith(name)).id;

/** The tab that says how far each figure may be off, scrolled into sight. */
async function showHowSure() {
  await page.getByText(/4.000 draws/).waitFor();
  await page.getByRole('tab', { name: 'How sure' }).click();
  await page.getByText('pH at or under the limit').scrollIntoViewIfNeeded();
  await page.evaluate(() => document.activeElement?.blur());
}

/** A pan of apple juice and sugar on the simulated fire, some minutes in, three instruments attached. */
async function boilSomething() {
  await page.getByRole('button', { name: 'Set a pan on' }).click();
  for (const one of ['scale', 'refractometer', 'thermometer'])
    await page.getByRole('button', { name: `Attach Simulated ${one}` }).click();
  for (const [grams, part] of [
    ['3000', 'Apple juice, pressed'],
    ['900', 'Sugar, white'],
  ]) {
    await page.getByRole('button', { name: /^Put in, of what/ }).click();
    await page.getByPlaceholder('Type a part of its name').fill(part);
    await page.getByRole('option', { name: part, exact: true }).click();
    await page.getByLabel('Put in, g').fill(grams);
    await page.getByRole('button', { name: 'Put it in' }).click();
  }
  await page.getByRole('button', { name: 'full', exact: true }).click();
  await page.getByRole('button', { name: '× 240' }).click();
  await page.waitForTimeout(6000);
  await page.getByRole('button', { name: '× 10', exact: true }).click();
}

/** The hours of the plan laid back from its day, the canner's loads in sight. */
async function layTheHours() {
  await page.getByRole('button', { name: /^Lay them back/ }).click();
  await page.getByText('No clash').waitFor();
  await page
    .getByRole('button', { name: /load 2 of 2/ })
    .first()
    .scrollIntoViewIfNeeded();
  await page.mouse.move(700, 700);
}

/** The picking divided at a price. */
async function sellAt() {
  await page
    .getByLabel(/price a bottle/)
    .first()
    .fill('5.95');
  await page.evaluate(() => document.activeElement?.blur());
}

async function tickOne() {
  await page.getByRole('checkbox', { name: /^Sour cherries.* is in the basket/ }).check();
  await page.getByText('£0.00', { exact: true }).waitFor({ state: 'detached' });
  await page.waitForFunction(() => !document.querySelector('main button:disabled'));
}

const VIEWS = [
  ['today', '/', TABLE],
  ['today-phone', '/', PHONE],
  ['formulas', '/formulas', TABLE],
  ['formula', `/formulas/${formula('Sour')}`, TABLE],
  ['formula-sure', `/formulas/${formula('Red')}`, TABLE, 'light', showHowSure],
  ['plan', `/plan/${plan}`, TABLE],
  ['plan-hours', `/plan/${plan}/hours`, TABLE, 'light', layTheHours],
  ['picking', '/plan/picking', TABLE, 'light', sellAt],
  ['stock', '/plan/stock', TABLE],
  ['buy-phone', '/plan/buy', PHONE, 'light', tickOne],
  ['stove', `/stove/${lot('making', 'Sour')}`, TABLE],
  ['cook', `/stove/${lot('making', 'Sour')}/cook`, STOVE],
  ['bottling', `/bottling/${lot('resting', 'Quince')}`, TABLE],
  ['label', `/labels/${lot('released', 'Damson')}`, TABLE],
  ['shelf', '/shelf', TABLE],
  ['shelf-phone', '/shelf', PHONE],
  ['record', `/records/${lot('released', 'Sour')}`, TABLE],
  ['bench', '/bench', TABLE],
  ['simulated', '/bench/simulated', TABLE, 'light', boilSomething],
];
const out = join(ROOT, 'docs', 'screenshots');
mkdirSync(out, { recursive: true });
for (const [name, path, size, theme = 'light', before] of VIEWS) {
  await page.setViewportSize(size);
  await page.goto(path);
  await page.evaluate((t) => localStorage.setItem('inch-theme', t), theme);
  await page.reload();
  await page.locator('main h1, main p').first().waitFor();
  await page.waitForLoadState('networkidle');
  if (path.startsWith('/formulas/') && !path.includes('compare'))
    await page.getByText(/4.000 draws/).waitFor();
  await before?.();
  await page.screenshot({ path: join(out, `${name}.png`) });
  say(`${name}.png`);
}
await browser.close();
await server.stop();
await db.stop();
rmSync(folder, { recursive: true, force: true });
