import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, inject, it } from 'vitest';
import { launch, openPage, pictureOfFailure, signIn } from './browser.ts';

let browser: Browser;
let page: Page;
let faults: string[];

beforeAll(async () => {
  browser = await launch(inject('chromium'));
  ({ page, faults } = await openPage(browser, inject('demo').labels));
  await signIn(page, 'Wren', 'enamel-and-steel');
});
afterAll(async () => {
  await browser?.close();
});

const get = async (path: string) => (await page.request.get(path)).json();
const button = (name: string) => page.getByRole('button', { name, exact: true });
const lotOf = async (name: string, state = 'released'): Promise<string> => {
  const { lots } = await get('/api/lots');
  return lots.find((l: { name: string; state: string }) => l.name.startsWith(name) && l.state === state).code;
};
const kept = (name: string, work: () => Promise<void>) => async () => {
  try {
    await work();
    expect(faults).toEqual([]);
  } catch (error) {
    await pictureOfFailure(page, name);
    throw error;
  }
};

it(
  'a label takes another look, is saved, and is printed on a sheet from the fourth label on',
  kept('label', async () => {
    const code = await lotOf('Gooseberry');
    await page.goto(`/labels/${code}`);
    await page.getByRole('img', { name: 'Label of Gooseberry cordial, front' }).waitFor();
    await page.getByText('Round lid', { exact: true }).click();
    await page.getByRole('img', { name: 'Label of Gooseberry cordial, back' }).waitFor();
    await page.getByText('Plain', { exact: true }).click();
    await page.getByLabel('Wide, mm').fill('98');
    await page.getByLabel('High, mm').fill('68');
    await button('Save the label').click();
    await page.getByText('Label saved').waitFor();
    expect((await get(`/api/lots/${code}/label`)).design).toMatchObject({ look: 'plain', widthMm: 98 });
    await page.getByLabel('Printed on').selectOption({ label: 'A4, 8 labels' });
    await page.getByLabel('First label').fill('4');
    await page.getByLabel('Labels', { exact: true }).last().fill('6');
    await page.getByText('2 sheets of 8').waitFor();
    const popup = page.waitForEvent('popup');
    await button('Print as PDF').click();
    await page.getByText('Print recorded').waitFor();
    const file = await popup;
    expect(file.url()).toMatch(/sheet=.*first=4/);
    await file.close();
  }),
);

it(
  'more labels than there are blanks is said before they are printed; the print is undone where it stands',
  kept('print-undone', async () => {
    const code = await lotOf('Gooseberry');
    const blanks = async (): Promise<number> => (await get(`/api/lots/${code}/label`)).blanks;
    const before = await blanks();
    await page.goto(`/labels/${code}`);
    const labels = page.getByLabel('Labels', { exact: true }).last();
    await labels.fill(String(before + 3));
    await page.getByText(`3 labels more than the ${before} blank in stock.`).waitFor();
    await labels.fill('4');
    await page.getByText(/more than the/).waitFor({ state: 'detached' });
    const popup = page.waitForEvent('popup');
    await button('Print as PDF').click();
    await (await popup).close();
    await expect.poll(blanks).toBe(before - 4);
    await button('Undo the print of 4 labels').click();
    await page.getByRole('dialog').getByLabel('Why').fill('the wrong roll');
    await page.getByRole('dialog').getByRole('button', { name: 'Undo', exact: true }).click();
    await page.getByText('Undone by Wren: the wrong roll.').waitFor();
    expect(await blanks()).toBe(before);
  }),
);

it(
  'a field is moved as far as the rules allow, and back by one press',
  kept('moved', async () => {
    await page.goto(`/labels/${await lotOf('Gooseberry')}`);
    await page.getByLabel('Move').selectOption('net');
    for (let i = 0; i < 12; i++) await button('Left half a millimetre').click();
    await page.getByText(/The net contents would leave the label/).waitFor();
    await button('Undo the changes').click();
    await page.getByText(/The net contents would leave the label/).waitFor({ state: 'detached' });
  }),
);

it(
  'a bottle kept back is looked at by its drawings, and a fault says not to taste it',
  kept('look', async () => {
    const code = await lotOf('Quince');
    await page.goto(`/shelf/${code}/looks`);
    await page.getByText('Look at a bottle kept back').waitFor();
    await page.getByText('gas', { exact: true }).click();
    await page.getByText(/gas: do not taste it/).waitFor();
    await page.getByText('gas', { exact: true }).click();
    await page.getByText('sediment', { exact: true }).click();
    await page.getByLabel('Colour, 0 to 10').fill('9,5');
    await button('Record the look').click();
    await page.getByText('Look recorded').waitFor();
    const { looks } = await get(`/api/lots/${code}`);
    expect(looks.at(-1)).toMatchObject({ findings: ['sediment'], colour: 9.5, opened: 'closed', faults: [] });
  }),
);

/** A video of one picture, as the fake camera of Chromium takes it: YUV4MPEG2, 4:2:0. */
async function videoOf(png: Buffer, file: string): Promise<void> {
  const [width, height] = [640, 480];
  const { data } = await sharp(png)
    .flatten({ background: '#ffffff' })
    .resize(width, height, { fit: 'contain', background: '#ffffff' })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  // One channel of grey is the luma of the frame; no colour is in the middle of both others.
  const frame = Buffer.concat([Buffer.from('FRAME\n'), data, Buffer.alloc((width * height) / 2, 128)]);
  const head = Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`);
  writeFileSync(file, Buffer.concat([head, frame, frame, frame]));
}

it('the code of a printed label is scanned by the camera, and opens the bottle', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'inch-camera-'));
  let camera: Browser | undefined;
  try {
    const code = await lotOf('Sour cherry');
    const png = await (
      await page.request.get(`/api/lots/${code}/label.png?dpi=300&differencesSeen=true`)
    ).body();
    const { width, height } = await sharp(png).metadata();
    // The right end of the wrap, where the code stands, as one holds a bottle to the camera.
    const part = await sharp(png)
      .extract({ left: Math.round(width! * 0.78), top: 0, width: Math.round(width! * 0.22), height: height! })
      .toBuffer();
    const film = join(folder, 'camera.y4m');
    await videoOf(part, film);
    camera = await launch(inject('chromium'), [
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-video-capture=${film}`,
    ]);
    const phone = await openPage(camera, inject('demo').labels, { viewport: { width: 390, height: 844 } });
    await phone.page.context().grantPermissions(['camera']);
    await signIn(phone.page, 'Wren', 'enamel-and-steel');
    await phone.page.goto('/shelf/scan');
    await phone.page.waitForURL(new RegExp(`/shelf/${code}$`));
    await phone.page.getByRole('button', { name: 'Sell' }).waitFor();
    expect(phone.faults).toEqual([]);
  } finally {
    await camera?.close();
    rmSync(folder, { recursive: true, force: true });
  }
});

it(
  'a typed code opens the same, and what is no code says so',
  kept('typed', async () => {
    const code = await lotOf('Sour cherry');
    await page.goto('/shelf/scan');
    await page.getByLabel('Or type the code').fill('nonsense');
    await button('Find').click();
    await page.getByText(/That is no code/).waitFor();
    await page.getByLabel('Or type the code').fill(`${code.toLowerCase()}/3`);
    await button('Find').click();
    await page.waitForURL(new RegExp(`/shelf/${code}/3$`));
    await page.getByRole('heading', { level: 1 }).getByText(`${code}/3`).waitFor();
  }),
);
