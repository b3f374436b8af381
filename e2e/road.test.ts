import { execFileSync } from 'node:child_process';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { Browser, Page } from 'playwright-core';
import { afterAll, afterEach, beforeAll, describe, expect, inject, it } from 'vitest';
import { daysAgo, launch, openPage, pictureOfFailure, signIn } from './browser.ts';

let browser: Browser;
let page: Page;
let faults: string[];
let code: string;

beforeAll(async () => {
  browser = await launch(inject('chromium'));
  ({ page, faults } = await openPage(browser, inject('emptyUrl')));
});
afterAll(() => browser.close());
afterEach(async ({ task }) => {
  if (task.result?.state === 'fail') await pictureOfFailure(page, task.name.replace(/\W+/g, '-'));
});

const go = async (place: string) =>
  page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: place, exact: true }).click();
const button = (name: string) => page.getByRole('button', { name, exact: true });
const gate = (id: string) => page.locator(`[data-gate="${id}"]`).getAttribute('data-open');
const shutGates = () =>
  page.locator('[data-open="false"]').evaluateAll((list) => list.map((g) => (g as HTMLElement).dataset.gate));
const waitForGate = (id: string) => page.locator(`[data-gate="${id}"][data-open="true"]`).waitFor();

const partOf = (name: string) =>
  page
    .getByRole('navigation', { name: 'Parts of the bottling' })
    .getByRole('link', { name, exact: true })
    .click();

/** Where everything came from, in words: this kitchen has no stock. */
async function nameTheOrigins(): Promise<void> {
  for (const name of ['Sour cherries, stoned', 'Sugar, white', 'Citric acid, anhydrous']) {
    const words = page.getByLabel(`${name}, from where`);
    await words.fill('the stall at Arkle');
    await words.press('Enter');
    await words.waitFor({ state: 'detached' });
  }
  await waitForGate('trace');
}

async function choose(line: number, part: string, name: string): Promise<void> {
  await page.getByRole('button', { name: `Line ${line}, ingredient` }).click();
  await page.getByPlaceholder('Type a part of its name').fill(part);
  await page.getByRole('option', { name: new RegExp(`^${name}( ?low-acid)?$`) }).click();
}

async function addLine(line: number, said: string, part: string, name: string, step?: string): Promise<void> {
  if (line > 1) await button('Add a line').click();
  await page.getByLabel(`Line ${line}, amount as you say it`).fill(said);
  await choose(line, part, name);
  if (step) await page.getByLabel(`Line ${line}, goes in at`).selectOption({ label: step });
}

async function textOfPdf(bytes: Uint8Array): Promise<{ pages: number; text: string; widthMm: number }> {
  const pdf = await getDocument({ data: bytes, useSystemFonts: false }).promise;
  const first = await pdf.getPage(1);
  const { items } = await first.getTextContent();
  const text = items
    .map((item) => ('str' in item ? item.str : ''))
    .join(' ')
    .replace(/\s+/g, ' ');
  return { pages: pdf.numPages, text, widthMm: (first.view[2]! / 72) * 25.4 };
}

/** The owner enters the process of an authority's letter: a source without its year is refused in place. */
async function enterLetter(): Promise<void> {
  await button('Enter a process…').click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Sour cherry syrup by letter');
  await dialog.getByLabel('Source', { exact: true }).fill('a friend');
  await dialog.getByLabel('Fruits it was tested with').fill('sour cherries, stoned');
  await dialog.getByLabel('Acids in it').fill('citric acid, anhydrous');
  await dialog.getByLabel('Up to, ft (1)').fill('6000');
  await dialog.getByLabel('Minutes (1)').fill('15');
  await dialog.getByLabel('What was in the jar').selectOption('strained');
  await dialog.getByLabel('Packed', { exact: true }).selectOption('hot');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await dialog.getByText(/Its source: what it is, whose, and of which year/).waitFor();
  await dialog.getByLabel('Source', { exact: true }).fill('Letter of Dr Amsel, 3 May 2026');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await dialog.waitFor({ state: 'detached' });
  await page.getByText(/syrup, strained, packed hot, jars up to 475 mL; 15 min to 6\D000 ft/).waitFor();
}

describe('the whole road, as a maker', () => {
  it('an empty kitchen asks for its owner, says which cups it means, and lets a maker in', async () => {
    await page.goto('/');
    await page.getByLabel('Name of the kitchen').fill('Upland Test Kitchen');
    await page.getByLabel('Place, as it stands on a label').fill('High Fell');
    await page.getByLabel('Elevation above sea level').fill('2360 ft');
    await page.getByLabel('Your name').fill('Wren');
    await page.getByLabel('Password').fill('enamel-and-steel');
    await button('Create the kitchen').click();
    await page.getByText('Nothing to do').waitFor();
    await page.getByRole('button', { name: /Kitchen and account/ }).click();
    await page.getByRole('menuitem', { name: 'Kitchen settings' }).click();
    await page.getByText('Water boils at 97.6 °C here.').waitFor();
    await page.getByLabel('Cups and spoons of which country').selectOption('us');
    await button('Save').first().click();
    await page.getByText('Saved', { exact: true }).waitFor();
    await page.getByLabel('Name of the person').fill('Tam');
    await page.getByLabel('First password').fill('funnel-and-ladle');
    await button('Add person').click();
    await page.getByText('Tam', { exact: true }).waitFor();
    await enterLetter();
    await page.getByRole('button', { name: /Kitchen and account/ }).click();
    await page.getByRole('menuitem', { name: 'Sign out' }).click();
    await signIn(page, 'Tam', 'funnel-and-ladle');
  });

  it('the maker sets out jars and instruments', async () => {
    await page.goto('/kitchen');
    await page.getByLabel('Add a bottle or jar').fill('Half-pint jar');
    await page.getByLabel('mL', { exact: true }).fill('237');
    await page.getByLabel('High, mm').fill('98');
    await page.getByLabel('Across, mm').fill('75');
    await button('Add bottle or jar').click();
    await page.getByText('237 mL · 98 × 75 mm · two-piece lid').waitFor();
    await go('Bench');
    for (const [kind, name] of [
      ['pH meter', 'Bench meter'],
      ['Refractometer', 'Hand refractometer'],
    ] as const) {
      await page.getByLabel('Kind', { exact: true }).selectOption({ label: kind });
      await page.getByLabel('Name').fill(name);
      await button('Add instrument').click();
      await page.getByText(name).first().waitFor();
    }
  });

  it('a formula in cups and grams shows its forecast as it is typed, and asks what an ounce is', async () => {
    await go('Formulas');
    await page.getByRole('link', { name: 'New formula' }).click();
    await page.getByLabel('Name of the product').fill('Sour cherry syrup');
    await addLine(1, '4 kg', 'sour cher', 'Sour cherries, stoned');
    await addLine(2, '3 cups', 'water', 'Water', '2 Simmer until soft');
    await page.getByText('US cup, 237 mL').waitFor();
    await addLine(3, '1.9 kg', 'sugar', 'Sugar, white', '2 Simmer until soft');
    await addLine(4, '½ oz', 'citric', 'Citric acid, anhydrous', '2 Simmer until soft');
    await page.getByText('by weight or by volume?').waitFor();
    await button('by weight').click();
    await page.getByText('14.2 g').waitFor();
    await page.getByLabel('Kept').selectOption('shelf');
    await page.getByLabel('Heat process', { exact: true }).selectOption('berry-syrup');
    await page.getByLabel('Bottle, mL').fill('237');
    const forecast = page.getByRole('complementary', { name: 'Forecast' });
    await forecast.getByText(/A lot of this would not be released:/).waitFor();
    await forecast.getByText(/it was tested without citric anhydrous/).waitFor();
    await page
      .getByLabel('Heat process', { exact: true })
      .selectOption({ label: 'Sour cherry syrup by letter' });
    await forecast.getByText('15 min', { exact: true }).waitFor();
    await forecast.getByText(/a sourced heat process preserve it/).waitFor();
    const ph = Number(
      await forecast
        .getByRole('img', { name: /Acid, pH/ })
        .getAttribute('aria-label')
        .then((said) => /pH: ([\d.]+)/.exec(said!)![1]),
    );
    expect(ph).toBeGreaterThan(2.9);
    expect(ph).toBeLessThan(3.6);
    await button('Save version 1').click();
    await page.getByText('Saved as version 1').waitFor();
    await page.getByRole('link', { name: 'Start a lot of version 1' }).click();
  });

  it('a lot is begun, its fruit weighed after stoning, and everything recorded as in', async () => {
    await page.getByLabel('Begun').fill(daysAgo(1, '06:00'));
    await button('Start the lot').click();
    await page.getByRole('heading', { name: 'Wash, trim and weigh' }).waitFor();
    code = /stove\/(\w+)/.exec(page.url())![1]!;
    await page.getByLabel('It happened at').fill(daysAgo(1, '06:30'));
    await page.getByLabel('Sour cherries, stoned, grams weighed').fill('3 920 g'.replace(' ', ''));
    await button('Weighed in').click();
    // The notice says it at once; the step knows it once it was read back.
    await page.getByLabel('Sour cherries, stoned, grams weighed').waitFor({ state: 'detached' });
    await page.getByText('3 920 g', { exact: true }).waitFor();
    await button('Done').click();
    await page.getByRole('heading', { name: 'Simmer until soft' }).waitFor();
    await page.getByLabel('It happened at').fill(daysAgo(1, '06:45'));
    for (const name of ['Water', 'Sugar, white', 'Citric acid, anhydrous']) {
      const row = page.getByRole('listitem').filter({ has: page.getByLabel(`${name}, grams weighed`) });
      await row.getByRole('button', { name: 'Weighed in' }).click();
      await page.getByLabel(`${name}, grams weighed`).waitFor({ state: 'detached' });
    }
    await button('Done').click();
    await page.getByRole('heading', { name: 'Strain' }).waitFor();
    await button('Start').click();
    await button('Pause').waitFor();
    await page.getByRole('list', { name: 'Running clocks' }).getByText(code).waitFor();
    await page.reload();
    await page.getByRole('list', { name: 'Running clocks' }).getByText(code).waitFor();
    await button('Done').click();
    await page.getByRole('heading', { name: 'Bring to the boil' }).waitFor();
    await button('Done').click();
    await page.getByRole('heading', { name: 'Measure a cooled sample' }).waitFor();
  });

  it('a Brix at 27 °C is kept as corrected, a slip is struck and stays, an impossible figure is refused', async () => {
    await button('Sugar').click();
    await page.getByLabel('Refractometer reading, °Bx').fill('38.4');
    await page.getByLabel('Sample, °C').fill('27');
    await page.getByText('39.0 °Bx at 20 °C (read 38.4 at 27 °C, +0.56)').waitFor();
    await button('Save').click();
    await page.getByRole('complementary', { name: 'Levels and readings' }).getByText('39.0 °Bx').waitFor();
    await button('pH').click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('pH', { exact: true }).fill('15');
    await button('Save').click();
    await dialog.getByText(/pH 15 is not possible/).waitFor();
    expect(await dialog.getByLabel('pH', { exact: true }).inputValue()).toBe('15');
    await dialog.getByLabel('pH', { exact: true }).fill('3.9');
    await dialog.getByText(/not calibrated today: the reading is recorded but does not count/).waitFor();
    await button('Save').click();
    // Six tenths off its own forecast, it asks; with a word why it is kept as read.
    await dialog.getByText(/far from the 3\.\d\d that this lot is forecast at/).waitFor();
    await dialog.getByLabel('What is different').fill('the meter drifts');
    await button('Save').click();
    await page.getByText('does not count: the meter was not calibrated that day').waitFor();
    const row = page.getByRole('listitem').filter({ hasText: 'pH 3.90' });
    await row.hover();
    await row.getByRole('button', { name: /^Undo/ }).click();
    await page.getByLabel('Why').fill('meter not calibrated');
    await dialog.getByRole('button', { name: 'Undo', exact: true }).click();
    await page.getByText('undone by Tam: meter not calibrated').waitFor();
  });

  it('a pH after calibration and low check counts', async () => {
    await go('Bench');
    const mv = (ph: number) => (3 + (7 - ph) * 58.15 * 0.97).toFixed(1);
    for (const [name, ph] of [
      ['Buffer 7.00', 7.01],
      ['Buffer 4.01', 4],
      ['Low check', 3.01],
    ] as const)
      await page.getByLabel(`${name}, millivolts`).fill(mv(ph));
    await page.getByText(/Accepted: slope 9\d\.\d %/).waitFor();
    await button('Save calibration').click();
    await page.getByText(/^\W*calibrated today$/).waitFor();
    await page.goto(`/stove/${code}`);
    await button('pH').click();
    const reading = page.getByRole('dialog');
    await reading.getByLabel('pH', { exact: true }).fill('3.31');
    await reading.getByText('A pH counts at 15 to 30 °C.').waitFor();
    await reading.getByLabel('Sample, °C').fill('21');
    await button('Save').click();
    await page.getByText('pH 3.31', { exact: true }).waitFor();
    await button('Done').click();
    await page.getByRole('link', { name: 'Go to Bottling' }).click();
  });

  it('twelve bottles: gate after gate opens, and only then is there a release', async () => {
    await page.getByRole('heading', { name: new RegExp(code) }).waitFor();
    expect(await shutGates()).toEqual(['trace', 'count', 'heat', 'seal', 'label']);
    await nameTheOrigins();
    await page.getByLabel('How many of Half-pint jar').fill('12');
    await page.getByLabel('First bottle, °C').fill('90');
    await page.getByLabel('Headspace, in').fill('1/2');
    for (const looked of [/Every rim felt/, /Rings straight/, /Lids new/])
      await page.getByLabel(looked).check();
    await page.getByLabel('Filled at').fill(daysAgo(1, '09:00'));
    await button('Count the bottles').click();
    await page.getByText('12 × 237 mL').first().waitFor();
    expect(await gate('count')).toBe('false');
    await page.getByLabel('In the pan before filling, mL').fill('2950');
    await page.getByLabel('Short bottle, mL').fill('60');
    await button('Record').last().click();
    await waitForGate('count');
    await partOf('Process');
    await page.getByText('Record a process by hand').click();
    const bySource = page.getByLabel('Process', { exact: true }).last();
    await page.getByLabel('Source', { exact: true }).fill('Letter of Dr Amsel, 3 May 2026');
    await page.getByLabel('Minutes the source asks for').fill('15');
    await page.getByLabel('Minutes at a full boil').fill('15');
    await page.getByLabel('Processed at').fill(daysAgo(1, '09:20'));
    await button('Record the process').click();
    await page.getByText(/The process does not match: it is in no list/).waitFor();
    await bySource.selectOption({ label: 'Sour cherry syrup by letter' });
    await page.getByLabel('Minutes at a full boil').fill('12');
    await page.getByLabel('Processed at').fill(daysAgo(1, '09:40'));
    await button('Record the process').click();
    await page.getByText(/12 min is short of the 15 min/).waitFor();
    await bySource.selectOption({ label: 'Sour cherry syrup by letter' });
    await page.getByLabel('Minutes at a full boil').fill('15');
    await page.getByLabel('Processed at').fill(daysAgo(1, '10:10'));
    await button('Record the process').click();
    await waitForGate('heat');
    await partOf('Seals');
    await button('The others are sealed').click();
    expect(await gate('seal')).toBe('false');
    await button('Record 12 of 12').click();
    await waitForGate('seal');
    await waitForGate('label');
    expect(await shutGates()).toEqual(['deviations']);
    await partOf('Release');
    await page.getByText('lasted 12 of 15 min').first().waitFor();
    await page.getByLabel('Its cause').fill('the clock was read wrong');
    await page.getByLabel('What was done').fill('processed again for 15 minutes at once');
    await button('Close the deviation').click();
    await waitForGate('deviations');
    expect(await shutGates()).toEqual([]);
    await button('Release').click();
    await page.getByRole('dialog').getByLabel('Your password').fill('funnel-and-ladle');
    await page.getByRole('dialog').getByRole('button', { name: 'Release' }).click();
    await page
      .getByText(/^\W*released$/)
      .first()
      .waitFor();
  });

  it('the label says what went in, at true size, and prints to PDF', async () => {
    await page.goto(`/labels/${code}`);
    const artwork = page.getByRole('img', { name: 'Label of Sour cherry syrup, front' });
    await artwork.getByText('Ingredients:').waitFor();
    const { design } = await (await page.request.get(`/api/lots/${code}/label`)).json();
    const box = await artwork.boundingBox();
    expect(box!.width / box!.height).toBeCloseTo(design.widthMm / design.heightMm, 1);
    await page.getByLabel('Labels', { exact: true }).last().fill('2');
    const popup = page.waitForEvent('popup');
    await button('Print as PDF').click();
    await page.getByText('Print recorded').waitFor();
    await (await popup).close();
    const pdf = await page.request.get(`/api/lots/${code}/label.pdf?copies=2`);
    const { pages, text: said, widthMm } = await textOfPdf(new Uint8Array(await pdf.body()));
    const text = said.replace(/\s+/g, ' ');
    expect(pages).toBe(2);
    expect(widthMm).toBeCloseTo(design.widthMm, 1);
    for (const words of [
      'Sour cherry syrup',
      'Ingredients: sour cherries, sugar, water, citric acid.',
      '8 fl oz (237 mL)',
      `Lot ${code}`,
      'Upland Test Kitchen, High Fell',
      'Refrigerate after opening, use within 4 weeks.',
      'Best by',
    ])
      expect(text).toContain(words);
  });

  it('the shelf shows twelve, sells three, and the record shows it all', async () => {
    await go('Shelf');
    await page.getByText('12 bottles of 1 lot in 1 place').waitFor();
    await page.getByRole('button', { name: `${code} Sour cherry syrup, 12 bottles` }).click();
    await page.getByLabel('Bottles', { exact: true }).fill('3');
    await page.getByLabel(/Price per bottle/).fill('6.50');
    await page.getByLabel('Buyer or market').fill('Saturday stall');
    await button('Sell').click();
    await page.getByText('9 bottles of 1 lot in 1 place').waitFor();
    await page.goto(`/records/${code}`);
    for (const happening of [
      'In: Sour cherries, stoned',
      'Filled 12 × 237 mL',
      'Seals: 12 pressed, 0 failed',
      'From bottled to released',
      'Printed 2 labels',
      'Sold: 3 bottles',
      'undone by Tam: meter not calibrated',
    ])
      await page.getByText(happening).first().waitFor();
    await page.getByRole('tab', { name: 'Journal' }).click();
    await page
      .getByText(/kind sold/)
      .first()
      .waitFor();
    const said = execFileSync(process.execPath, ['server/dist/admin.js', 'verify'], {
      env: { ...process.env, INCH_DATABASE: inject('emptyDatabase') },
      encoding: 'utf8',
    });
    expect(said).toMatch(/the chain is whole/);
    expect(faults).toEqual([]);
  });
});

describe('the low-acid road', () => {
  it('is caught by the forecast before there is a lot', async () => {
    await go('Formulas');
    await page.getByRole('link', { name: 'New formula' }).click();
    await page.getByLabel('Name of the product').fill('Fell syrup');
    await addLine(1, '350 g', 'spruce', 'Spruce tips');
    await addLine(2, '1.2 l', 'water', 'Water');
    await addLine(3, '900 g', 'sugar', 'Sugar, white');
    // In the cold it keeps for days; it is the shelf that it must not stand on.
    await page.getByText(/Days in the cold, no more/).waitFor();
    await page.getByLabel('Kept').selectOption('shelf');
    await page.getByText(/A lot of this would be held/).waitFor();
    await page.getByText(/contains low-acid ingredients \(spruce tips\)/).waitFor();
    await button('Save version 1').click();
    await page.getByRole('link', { name: 'Start a lot of version 1' }).click();
    await button('Start the lot').click();
    await page.getByRole('heading', { name: 'Wash, trim and weigh' }).waitFor();
    code = /stove\/(\w+)/.exec(page.url())![1]!;
  });

  it('ends held: no release is offered and its label is not printed', async () => {
    for (const name of ['Spruce tips', 'Water', 'Sugar, white']) {
      await page
        .getByRole('listitem')
        .filter({ has: page.getByLabel(`${name}, grams weighed`) })
        .getByRole('button', { name: 'Weighed in' })
        .click();
      await page.getByLabel(`${name}, grams weighed`).waitFor({ state: 'detached' });
    }
    await page.goto(`/bottling/${code}`);
    await page.getByLabel('How many of Half-pint jar').fill('8');
    await page.getByLabel('First bottle, °C').fill('90');
    for (const looked of [/Every rim felt/, /Rings straight/, /Lids new/])
      await page.getByLabel(looked).check();
    await button('Count the bottles').click();
    await page.getByText(/^\W*held$/).waitFor();
    await page
      .getByText(/no pH at or under 4.2 is measured/)
      .first()
      .waitFor();
    expect(await button('Release').count()).toBe(0);
    await page.goto(`/labels/${code}`);
    await page.getByText(`Lot ${code} is held: its label is not printed.`).waitFor();
    await go('Today');
    await page.getByText(/^\W*Held$/).waitFor();
    expect(faults).toEqual([]);
  });
});
