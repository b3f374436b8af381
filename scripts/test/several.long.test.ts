import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { contendedRun, severalRun, startSeveral } from '../src/cluster/several.mjs';
import { reading } from '../src/kitchenClient.mjs';
import { ensureBuilt } from '../src/machine/build.mjs';
import { until } from '../src/machine/until.mjs';

const folder = mkdtempSync(join(tmpdir(), 'inch-several-'));
// biome-ignore lint/suspicious/noExplicitAny: the commands are JavaScript
let several: any;

beforeAll(async () => {
  await ensureBuilt(['server']);
  several = await startSeveral(folder);
}, 1_200_000);
afterAll(async () => {
  await several?.stop();
  rmSync(folder, { recursive: true, force: true });
}, 600_000);

const whole = {
  lost: 0,
  doubled: 0,
  chain: expect.stringMatching(/the chain is whole, and the record is as it says/),
};

describe('one kitchen on several machines', () => {
  it('takes writes on two database nodes at once: what one commits before the other is tried again', async () => {
    const run = await contendedRun(several, 84);
    expect(run).toMatchObject({ acknowledged: 84, fiveHundreds: 0, nodes: [whole] });
  }, 600_000);

  it('tells what was written through one server on the stream of another', async () => {
    const { client, kitchen } = several.written;
    const [first, second] = several.servers;
    const live = new AbortController();
    const stream = await fetch(`${second.url}/api/live`, { headers: client.headers(), signal: live.signal });
    const events = stream.body!.pipeThrough(new TextDecoderStream())[Symbol.asyncIterator]();
    /** What the stream says until it says this. */
    const until = async (words: string) => {
      let said = '';
      while (!said.includes(words)) said += (await events.next()).value ?? '';
      return said;
    };
    // The first event says where the journal stands.
    await until('data:');
    const reply = await fetch(`${first.url}/api/lots/${kitchen.lot}/readings`, {
      method: 'POST',
      headers: client.headers(),
      body: JSON.stringify(reading(3)),
    });
    expect(reply.status).toBe(201);
    const { id } = (await reply.json()) as { id: string };
    several.written.kept.push({ table: 'reading', id });
    expect(await until('"noun":"reading"')).toContain(id);
    live.abort();
  }, 600_000);

  it('goes on while a database node and a server are killed under eight writers, and nothing is lost or doubled', async () => {
    const run = await severalRun(several, 140);
    expect(run).toMatchObject({ acknowledged: 140, fiveHundreds: 0, kills: 2, nodes: [whole, whole, whole] });
  }, 1_200_000);

  it('says in its own words that the database is away, where one node of three is left', async () => {
    const { client } = several.written;
    const [first, second] = several.cluster.nodes;
    await several.cluster.kill(first);
    await several.cluster.kill(second);
    const ask = () => fetch(`${several.url}/api/lots`, { headers: client.headers() });
    // While the last node finds out that it is alone, it says so in other words.
    const away = 'The database does not answer. Nothing was lost; try again in a moment.';
    const said = async () => ((await (await ask()).json()) as { detail?: string }).detail;
    expect(await until(async () => (await said()) === away, { everyMs: 500 })).toBe(true);
    const answer = await ask();
    expect(answer.status).toBe(503);
    expect(answer.headers.get('content-type')).toMatch(/^application\/problem\+json/);
    // What needs no database comes all the same.
    expect((await fetch(`${several.url}/api/health/live`)).status).toBe(200);
  }, 600_000);

  it('says so too where no server is left', async () => {
    await Promise.all(several.servers.map((server: { stop: () => Promise<void> }) => server.stop()));
    const ask = () => fetch(`${several.url}/api/health`);
    expect(await until(async () => (await ask()).status === 503)).toBe(true);
    const said = async () => ((await (await ask()).json()) as { title: string }).title;
    expect(await until(async () => (await said()) === 'No server answers')).toBe(true);
  }, 600_000);
});
