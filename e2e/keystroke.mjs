import { randomUUID } from 'node:crypto';
import { chromium } from 'playwright-core';
import { newKitchenAt } from '../scripts/src/kitchenClient.mjs';
import { ensureChromium } from '../scripts/src/machine/debian.mjs';

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
const IDS = ['sour-cherry', 'damson', 'sugar', 'water', 'lemon-juice'];

/** A formula of 25 lines, cooked, dripped and reduced. */
export const twentyFive = (changed = '102 g') => ({
  lines: Array.from({ length: 25 }, (_, i) => ({
    id: `l${i}`,
    said: i === 2 ? changed : `${100 + i} g`,
    ingredientId: IDS[i % 5],
    stepId: 'cook',
  })),
  steps: [
    { id: 'cook', kind: 'draw', title: 'Cook', method: 'cooked', minutes: 25, killStep: true },
    { id: 'drip', kind: 'strain', title: 'Drip', cloth: 'drip' },
    { id: 'boil', kind: 'reduce', title: 'Reduce', toBrix: 50 },
  ],
  storage: 'cold',
  bottleMl: 250,
});

/** Times keys pressed in an amount until the frame in which the yield beside it has changed, in ms. */
async function timed(page, presses) {
  await page.getByLabel('Line 3, amount as you say it').focus();
  await page.evaluate(() => {
    window.times = [];
    let pressed = 0;
    document.addEventListener(
      'keydown',
      (event) => {
        if (event.key !== 'Home') pressed = performance.now();
      },
      true,
    );
    new MutationObserver(() => {
      const from = pressed;
      pressed = 0;
      if (from) requestAnimationFrame(() => window.times.push(performance.now() - from));
    }).observe(document.querySelector('aside dl'), { subtree: true, characterData: true, childList: true });
  });
  for (let i = 0; i < presses; i++) {
    await page.keyboard.press('Home');
    await page.keyboard.press(i % 2 ? 'Delete' : '9');
    await page.waitForTimeout(600);
  }
  return page.evaluate(() => window.times);
}

/** Opens the 25-line formula in Chromium at a running server and types in it. @returns ms of each key, from press to figures drawn */
export async function keysInBrowser(url, presses = 24) {
  const { send, headers } = await newKitchenAt(url);
  const id = randomUUID();
  const head = { versionId: randomUUID(), name: 'Twenty-five lines', kind: 'syrup', colour: '#8E1230' };
  await send('POST', '/api/formulas', { id, ...head, content: twentyFive() });
  const browser = await chromium.launch({ executablePath: await ensureChromium(), args: FLAGS });
  try {
    const context = await browser.newContext({ baseURL: url, viewport: { width: 1280, height: 800 } });
    const [name, value] = headers().cookie.split('=');
    await context.addCookies([{ name, value, url }]);
    const page = await context.newPage();
    await page.goto(`/formulas/${id}`);
    await page.getByText(/4.000 simulated batches/).waitFor();
    const times = await timed(page, presses);
    if (times.length < presses / 2)
      throw new Error(`Only ${times.length} of ${presses} keys changed the figures`);
    return times;
  } finally {
    await browser.close();
  }
}
