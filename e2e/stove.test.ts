import { randomUUID } from 'node:crypto';
import type { Browser, Page } from 'playwright-core';
import { afterAll, afterEach, beforeAll, describe, expect, inject, it } from 'vitest';
import { launch, openPage, pictureOfFailure, signIn } from './browser.ts';

let browser: Browser;
let page: Page;
let faults: string[];

beforeAll(async () => {
  browser = await launch(inject('chromium'));
  ({ page, faults } = await openPage(browser, inject('demo').stove, { serviceWorkers: 'allow' }));
  await signIn(page, 'Tam', 'funnel-and-ladle');
});
afterAll(() => browser.close());
afterEach(async ({ task }) => {
  if (task.result?.state === 'fail') await pictureOfFailure(page, task.name.replace(/\W+/g, '-'));
});

const content = {
  lines: [
    { id: 'juice', said: '3 kg', ingredientId: 'apple-juice', stepId: 'mix' },
    { id: 'sugar', said: '300 g', ingredientId: 'sugar', stepId: 'mix' },
    { id: 'acid', said: '12 g', ingredientId: 'citric-anhydrous', stepId: 'finish' },
  ],
  steps: [
    { id: 'mix', kind: 'add', title: 'Pour together' },
    { id: 'reduce', kind: 'reduce', title: 'Reduce to 40 °Bx', minutes: 30, toBrix: 40, killStep: true },
    { id: 'finish', kind: 'add', title: 'Acid off the heat', minutes: 5 },
    { id: 'fill', kind: 'fill', title: 'Fill hot' },
  ],
  storage: 'cold',
  bottleMl: 250,
};

const post = async (path: string, body: object) => {
  const answer = await page.request.post(path, { data: body });
  expect(answer.status(), await answer.text()).toBe(201);
  return answer.json();
};

/** A lot of a formula of its own, begun now. */
async function beginLot(name: string): Promise<{ id: string; code: string }> {
  const id = randomUUID();
  await post('/api/formulas', {
    id,
    versionId: randomUUID(),
    name,
    kind: 'concentrate',
    colour: '#9A6B12',
    content,
  });
  return post('/api/lots', { id: randomUUID(), formulaId: id });
}

const button = (name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' });
const main = () => page.locator('main');
const toBench = async () => {
  await main().getByRole('link', { name: 'Run sheet' }).click();
  await page
    .getByRole('navigation', { name: 'Places' })
    .getByRole('link', { name: 'Bench', exact: true })
    .click();
  await page.getByRole('link', { name: 'Simulated bench', exact: true }).click();
};
const toStove = async (code: string) => {
  await page
    .getByRole('navigation', { name: 'Places' })
    .getByRole('link', { name: 'Stove', exact: true })
    .click();
  await main()
    .getByRole('link', { name: new RegExp(code) })
    .first()
    .click();
  await page.getByRole('link', { name: 'Cook view' }).click();
  await page.getByRole('navigation', { name: 'Lots on the stove' }).waitFor();
};
const pourIn = async (grams: number, part: string, name: string) => {
  await page.getByRole('button', { name: /^Put in, of what/ }).click();
  await page.getByPlaceholder('Type a part of its name').fill(part);
  await page.getByRole('option', { name, exact: true }).click();
  await page.getByLabel('Put in, g').fill(String(grams));
  await button('Add').click();
};
/** What the simulated bench tells, once it is shown. */
async function told(words: RegExp): Promise<string> {
  await main()
    .getByText(/truly [\d.]+/)
    .first()
    .waitFor();
  return words.exec((await main().textContent())!)![1]!;
}
/** What the simulated pan truly holds, as its own page tells. */
const trueBrix = async () => Number(await told(/truly ([\d.]+)/));
const ruler = () => told(/ruler\s+([\d /]+ in)/);

async function take(kind: string): Promise<void> {
  await button(kind).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByText('at rest').waitFor();
  await dialog.getByRole('button', { name: 'Use this figure' }).click();
  const written = page.waitForResponse((r) => r.request().method() === 'POST' && r.status() === 201);
  await dialog.getByRole('button', { name: 'Save' }).click();
  await written;
  await dialog.waitFor({ state: 'detached' });
}

describe('a whole cook on the simulated bench', () => {
  let lot: { id: string; code: string };

  it('begins at the scale: each thing is weighed from it, and the pan is chosen', async () => {
    lot = await beginLot('Apple concentrate, simulated');
    await page.goto('/bench/simulated');
    await button('Put a pan on').click();
    for (const one of ['scale', 'refractometer', 'thermometer'])
      await button(`Attach Simulated ${one}`).click();
    await pourIn(3000, 'apple juice', 'Apple juice, pressed');
    await toStove(lot.code);
    await page.getByRole('heading', { name: 'Pour together' }).waitFor();
    const juice = page
      .getByRole('listitem')
      .filter({ has: page.getByLabel('Apple juice, pressed, grams weighed') });
    await juice.getByRole('button', { name: /take \S+ 0?\d+ g from the scale/ }).click();
    await juice.getByRole('button', { name: 'Weighed in' }).click();
    await page.getByLabel('Apple juice, pressed, grams weighed').waitFor({ state: 'detached' });
    const sugar = page.getByRole('listitem').filter({ has: page.getByLabel('Sugar, white, grams weighed') });
    await sugar.getByRole('button', { name: 'Weighed in' }).click();
    await page.getByLabel('Sugar, white, grams weighed').waitFor({ state: 'detached' });
    await page.getByLabel('In which pan?').selectOption({ label: 'Wide pan, 12 in, 11.11 L' });
    await page.getByText(/Wide pan, 12 in ·/).waitFor();
    await button('Done').click();
    await page.getByRole('heading', { name: 'Reduce to 40 °Bx' }).waitFor();
  });

  it('boils: a dip and a drop on the glass tell °Bx and minutes left, and the late addition is announced', async () => {
    await button('Start').click();
    await button('Pause').waitFor();
    await toBench();
    await pourIn(300, 'sugar, white', 'Sugar, white');
    await button('full').click();
    await button('× 240').click();
    await page.waitForFunction(
      () => Number(/truly ([\d.]+)/.exec(document.body.textContent!)?.[1]) > 33,
      undefined,
      { timeout: 240_000 },
    );
    await button('stands still').click();
    const [depth, truth] = [await ruler(), await trueBrix()];
    await toStove(lot.code);
    await button('Dip').click();
    await page
      .getByRole('dialog')
      .getByLabel(/^Depth/)
      .fill(depth);
    await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
    await take('Sugar');
    await main().getByText('min left').waitFor();
    const shown = Number(/([\d.]+) °Bx\s+calculated now/.exec((await main().textContent())!)![1]);
    expect(Math.abs(shown - truth)).toBeLessThan(1.5);
    await main()
      .getByText(/Get ready.*12(\.0)? g citric acid/i)
      .waitFor();
  });

  it('runs past its mark, is told the cure, and with the water in reads its target', async () => {
    await toBench();
    await button('goes on').click();
    await page.waitForFunction(
      () => Number(/truly ([\d.]+)/.exec(document.body.textContent!)?.[1]) > 42.5,
      undefined,
      { timeout: 240_000 },
    );
    await button('off').click();
    await button('stands still').click();
    await toStove(lot.code);
    await take('Sugar');
    const alert = main().getByText(/Past its mark/);
    await alert.waitFor();
    const lastBrix = async (): Promise<number> => {
      const { readings } = await (await page.request.get(`/api/lots/${lot.code}`)).json();
      return readings.filter((r: { kind: string }) => r.kind === 'brix').at(-1).value;
    };
    // Two thirds go in first, then it is read again: a round or two brings it within what a refractometer reads.
    for (let round = 0; round < 5 && (await lastBrix()) > 40.2; round++) {
      await alert.waitFor();
      // As much goes into the pan as was recorded: what the button says follows the readings as they come.
      const recorded = page.waitForResponse((r) => r.url().endsWith('/additions') && r.status() === 201);
      await button(/^Put in .* of water$/).click();
      const { grams } = (await recorded).request().postDataJSON();
      await alert.waitFor({ state: 'detached' });
      await toBench();
      await pourIn(grams, 'water', 'Water');
      await toStove(lot.code);
      await take('Sugar');
    }
    await alert.waitFor({ state: 'detached' });
    expect(Math.abs((await lastBrix()) - 40)).toBeLessThan(0.5);
    await toBench();
    expect(Math.abs((await trueBrix()) - 40)).toBeLessThan(0.8);
    await toStove(lot.code);
  });

  it('does not pass the late addition over, and asks whether everything is in before it is filled', async () => {
    await button('Done').click();
    await page.getByRole('heading', { name: 'Acid off the heat' }).waitFor();
    await button('Done').click();
    const dialog = page.getByRole('dialog');
    await dialog.getByText('Citric acid, anhydrous').waitFor();
    await dialog.getByRole('button', { name: 'Go back and weigh it' }).click();
    await button('Weighed in').click();
    await page.getByLabel('Citric acid, anhydrous, grams weighed').waitFor({ state: 'detached' });
    await button('Done').click();
    await page.getByRole('heading', { name: 'Fill hot' }).waitFor();
    await page.getByText('all recorded').waitFor();
    const asked = page.getByRole('region', { name: 'Is everything recorded?' });
    await asked
      .getByText(/extra$/)
      .first()
      .waitFor();
    await asked
      .getByText(/brought back from/)
      .first()
      .waitFor();
    await page.getByRole('link', { name: 'Go to Bottling' }).click();
    await page.getByRole('button', { name: 'Count the bottles' }).waitFor();
  });

  it('met no fault on the way', () => expect(faults).toEqual([]));
});

describe('what the formula does not name', () => {
  it('is entered at the step, with how much and why, counts in the pan, and is undone there', async () => {
    const lot = await beginLot('Apple concentrate, corrected');
    await page.goto(`/stove/${lot.code}`);
    await page.getByText('Something else went in').click();
    await page.getByRole('button', { name: /^What went in/ }).click();
    await page.getByPlaceholder('Type a part of its name').fill('honey');
    await page.getByRole('option', { name: 'Honey', exact: true }).click();
    await page.getByLabel('How much').fill('2 tbsp');
    await page.getByLabel('What it is for').fill('it wanted roundness');
    await button('It went in').click();
    const extra = page.getByRole('list', { name: 'Went in beside the formula' }).getByRole('listitem');
    await extra.getByText('it wanted roundness').waitFor();
    const { additions } = await (await page.request.get(`/api/lots/${lot.code}`)).json();
    // Two spoons of 15 mL of honey, which is heavier than water and lighter than half as heavy again.
    expect(additions).toHaveLength(1);
    expect(additions[0]).toMatchObject({ lineId: null, why: 'it wanted roundness' });
    expect(additions[0].grams).toBeGreaterThan(30);
    expect(additions[0].grams).toBeLessThan(45);
    await extra.getByRole('button', { name: /^Undo / }).click();
    await page.getByRole('dialog').getByLabel('Why').fill('the wrong jar');
    await page.getByRole('dialog').getByRole('button', { name: 'Undo' }).click();
    await extra.waitFor({ state: 'detached' });
  });
});

describe('the cook view', () => {
  it.each([
    [1024, 768],
    [1280, 800],
  ])(
    'at %i by %i has its step, clock and figure in sight and nothing to press under 56 px',
    async (width, height) => {
      const { lots } = await (await page.request.get('/api/lots')).json();
      const { code } = lots.find(
        (l: { state: string; name: string }) => l.state === 'making' && l.name.startsWith('Sour'),
      );
      const tablet = await openPage(browser, inject('demo').stove, {
        viewport: { width, height },
        hasTouch: true,
      });
      await signIn(tablet.page, 'Tam', 'funnel-and-ladle');
      await tablet.page.goto(`/stove/${code}/cook`);
      const figure = tablet.page.getByText('min left');
      await figure.waitFor();
      for (const seen of [tablet.page.getByRole('heading', { level: 1 }), figure]) {
        const box = (await seen.boundingBox())!;
        expect(box.y + box.height).toBeLessThan(height);
      }
      const size = await tablet.page
        .getByRole('region', { name: 'Present step' })
        .locator('p span.figure.font-bold')
        .first()
        .evaluate((at) => Number.parseFloat(getComputedStyle(at).fontSize));
      expect(size).toBeGreaterThanOrEqual(100);
      const small = await tablet.page.locator('main').evaluate((main) =>
        [...main.querySelectorAll('button, a, select, summary')]
          .map((at) => ({ name: at.textContent, box: at.getBoundingClientRect() }))
          .filter(({ box }) => box.width > 0 && box.height < 55.5)
          .map(({ name, box }) => `${name} ${box.height}`),
      );
      expect(small).toEqual([]);
      await tablet.page.context().close();
    },
  );
});

describe('two devices on one lot', () => {
  it('see the same clock within a second, and the one hears what the other did', async () => {
    const lot = await beginLot('Two devices');
    const other = await openPage(browser, inject('demo').stove, { viewport: { width: 1024, height: 768 } });
    await signIn(other.page, 'Wren', 'enamel-and-steel');
    await page.goto(`/stove/${lot.code}/cook`);
    await other.page.goto(`/stove/${lot.code}/cook`);
    await other.page.getByRole('button', { name: 'Start', exact: true }).waitFor();
    await button('Start').click();
    await button('Pause').waitFor();
    await other.page.getByRole('button', { name: 'Pause', exact: true }).waitFor();
    const seconds = (text: string) => {
      const [m, s] = /(\d+):(\d\d)/.exec(text)!.slice(1).map(Number);
      return m! * 60 + s!;
    };
    const clockOn = async (p: Page) =>
      seconds((await p.getByRole('region', { name: 'Present step' }).textContent())!);
    // Two looks are never at quite the same instant: within a second is asked for, more than once.
    for (let look = 0; look < 3; look++) {
      await expect
        .poll(
          async () => {
            const [here, there] = await Promise.all([clockOn(page), clockOn(other.page)]);
            return Math.abs(here - there);
          },
          { timeout: 240_000 },
        )
        .toBeLessThanOrEqual(1);
      const before = await clockOn(page);
      await expect.poll(() => clockOn(page)).not.toBe(before);
    }
    await other.page.getByRole('button', { name: 'Done', exact: true }).click();
    await other.page.getByRole('dialog').getByRole('button', { name: 'Finish anyway' }).click();
    await page.getByRole('heading', { name: 'Reduce to 40 °Bx' }).waitFor();
    await other.page.context().close();
  });
});

/** Whether a lot, as it was read, is on the device's disk. */
const lotIsKept = (code: string): Promise<boolean> =>
  new Promise((resolve) => {
    const opening = indexedDB.open('inch-kept');
    opening.onsuccess = () => {
      const db = opening.result;
      const reading = db.transaction('views').objectStore('views').get('client');
      reading.onsuccess = () => {
        db.close();
        const queries = (reading.result?.clientState.queries ?? []) as { queryKey: unknown[] }[];
        resolve(queries.some((q) => q.queryKey.includes(code)));
      };
    };
  });

describe('without the server', () => {
  const jot = async (text: string) => {
    const line = page.getByLabel('Jot a reading or a note');
    await line.fill(text);
    await line.press('Enter');
    await expect.poll(() => line.inputValue()).toBe('');
  };

  it('twenty readings made offline arrive once each and in order, after a reload in between', async () => {
    const lot = await beginLot('Offline');
    await page.goto(`/stove/${lot.code}/cook`);
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await page.getByRole('heading', { name: 'Pour together' }).waitFor();
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await expect.poll(() => page.evaluate(lotIsKept, lot.code)).toBe(true);
    await page.context().setOffline(true);
    for (let i = 0; i < 10; i++) await jot(`t ${(20 + i).toFixed(1)}`);
    await page.getByRole('button', { name: '10 waiting' }).waitFor();
    await page.reload();
    await page.getByRole('heading', { name: 'Pour together' }).waitFor();
    await page.getByRole('button', { name: '10 waiting' }).waitFor();
    await button('Start').click();
    await button('Pause').waitFor();
    for (let i = 10; i < 20; i++) await jot(`t ${(20 + i).toFixed(1)}`);
    await page.getByRole('button', { name: '21 waiting' }).waitFor();
    await page.context().setOffline(false);
    await page.getByRole('button', { name: /waiting/ }).waitFor({ state: 'detached', timeout: 240_000 });
    const view = await (await page.request.get(`/api/lots/${lot.code}`)).json();
    expect(view.readings.map((r: { value: number }) => r.value)).toEqual(
      Array.from({ length: 20 }, (_, i) => 20 + i),
    );
    expect(view.steps[0].marks.map((m: { kind: string }) => m.kind)).toEqual(['start']);
    const journal = await (await page.request.get(`/api/lots/${lot.code}/journal`)).json();
    const kept = journal.filter((row: { noun: string }) => row.noun === 'reading');
    expect(kept.map((row: { payload: { raw: number } }) => row.payload.raw)).toEqual(
      Array.from({ length: 20 }, (_, i) => 20 + i),
    );
  });

  it('what the server will not take is shown, and stays until somebody says', async () => {
    const lot = await beginLot('Conflict');
    await page.goto(`/stove/${lot.code}/cook`);
    await page.getByRole('heading', { name: 'Pour together' }).waitFor();
    await page.context().setOffline(true);
    await jot('t 41');
    await page.getByRole('button', { name: '1 waiting' }).waitFor();
    // Meanwhile another device ends the lot.
    const other = await openPage(browser, inject('demo').stove);
    await signIn(other.page, 'Wren', 'enamel-and-steel');
    const ended = await other.page.request.post(`/api/lots/${lot.id}/rulings`, {
      data: { id: randomUUID(), event: 'discard', why: 'it caught' },
    });
    expect(ended.status()).toBe(201);
    await other.page.context().close();
    await page.context().setOffline(false);
    await page.getByRole('button', { name: '1 refused' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByText(/is discarded; nothing more is written to it/).waitFor();
    await dialog.getByRole('button', { name: 'Remove…' }).click();
    await dialog.getByRole('button', { name: 'Delete without recording' }).click();
    await page.getByRole('button', { name: '1 refused' }).waitFor({ state: 'detached' });
  });
});
