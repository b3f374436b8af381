import { createHash } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import sharp from 'sharp';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { demoFile } from '../../scripts/src/demo.mjs';
import { verifyJournal } from '../src/audit/verify.ts';
import { readExport } from '../src/export/read.ts';
import { exportKitchen } from '../src/export/toFile.ts';
import { digests, emptied, exported, type Files, filesIn, importInto, zipOf } from './exportFile.ts';
import { OWNER, ownerOf, type Person, useTestApp } from './testApp.ts';

const from = useTestApp();
const into = useTestApp({ own: true });
const today = new Date().toISOString().slice(0, 10);
let owner: Person;
let bytes: Buffer;
let files: Files;

const text = (name: string) => String(files.get(name));
const records = (noun: string) =>
  text(`records/${noun}.jsonl`)
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line));

/** The export with one of its files another. */
const changed = (name: string, change: (said: string) => string): Promise<Buffer> =>
  zipOf(new Map(files).set(name, Buffer.from(change(text(name)))));

const PICTURE = { 'content-type': 'image/png' };

beforeAll(async () => {
  owner = await ownerOf(from);
  expect((await owner.post('/api/kitchen/import', { file: demoFile(), today })).status).toBe(201);
  const { lots } = (await owner.get('/api/lots')).body;
  const image = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#8E1230' } })
    .png()
    .toBuffer();
  const taken = await fetch(
    `${from.base}/api/lots/${lots[0].id}/photographs?id=${newId()}&words=in+the+pan`,
    {
      method: 'POST',
      headers: { ...PICTURE, cookie: owner.cookie },
      body: new Uint8Array(image),
    },
  );
  expect(taken.status).toBe(201);
  bytes = await exported(owner);
  files = await filesIn(bytes);
}, 600_000);

describe('a download that breaks off', () => {
  const ask = (headers: Record<string, string> = {}, signal?: AbortSignal) =>
    fetch(`${from.base}/api/kitchen/export`, {
      headers: { cookie: owner.cookie, ...headers },
      ...(signal ? { signal } : {}),
    });

  it('is gone on with from where it broke off, and is then the same file', async () => {
    const gone = new AbortController();
    const first = await ask({}, gone.signal);
    const etag = first.headers.get('etag')!;
    expect(first.headers.get('accept-ranges')).toBe('bytes');
    const reader = first.body!.getReader();
    const begun = Buffer.from((await reader.read()).value!);
    gone.abort();
    const rest = await ask({ range: `bytes=${begun.length}-`, 'if-range': etag });
    expect([rest.status, rest.headers.get('etag')]).toEqual([206, etag]);
    const own = await filesIn(Buffer.concat([begun, Buffer.from(await rest.arrayBuffer())]));
    expect([...own.keys()].sort()).toEqual([...files.keys()].sort());
    // Any part of it, and as often as it is asked for.
    const part = await ask({ range: 'bytes=2-5', 'if-range': etag });
    expect(part.status).toBe(206);
    expect(part.headers.get('content-range')).toMatch(/^bytes 2-5\/\d+$/);
    expect(Buffer.from(await part.arrayBuffer())).toEqual(begun.subarray(2, 6));
    const beyond = await ask({ range: 'bytes=999999999-', 'if-range': etag });
    expect([beyond.status, (await beyond.json()).title]).toEqual([416, 'No such part']);
  });

  it('begins anew where the file it was of is no longer kept', async () => {
    const anew = await ask({ range: 'bytes=100-', 'if-range': '"of-yesterday"' });
    expect(anew.status).toBe(200);
    expect([...(await filesIn(Buffer.from(await anew.arrayBuffer()))).keys()]).toContain('README.txt');
  });

  it('is taken by its owner alone', async () => {
    expect((await fetch(`${from.base}/api/kitchen/export`, { headers: { range: 'bytes=0-' } })).status).toBe(
      401,
    );
  });
});

describe('the whole kitchen as one file', () => {
  it('says to a stranger what is in it, and each kind of record has its schema and its table', () => {
    expect(text('README.txt')).toMatch(/^Test kitchen|^Hollin Rigg Kitchen/);
    const nouns = [...files.keys()].flatMap((name) => /^records\/(.+)\.jsonl$/.exec(name)?.[1] ?? []);
    expect(nouns).toEqual(
      expect.arrayContaining(['lot', 'reading', 'decision', 'stock-taking', 'basket', 'plan']),
    );
    for (const noun of nouns) {
      const schema = JSON.parse(text(`schema/${noun}.schema.json`));
      const table = parse(text(`tables/${noun}.csv`), { bom: true, columns: true });
      const own = records(noun);
      expect(table).toHaveLength(own.length);
      for (const record of own)
        expect(Object.keys(record).sort()).toEqual(Object.keys(schema.properties).sort());
    }
  });

  it('has pictures, labels and release sheets as files, and the journal with its hashes', async () => {
    const [photograph] = records('photograph');
    const picture = files.get(photograph.image.file)!;
    expect(createHash('sha256').update(picture).digest('hex')).toBe(photograph.image.sha256);
    expect((await sharp(picture).metadata()).format).toBe('jpeg');
    const documents = [...files.keys()].filter((name) => name.startsWith('documents/'));
    expect(documents.some((name) => /-label\.pdf$/.test(name))).toBe(true);
    const released = new Set(records('decision').flatMap((d) => (d.event === 'release' ? [d.lotId] : [])));
    expect(documents.filter((name) => /-release\.pdf$/.test(name))).toHaveLength(released.size);
    const journal = text('journal/journal.jsonl')
      .split('\n')
      .filter(Boolean)
      .map((line) => JSON.parse(line));
    let hash = '0'.repeat(64);
    for (const { hash: own, ...row } of journal) {
      // The README's own words for how a row is hashed.
      const sorted = (value: unknown): unknown =>
        Array.isArray(value)
          ? value.map(sorted)
          : value !== null && typeof value === 'object'
            ? Object.fromEntries(
                Object.entries(value)
                  .sort(([a], [b]) => (a < b ? -1 : 1))
                  .map(([key, inner]) => [key, sorted(inner)]),
              )
            : value;
      hash = createHash('sha256')
        .update(hash)
        .update(JSON.stringify(sorted(row)))
        .digest('hex');
      expect(own).toBe(hash);
    }
    expect(JSON.parse(text('manifest.json')).journal.hash).toBe(hash);
  });

  it('holds no password and no hash of one', () => {
    for (const [name, said] of files) {
      expect(String(said), name).not.toMatch(/\$argon2/);
      if (name.startsWith('records/')) expect(String(said), name).not.toMatch(/password_?hash/i);
    }
  });

  it('is journaled, and for the owner alone', async () => {
    const { rows } = (await owner.get('/api/journal?limit=5')).body;
    expect(rows[0]).toMatchObject({ noun: 'kitchen', action: 'export' });
    expect((await from.person().get('/api/kitchen/export')).status).toBe(401);
  });
});

describe('brought into an installation that has no kitchen', () => {
  it('gives the same bytes again, but for the time of export', async () => {
    const progress = newId();
    const { status, body } = await importInto(into, bytes, progress);
    expect([status, body.detail]).toEqual([201, undefined]);
    expect(body.lots).toBe(records('lot').length);
    expect((await into.person().get(`/api/progress/${progress}`)).body).toMatchObject({
      ended: true,
      fault: null,
    });
    expect((await verifyJournal(into.pool)).flatMap((report) => report.faults)).toEqual([]);
    const file = join(tmpdir(), `${newId()}.zip`);
    await exportKitchen(into.pool, file);
    const { readFile, rm } = await import('node:fs/promises');
    const again = await filesIn(await readFile(file));
    await rm(file);
    expect(digests(again)).toEqual(digests(files));
  }, 600_000);

  it('nobody has a password there until an owner sets one, once, and the record says where it came from', async () => {
    const stranger = into.person();
    const { needed, owners } = (await stranger.get('/api/setup')).body;
    expect([needed, owners]).toEqual([false, [OWNER.name]]);
    expect((await stranger.post('/api/session', OWNER)).status).toBe(401);
    expect((await stranger.post('/api/session', { ...OWNER, password: ' ' })).status).toBe(401);
    const own = { name: OWNER.name, password: 'another long password' };
    expect((await stranger.post('/api/setup/owner', { ...own, name: 'Nobody' })).status).toBe(409);
    expect((await stranger.post('/api/setup/owner', { ...own, password: 'password12' })).status).toBe(422);
    const tried = await Promise.all([1, 2, 3].map(() => into.person().post('/api/setup/owner', own)));
    expect(tried.map((reply) => reply.status).sort()).toEqual([201, 409, 409]);
    expect((await into.person().get('/api/setup')).body).toEqual({ needed: false });
    const signedIn = into.person();
    expect((await signedIn.post('/api/session', own)).status).toBe(201);
    const { broughtIn } = (await signedIn.get('/api/kitchen')).body;
    // Both are signed with one key here: the same installation, moved.
    expect(broughtIn).toMatchObject({
      sequence: JSON.parse(text('manifest.json')).journal.sequence,
      signedHere: true,
    });
    expect((await signedIn.get('/api/lots')).body.lots.length).toBe(records('lot').length);
    expect((await verifyJournal(into.pool)).flatMap((report) => report.faults)).toEqual([]);
  });

  it('is refused where there is a kitchen already', async () => {
    const { status, body } = await importInto(into, bytes);
    expect(status).toBe(409);
    expect(body.detail).toMatch(/has a kitchen already/);
  });
});

describe('an export that is not as it was written', () => {
  beforeAll(() => emptied(into));
  const line = (noun: string, change: (record: Record<string, unknown>) => object | null) =>
    changed(`records/${noun}.jsonl`, (said) => {
      const [first, ...rest] = said.split('\n');
      const other = change(JSON.parse(first!));
      return [...(other ? [JSON.stringify(other)] : []), ...rest].join('\n');
    });
  const cases: [string, () => Promise<Buffer>, RegExp][] = [
    [
      'a reading that reads otherwise',
      () => line('reading', (r) => ({ ...r, said: 'ph 2.9' })),
      /not as its journal says/,
    ],
    [
      'a lot released by hand',
      () => line('lot', (r) => ({ ...r, state: r.state === 'closed' ? 'released' : 'closed' })),
      /not as its journal says/,
    ],
    [
      'bottles counted under zero',
      () => line('bottling', (r) => ({ ...r, count: -3 })),
      /bottling\.jsonl, line 1/,
    ],
    [
      'a record of the future',
      () => line('addition', (r) => ({ ...r, at: '2990-01-01T00:00:00.000Z' })),
      /still to come/,
    ],
    [
      'a record before its time',
      () => line('addition', (r) => ({ ...r, at: '1999-01-01T00:00:00.000Z' })),
      /before the year 2000/,
    ],
    ['a record that is missing', () => line('movement', () => null), /movement\.jsonl has/],
    [
      'a field that nobody knows',
      () => line('reading', (r) => ({ ...r, more: 1 })),
      /reading\.jsonl, line 1/,
    ],
    [
      'a file that nobody knows',
      () => zipOf(new Map(files).set('records/wish.jsonl', Buffer.from('{}\n'))),
      /wish\.jsonl/,
    ],
    [
      'a row of the journal cut off',
      () =>
        changed('journal/journal.jsonl', (said) => `${said.trimEnd().split('\n').slice(0, -1).join('\n')}\n`),
      /journal/,
    ],
    [
      'another picture',
      () => zipOf(new Map(files).set(records('photograph')[0].image.file, Buffer.from('another'))),
      /another picture/,
    ],
    [
      'a manifest of something else',
      () => changed('manifest.json', (said) => said.replace('inch-pantry export', 'else')),
      /manifest\.json/,
    ],
    [
      'a manifest that is cut off',
      () => changed('manifest.json', (said) => said.slice(0, 40)),
      /manifest\.json/,
    ],
    ['no zip at all', async () => Buffer.from('what is this'), /The file cannot be read/],
  ];
  it.each(cases)('%s: nothing comes in', async (_, make, why) => {
    const { status, body } = await importInto(into, await make());
    expect([status, body.detail]).toEqual([422, expect.stringMatching(/^Nothing was imported\./)]);
    expect(body.detail).toMatch(why);
    expect((await into.person().get('/api/setup')).body).toEqual({ needed: true });
  });

  it('is not signed by this installation where another key signed it, and says so', async () => {
    const file = join(tmpdir(), `${newId()}.zip`);
    writeFileSync(
      file,
      await changed('manifest.json', (said) =>
        said.replace(/"signature": "\w/, (s) => `${s.slice(0, -1)}${s.endsWith('a') ? 'b' : 'a'}`),
      ),
    );
    await readExport(into.pool, file);
    const taker = into.person();
    await taker.post('/api/setup/owner', { name: OWNER.name, password: 'another long password' });
    expect((await taker.get('/api/kitchen')).body.broughtIn.signedHere).toBe(false);
  });
});
