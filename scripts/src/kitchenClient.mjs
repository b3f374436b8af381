import { randomUUID } from 'node:crypto';
import { connect } from 'node:net';
import { demoFile } from './demo.mjs';

/** A signed-in caller of a running server, for the scripts that drive one. @param demo whether its kitchen has filled and released lots */
export async function newKitchenAt(url, { demo = false } = {}) {
  let cookie = '';
  const send = async (method, path, body) => {
    const response = await fetch(`${url}${path}`, {
      method,
      headers: { 'content-type': 'application/json', ...(cookie ? { cookie } : {}) },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    cookie = response.headers.get('set-cookie')?.split(';')[0] ?? cookie;
    const answer = await response.json();
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${answer.detail}`);
    return answer;
  };
  await send('POST', '/api/setup', {
    kitchenName: 'Measured kitchen',
    name: 'Wren',
    password: 'a long enough password',
  });
  if (demo)
    await send('POST', '/api/kitchen/import', {
      file: demoFile(),
      today: new Date().toISOString().slice(0, 10),
    });
  return { send, headers: () => ({ 'content-type': 'application/json', cookie }) };
}

/** A picture of one dot, as PNG. */
export const PICTURE = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8DwHwAFBQIAX8jx0gAAAABJRU5ErkJggg==',
  'base64',
);

/** What is written to in a kitchen that has filled and released lots: a lot to measure, bottles to sell, a label to print, a picture to send. */
export async function toWriteIn(client) {
  const lot = await beginLot(client);
  const formulas = await client.send('GET', '/api/formulas');
  const { lots } = await client.send('GET', '/api/lots?state=released&limit=200');
  const released = lots
    .filter((l) => l.bottles.left > 0)
    .map((l) => ({ id: l.id, groups: l.bottles.groups.map((g) => ({ ...g })) }));
  const printable = async ({ id }) => (await client.send('GET', `/api/lots/${id}/label`)).refusal === null;
  let printed = null;
  for (const one of released) if (printed === null && (await printable(one))) printed = one.id;
  if (printed === null) throw new Error('No label of the demo kitchen may be printed.');
  return { lot, formulaId: formulas[0].id, released, printed, image: PICTURE };
}

/** Begins a lot of a small formula. @returns the lot's id */
export async function beginLot({ send }) {
  const id = randomUUID();
  const content = {
    lines: [{ id: 'fruit', said: '1 kg', ingredientId: 'damson' }],
    steps: [{ id: 'cook', kind: 'draw', title: 'Cook' }],
    storage: 'cold',
    bottleMl: 250,
  };
  await send('POST', '/api/formulas', {
    id,
    versionId: randomUUID(),
    name: 'Damson',
    kind: 'syrup',
    colour: '#4A2860',
    content,
  });
  return (await send('POST', '/api/lots', { id: randomUUID(), formulaId: id })).id;
}

export const reading = (i) => ({
  id: randomUUID(),
  kind: 'brix',
  raw: 20 + (i % 400) / 10,
  celsius: 21,
  said: `b ${20 + (i % 400) / 10} @21`,
});

/** One answer at a time over a kept-alive connection. @returns sends a request, and resolves with the status of its answer */
function connection(hostname, port) {
  const socket = connect(port, hostname).setNoDelay(true);
  let heard = '';
  let waiting = null;
  socket.setEncoding('latin1');
  socket.on('data', (chunk) => {
    heard += chunk;
    const head = heard.indexOf('\r\n\r\n');
    if (head < 0) return;
    const length = Number(/\r\ncontent-length: *(\d+)/i.exec(heard.slice(0, head))?.[1]);
    if (!(heard.length >= head + 4 + length)) return;
    const status = Number(heard.slice(9, 12));
    heard = '';
    waiting.resolve(status);
  });
  socket.on('error', (error) => waiting?.reject(error));
  socket.on('close', () => waiting?.reject(new Error('the connection was closed')));
  socket.unref();
  return (text) =>
    new Promise((resolve, reject) => {
      waiting = { resolve, reject };
      socket.write(text);
    });
}

/**
 * Posts JSON over a few kept-alive connections, with as little of its own work as can be: the server is measured, on the same processors.
 * Answers have to say their length.
 */
export function lightPoster(url, headers, connections) {
  const { hostname, port, host } = new URL(url);
  const free = Array.from({ length: connections }, () => connection(hostname, port));
  const said = Object.entries({ host, ...headers }).map(([name, value]) => `${name}: ${value}\r\n`);
  return async (path, body) => {
    const send = free.pop();
    if (!send) throw new Error(`only ${connections} can be sent at once`);
    const text = JSON.stringify(body);
    const status = await send(
      `POST ${path} HTTP/1.1\r\n${said.join('')}content-length: ${Buffer.byteLength(text)}\r\n\r\n${text}`,
    );
    free.push(send);
    if (status !== 201) throw new Error(`${path}: ${status}`);
  };
}
