import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './machine/root.mjs';
import { say } from './machine/say.mjs';

export const DEMO_OWNER = { name: 'Wren', password: 'enamel-and-steel' };

async function send(url, path, body, cookie) {
  const response = await fetch(`${url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...(cookie ? { cookie } : {}) },
    body: JSON.stringify(body),
  });
  const answer = await response.json();
  if (!response.ok) throw new Error(`${path}: ${answer.detail}`);
  return { answer, cookie: response.headers.get('set-cookie')?.split(';')[0] ?? cookie };
}

/** The demo kitchen's open files, put together as one kitchen file. */
export function demoFile() {
  const folder = join(ROOT, 'demo', 'hollin-rigg');
  const read = (name) => JSON.parse(readFileSync(join(folder, name), 'utf8'));
  return {
    ...read('kitchen.json'),
    ...read('stock.json'),
    formulas: read('formulas.json'),
    lots: read('lots.json'),
  };
}

/** Loads the demo kitchen into an empty database through the same requests a user's import makes. @returns whether it was empty */
export async function loadDemo(url, today = new Date().toISOString().slice(0, 10)) {
  const { needed } = await (await fetch(`${url}/api/setup`)).json();
  if (!needed) return false;
  say('Loading the demo kitchen …');
  const { cookie } = await send(url, '/api/setup', { kitchenName: 'Hollin Rigg Kitchen', ...DEMO_OWNER });
  await send(url, '/api/kitchen/import', { file: demoFile(), today }, cookie);
  return true;
}
