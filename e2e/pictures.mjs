import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { DEMO_OWNER, loadDemo } from '../scripts/src/demo.mjs';
import { ensureBuilt } from '../scripts/src/machine/build.mjs';
import { ensureChromium } from '../scripts/src/machine/debian.mjs';
import { ROOT } from '../scripts/src/machine/root.mjs';
import { say } from '../scripts/src/machine/say.mjs';
import { freePort, startMariadb } from '../scripts/src/mariadb.mjs';
import { prepareDatabase, startServer } from '../scripts/src/server.mjs';

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
const server = await startServer({ ...db, port: await freePort() });
await loadDemo(server.url);
const browser = await chromium.launch({ executablePath: await ensureChromium(), args: FLAGS });
const page = await (await browser.newContext({ baseURL: server.url, reducedMotion: 'reduce' })).newPage();
await page.request.post('/api/session', { data: DEMO_OWNER });
const { lots } = await (await page.request.get('/api/lots')).json();
const formulas = await (await page.request.get('/api/formulas')).json();
const lot = (state, name) => lots.find((l) => l.state === state && l.name.startsWith(name)).code;
const plan = (await (await page.request.get('/api/plans')).json())[0].id;
const formula = (name) => formulas.find((f) => f.name.startsWith(name)).id;

/** A thick syrup part of the way through its bath, cut open. */
async function warmABottle() {
  const fold = page.locator('main summary').filter({ hasText: 'How the bottle warms' });
  await fold.click();
  await page.getByLabel('What is in it').selectOption('thick');
  await page.getByText('Hottest at the slowest point').waitFor();
  // The worker answers the thick one anew.
  await page.waitForTimeout(1500);
  await fold.evaluate((element) => element.scrollIntoView());
  await page.evaluate(() => document.activeElement?.blur());
}

/** Some lids pressed, one of them failed. */
async function pressSome() {
  await page.getByText('Bottle by bottle:').waitFor();
  for (const key of 'ssssfsss') await page.keyboard.press(key);
}

/** A pan of apple juice and sugar on the simulated fire, some minutes in, three instruments attached. */
async function boilSomething() {
  await page.getByRole('button', { name: 'Put a pan on' }).click();
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
    await page.getByRole('button', { name: 'Add', exact: true }).click();
  }
  await page.getByRole('button', { name: 'full', exact: true }).click();
  await page.getByRole('button', { name: '× 240' }).click();
  await page.waitForTimeout(6000);
  await page.getByRole('button', { name: '× 10', exact: true }).click();
}

/** The hours of the plan laid back from its day, the canner's loads in sight. */
async function layTheHours() {
  await page.getByRole('button', { name: /^Schedule back/ }).click();
  await page.getByText('No clash').waitFor();
  await page
    .getByRole('button', { name: /load 2 of 2/ })
    .first()
    .scrollIntoViewIfNeeded();
  await page.mouse.move(700, 700);
}

const VIEWS = [
  ['today', '/', TABLE],
  ['today-phone', '/', PHONE],
  ['formulas', '/formulas', TABLE],
  ['formula', `/formulas/${formula('Sour')}`, TABLE],
  ['plan', `/plan/${plan}`, TABLE],
  ['plan-hours', `/plan/${plan}/hours`, TABLE, 'light', layTheHours],
  ['stock', '/plan/stock', TABLE],
  ['stove', `/stove/${lot('making', 'Sour')}`, TABLE],
  ['cook', `/stove/${lot('making', 'Sour')}/cook`, STOVE],
  ['bottling', `/bottling/${lot('released', 'Sour')}/fill`, TABLE],
  ['process', `/bottling/${lot('resting', 'Quince')}/process`, TABLE, 'light', warmABottle],
  ['seals', `/bottling/${lot('resting', 'Quince')}/seals`, TABLE, 'light', pressSome],
  ['label', `/labels/${lot('released', 'Damson')}`, TABLE],
  ['shelf', '/shelf', TABLE],
  ['looks', `/shelf/${lot('closed', 'Blackcurrant')}/looks`, TABLE],
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
    await page.getByText(/4.000 simulated batches/).waitFor();
  await before?.();
  await page.screenshot({ path: join(out, `${name}.png`) });
  say(`${name}.png`);
}
await browser.close();
await server.stop();
await db.stop();
rmSync(folder, { recursive: true, force: true });
