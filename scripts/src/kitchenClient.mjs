import { randomUUID } from 'node:crypto';
import { connect } from 'node:net';

/** A signed-in caller of a running server, for the scripts that drive one. */
export async function newKitchenAt(url) {
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
  return { send, headers: () => ({ 'content-type': 'application/json', cookie }) };
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
