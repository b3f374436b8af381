import { mkdirSync } from 'node:fs';
import { type Browser, type BrowserContextOptions, chromium, type Page } from 'playwright-core';

export const CHROMIUM_FLAGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export const launch = (executablePath: string, more: readonly string[] = []): Promise<Browser> =>
  chromium.launch({ executablePath, args: [...CHROMIUM_FLAGS, ...more] });

/** A page of a person's own, which tells of every error its scripts meet. */
export async function openPage(
  browser: Browser,
  baseURL: string,
  options: BrowserContextOptions = {},
): Promise<{ page: Page; faults: string[] }> {
  // The pages kept on the device are for the test that needs them: every new context would load them all.
  const context = await browser.newContext({
    baseURL,
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
    reducedMotion: 'reduce',
    ...options,
  });
  const page = await context.newPage();
  page.setDefaultTimeout(120_000);
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error' && !/status of (401|409|422)/.test(message.text()))
      faults.push(message.text());
  });
  return { page, faults };
}

/** Keeps a picture of where a failed test stood, for whoever mends it. */
export async function pictureOfFailure(page: Page, name: string): Promise<void> {
  mkdirSync('var/e2e', { recursive: true });
  await page.screenshot({ path: `var/e2e/${name}.png`, fullPage: true });
}

/** Waits until the page itself stands there, not the shape it has while it waits. */
export async function drawn(page: Page): Promise<void> {
  await page.locator('main:not(:has([aria-busy="true"])) h1').first().waitFor();
}

export async function signIn(page: Page, name: string, password: string): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
}

/** Local date and time of so many days ago, as a datetime-local field takes it. */
export function daysAgo(days: number, clock: string): string {
  const day = new Date(Date.now() - days * 86_400_000);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}T${clock}`;
}
