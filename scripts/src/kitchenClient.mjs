import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';

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

/** Posts JSON over a few kept-alive connections, with as little of its own work as can be: for measuring the server. */
export function lightPoster(url, headers, connections) {
  const agent = new Agent({ keepAlive: true, maxSockets: connections });
  const { hostname, port } = new URL(url);
  return (path, body) =>
    new Promise((resolve, reject) => {
      const text = JSON.stringify(body);
      const req = request(
        {
          agent,
          hostname,
          port,
          path,
          method: 'POST',
          headers: { ...headers, 'content-length': Buffer.byteLength(text) },
        },
        (res) => {
          res.resume();
          res.on('end', () =>
            res.statusCode === 201 ? resolve() : reject(new Error(`${path}: ${res.statusCode}`)),
          );
        },
      );
      req.on('error', reject);
      req.end(text);
    });
}
