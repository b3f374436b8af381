import { AxeBuilder } from '@axe-core/playwright';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { DEMO_OWNER } from '../scripts/src/demo.mjs';
import { drawn, launch, openPage, signIn } from './browser.ts';

let browser: Browser;
let page: Page;
let faults: string[];
let lots: { code: string; state: string; name: string }[];

beforeAll(async () => {
  browser = await launch(inject('chromium'));
  ({ page, faults } = await openPage(browser, inject('demo').screens));
  await signIn(page, DEMO_OWNER.name, DEMO_OWNER.password);
  lots = (await (await page.request.get('/api/lots')).json()).lots;
});
afterAll(() => browser.close());

const codeOf = (state: string) => lots.find((lot) => lot.state === state)!.code;

async function formulaPath(): Promise<string> {
  const formulas = await (await page.request.get('/api/formulas')).json();
  return `/formulas/${formulas.find((f: { name: string }) => f.name.startsWith('Sour'))!.id}`;
}

/** A plan whose hours are laid, where there is one. */
async function planPath(): Promise<string> {
  const plans: { id: string; steps: unknown[] }[] = await (await page.request.get('/api/plans')).json();
  return `/plan/${(plans.find((p) => p.steps.length > 0) ?? plans[0])!.id}`;
}

const SCREENS: [string, () => string | Promise<string>][] = [
  ['Today', () => '/'],
  ['Formulas', () => '/formulas'],
  ['a formula', formulaPath],
  [
    'two versions side by side',
    async () =>
      `/formulas/compare?with=${(await formulaPath()).slice(10)}.1&with=${(await formulaPath()).slice(10)}.2`,
  ],
  ['ingredients and measures', () => '/formulas/ingredients'],
  ['Plan', () => '/plan'],
  ['a plan', planPath],
  ['the hours of a plan', async () => `${await planPath()}/hours`],
  ['the cost of a plan', async () => `${await planPath()}/cost`],
  ['Buy', () => '/plan/buy'],
  ['Stock', () => '/plan/stock'],
  ['a picking to divide', () => '/plan/picking'],
  ['past yields', () => '/plan/yields'],
  ['Stove', () => '/stove'],
  ['a run sheet', () => `/stove/${codeOf('making')}`],
  ['the cook view', () => `/stove/${codeOf('making')}/cook`],
  ['Bottling', () => '/bottling'],
  ['a filling', () => `/bottling/${codeOf('resting')}/fill`],
  ['a process', () => `/bottling/${codeOf('resting')}/process`],
  ['lids to press', () => `/bottling/${codeOf('resting')}/seals`],
  [
    'what was cooled',
    () =>
      `/bottling/${lots.find((l) => l.name.startsWith('Damson') && l.state === 'released')!.code}/process`,
  ],
  ['a held lot', () => `/bottling/${codeOf('held')}/release`],
  ['Labels', () => '/labels'],
  ['a label', () => `/labels/${codeOf('released')}`],
  ['Label sheets', () => '/labels/sheets'],
  ['Shelf', () => '/shelf'],
  ['Scan a code', () => '/shelf/scan'],
  ['a bottle', () => `/shelf/${codeOf('released')}/1`],
  ['bottles kept back', () => `/shelf/${codeOf('released')}/looks`],
  ['Places and their warmth', () => '/shelf/stores'],
  ['Records', () => '/records'],
  ['Sales', () => '/records/sales'],
  ['Earlier lots', () => '/records/earlier'],
  ['Contacts', () => '/records/contacts'],
  ['Import', () => '/records/import'],
  ['a record', () => `/records/${codeOf('released')}`],
  ['Bench', () => '/bench'],
  ['Pans', () => '/bench/pans'],
  ['Titration', () => '/bench/titration'],
  ['Trial doses', () => '/bench/trial'],
  ['the simulated bench', () => '/bench/simulated'],
  ['Kitchen', () => '/kitchen'],
  ['the journal', () => '/kitchen/journal'],
  ['nowhere', () => '/nothing/here'],
];

const follow = (path: string) =>
  page.evaluate((to) => {
    document.documentElement.dataset.theme = 'light';
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
const nowhere = () => page.getByText('There is nothing here');

/** Goes there as a link would, by way of nowhere, so that what is seen next is the screen itself; then nothing is being read any more. */
async function show(path: string): Promise<void> {
  await follow('/nothing/between');
  await nowhere().waitFor();
  if (path === '/nothing/here') return;
  await follow(path);
  await nowhere().waitFor({ state: 'detached' });
  await page.locator('main h1, main p').first().waitFor();
  await page.waitForFunction(
    () => {
      const waiting = document.querySelector('main [aria-busy="true"]') !== null;
      const seen = performance.getEntriesByType('resource').length;
      const w = window as { seen?: number };
      const still = w.seen === seen && !waiting;
      w.seen = seen;
      return still;
    },
    undefined,
    { polling: 250 },
  );
}

/** Asked besides what axe asks of itself: every page has its heading, and nothing to press is under 24 px. */
const ALSO = ['page-has-heading-one', 'target-size'];

/** Serious findings by axe, in the light: the colours of both are held against each other where they are declared. */
const serious = async () => {
  const { violations } = await new AxeBuilder({ page })
    .options({
      resultTypes: ['violations'],
      rules: Object.fromEntries(ALSO.map((rule) => [rule, { enabled: true }])),
    })
    .analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical' || ALSO.includes(v.id))
    .map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(' | ')}`,
    );
};

const SIZES = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 390, height: 844 },
];

describe.each(SCREENS)('%s', (_, path) => {
  it('has nothing serious against it by axe, and is nowhere wider than its window', async () => {
    await show(await path());
    await page.evaluate(() => {
      for (const fold of document.querySelectorAll<HTMLDetailsElement>('main details')) fold.open = true;
    });
    expect(await serious()).toEqual([]);
    for (const size of SIZES) {
      await page.setViewportSize(size);
      const over = await page.evaluate(
        () =>
          new Promise<number>((resolve) =>
            requestAnimationFrame(() => resolve(document.documentElement.scrollWidth - window.innerWidth)),
          ),
      );
      expect(over, `${size.width}`).toBeLessThanOrEqual(0);
    }
    await page.setViewportSize(SIZES[0]!);
  });
});

describe('by the keyboard alone', () => {
  it('one goes round by g and a letter, jots with j, and sees the keys with ?', async () => {
    await show('/');
    await page.keyboard.press('g');
    await page.keyboard.press('h');
    await page.getByRole('heading', { name: 'Shelf' }).waitFor();
    await drawn(page);
    await page.keyboard.press('/');
    await page.keyboard.type('quince');
    expect(await page.getByRole('searchbox').inputValue()).toBe('quince');
    await page.keyboard.press('Tab');
    await page.goto(`/stove/${codeOf('making')}`);
    await drawn(page);
    await page.keyboard.press('?');
    await page.getByText('start or stop the step’s clock').waitFor();
    await page.keyboard.press('Escape');
    await page.keyboard.press('j');
    await page.keyboard.type('b 31.4 @27');
    await page.getByText(/Sugar 32\.0 °Bx at 20 °C \(read 31\.4 at 27 °C\)/).waitFor();
    await page.keyboard.press('Enter');
    await page
      .getByRole('complementary', { name: 'Levels and readings' })
      .getByText('32.0 °Bx')
      .first()
      .waitFor();
  });
  it('the focus is always to be seen', async () => {
    await show('/bottling');
    for (let i = 0; i < 12; i++) {
      await page.keyboard.press('Tab');
      const seen = await page.evaluate(() => {
        const at = document.activeElement as HTMLElement;
        const style = getComputedStyle(at);
        return (
          at === document.body ||
          style.outlineStyle !== 'none' ||
          at.closest('form')?.className.includes('border-b-2') === true
        );
      });
      expect(seen).toBe(true);
    }
  });
});

describe('when the server is away', () => {
  it('the page says so, with the one thing to do, and comes back', async () => {
    await page.route('**/api/**', (route) => route.abort());
    await page.goto('/shelf');
    await page.getByRole('status').filter({ hasText: 'server away' }).waitFor();
    await page.getByRole('heading', { name: 'Shelf' }).waitFor();
    // What this device never read it cannot show.
    await page.goto('/records/nowhere');
    await page.getByRole('heading', { name: 'The kitchen does not answer' }).waitFor();
    await page.unroute('**/api/**');
    await page.goto('/shelf');
    await page.getByRole('status').filter({ hasText: 'server away' }).waitFor({ state: 'detached' });
  });
});

describe('on a line that fails for a moment', () => {
  it('a part whose code did not come is there once the line is back, and the page stays', async () => {
    const maker = await openPage(browser, inject('demo').screens);
    await maker.page.route('**/assets/JotUnderstood*', (route) => route.abort());
    await signIn(maker.page, 'Tam', 'funnel-and-ladle');
    await maker.page.getByLabel('Jot a reading or a note').fill(`${codeOf('making')} b 31.4 @27`);
    await maker.page.waitForTimeout(1500);
    await maker.page.unroute('**/assets/JotUnderstood*');
    await maker.page.getByText(/Sugar 32\.0 °Bx at 20 °C/).waitFor();
    await maker.page.context().close();
  });
});

describe('a reader', () => {
  it('sees the shelf and is offered nothing to write', async () => {
    const reader = await openPage(browser, inject('demo').screens);
    await signIn(reader.page, 'Visitor', 'only-looking-in');
    await reader.page.goto(`/stove/${codeOf('making')}`);
    await drawn(reader.page);
    expect(await reader.page.getByRole('button', { name: /^(Done|Pause|Start)$/ }).count()).toBe(0);
    expect(await reader.page.getByLabel('Jot a reading or a note').count()).toBe(0);
  });
});

it('the pages have icons of the sizes that phones and tablets ask for, and the licences of what they are made of', async () => {
  const { icons } = await (await page.request.get('/manifest.webmanifest')).json();
  for (const { src, sizes } of icons as { src: string; sizes: string }[]) {
    const bytes = await (await page.request.get(`/${src}`)).body();
    // A PNG says its width and height at its 17th byte.
    expect(`${bytes.readUInt32BE(16)}x${bytes.readUInt32BE(20)}`).toBe(sizes);
  }
  const purposes = (icons as { purpose?: string; sizes: string }[]).map(
    (i) => `${i.sizes} ${i.purpose ?? 'any'}`,
  );
  expect(purposes).toEqual(expect.arrayContaining(['192x192 any', '512x512 any', '512x512 maskable']));
  const licences = await (await page.request.get('/licences.txt')).text();
  for (const name of ['@fontsource/atkinson-hyperlegible-next', 'react-dom', 'recharts'])
    expect(licences).toContain(`Name: ${name}\n`);
});

it('no screen had an error in its scripts', () => {
  expect(faults.filter((f) => !/Failed to load resource|ERR_FAILED/.test(f))).toEqual([]);
});
