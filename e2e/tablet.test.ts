import { appendFileSync, cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import { afterAll, afterEach, beforeAll, describe, expect, inject, it } from 'vitest';
import { certificateIn } from '../scripts/src/cluster/lan.mjs';
import { LONG } from '../scripts/src/draws.mjs';
import { ROOT } from '../scripts/src/machine/root.mjs';
import { freePort } from '../scripts/src/mariadb.mjs';
import { startServer } from '../scripts/src/server.mjs';
import { launch, openPage, pictureOfFailure, signIn } from './browser.ts';

const folder = mkdtempSync(join(tmpdir(), 'inch-tablet-'));
const HOST = 'kitchen.example';
let browser: Browser;
let page: Page;
let faults: string[];
let server: Awaited<ReturnType<typeof startServer>> | null = null;

beforeAll(async () => {
  browser = await launch(inject('chromium'), [
    `--host-resolver-rules=MAP ${HOST} 127.0.0.1`,
    '--ignore-certificate-errors',
  ]);
});
afterEach(async () => {
  await page?.context().close();
  await server?.stop();
  server = null;
});
afterAll(async () => {
  await browser?.close();
  rmSync(folder, { recursive: true, force: true });
});

type Served = Partial<Parameters<typeof startServer>[0]> & { port: number };

/** A server over the tablet's kitchen, and a page of it by another name than this machine's own. */
async function open(served: Served, scheme: 'http' | 'https'): Promise<void> {
  await serve(served, scheme);
  ({ page, faults } = await openPage(browser, `${scheme}://${HOST}:${served.port}`, {
    serviceWorkers: 'allow',
    ignoreHTTPSErrors: true,
  }));
  await signIn(page, 'Wren', 'enamel-and-steel');
}

async function serve(served: Served, scheme: 'http' | 'https'): Promise<void> {
  server = await startServer({
    appUrl: inject('tabletDatabase'),
    publicAddress: `${scheme}://${HOST}:${served.port}`,
    log: 'error',
    ...served,
  });
}

const stopServer = async () => {
  await server!.stop();
  server = null;
};

/** What a failed test showed is kept as a picture. */
const seen = (name: string, work: () => Promise<void>) => async () => {
  try {
    await work();
  } catch (error) {
    await pictureOfFailure(page, `tablet-${name}`);
    throw error;
  }
};

const jot = async (text: string) => {
  const line = page.getByLabel('Jot a reading or a note');
  await line.fill(text);
  await line.press('Enter');
  await expect.poll(() => line.inputValue()).toBe('');
};
const onTheStove = () => page.getByRole('link', { name: /^Open lot / }).first();

describe('a tablet over plain HTTP', () => {
  it(
    'works, is told once what the browser does not give there, and writes while the server is away',
    seen('http', async () => {
      const port = await freePort();
      await open({ port }, 'http');
      expect(await page.evaluate(() => window.isSecureContext)).toBe(false);
      await page.getByText('This address has no HTTPS').waitFor();
      await page.getByRole('button', { name: 'Close' }).click();
      await page.getByRole('link', { name: 'Stove' }).click();
      await onTheStove().click();
      await page.getByText('Readings').first().waitFor();
      await page.reload();
      await page.getByRole('navigation', { name: 'Places' }).waitFor();
      expect(await page.getByText('This address has no HTTPS').count()).toBe(0);
      await jot('note before it went');
      await stopServer();
      await jot('note while it was away');
      await page.getByRole('button', { name: '1 waiting' }).waitFor();
      await serve({ port }, 'http');
      await page.getByRole('button', { name: /waiting/ }).waitFor({ state: 'detached', timeout: 240_000 });
      expect(faults.filter((fault) => !/Failed to load resource|ERR_CONNECTION/.test(fault))).toEqual([]);
    }),
  );
});

describe('a tablet over HTTPS with the kitchen’s own certificate', () => {
  it(
    'reads on through load after load without the server, and sends what was written then',
    seen('https', async () => {
      const [port, tls] = [await freePort(), await certificateIn(folder)];
      await open({ port, tls }, 'https');
      expect(await page.evaluate(() => window.isSecureContext)).toBe(true);
      await page.evaluate(() => navigator.serviceWorker.ready);
      await page.getByRole('link', { name: 'Stove' }).click();
      await onTheStove().click();
      const sheet = page.getByRole('region', { name: 'Run sheet' });
      await sheet.waitFor();
      await page.reload();
      await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
      await sheet.waitFor();
      // What was read is put by on the device a moment later.
      await page.waitForTimeout(2500);
      await stopServer();
      for (let load = 1; load <= (LONG ? 5 : 2); load++) {
        await page.reload();
        await sheet.waitFor();
        await page.getByText('server away').waitFor();
        await page.waitForTimeout(1500);
      }
      await jot('note written without a server');
      await page.getByRole('button', { name: '1 waiting' }).waitFor();
      await serve({ port, tls }, 'https');
      await page.getByRole('button', { name: /waiting/ }).waitFor({ state: 'detached', timeout: 240_000 });
    }),
  );
});

describe('a new build', () => {
  it(
    'reaches an open page, and is taken up by one press without losing what was typed',
    seen('build', async () => {
      const webRoot = join(folder, 'dist');
      cpSync(join(ROOT, 'web/dist'), webRoot, { recursive: true });
      const [port, tls] = [await freePort(), await certificateIn(folder)];
      await open({ port, tls, webRoot }, 'https');
      await page.evaluate(() => navigator.serviceWorker.ready);
      await page.getByLabel('Jot a reading or a note').fill('half a not');
      // Another build: its page says so, and the list of what is kept on the device names it anew.
      const html = join(webRoot, 'index.html');
      writeFileSync(
        html,
        readFileSync(html, 'utf8').replace('<title>', '<meta name="build" content="next" /><title>'),
      );
      appendFileSync(join(webRoot, 'sw.js'), '\n// next');
      await stopServer();
      await serve({ port, tls, webRoot }, 'https');
      // All that is kept on the device is fetched anew first, however slow the machine is.
      const asked = async () => {
        await page.evaluate(() =>
          navigator.serviceWorker
            .getRegistration()
            .then((found) => found?.update())
            .then(
              () => null,
              () => null,
            ),
        );
        return page.getByText('A new version is ready.').count();
      };
      await expect.poll(asked, { timeout: 240_000, interval: 2000 }).toBe(1);
      await page.getByRole('button', { name: 'Load it' }).click();
      await page.getByText('A new version is ready.').waitFor({ state: 'detached', timeout: 240_000 });
      await page.getByRole('navigation', { name: 'Places' }).waitFor();
      expect(await page.getByLabel('Jot a reading or a note').inputValue()).toBe('half a not');
    }),
    300_000,
  );
});
