import { deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { Crew } from './filled.ts';
import type { Started } from './fixtures.ts';
import { useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
let lot: Started;
beforeAll(async () => {
  await crew.gather(app);
  lot = await crew.filled();
});

const send = (path: string, type: string, body: Buffer | string) =>
  fetch(`${app.base}${path}`, {
    method: 'POST',
    headers: { cookie: crew.maker.cookie, 'content-type': type },
    body: typeof body === 'string' ? body : new Uint8Array(body),
  });
const picture = (type: string, body: Buffer | string) =>
  send(`/api/label-pictures?id=${newId()}&name=Mark`, type, body);
const photograph = (type: string, body: Buffer | string) =>
  send(`/api/lots/${lot.id}/photographs?id=${newId()}&words=pan`, type, body);

const svg = (inside: string, size = 'width="400" height="400"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${size}>${inside}</svg>`;
/** Uses of uses: each level ten times the one under it. */
const nested = (levels: number) =>
  svg(
    `<defs><circle id="l0" r="9" fill="red"/>${Array.from(
      { length: levels },
      (_, i) =>
        `<g id="l${i + 1}">${Array.from({ length: 10 }, (_, k) => `<use xlink:href="#l${i}" x="${k}"/>`).join('')}</g>`,
    ).join('')}</defs><use xlink:href="#l${levels}"/>`,
  );

const chunk = (type: string, data: Buffer): Buffer => {
  const body = Buffer.concat([Buffer.from(type), data]);
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  return Buffer.concat([length, body, Buffer.alloc(4)]);
};
/** A PNG of a few kilobytes that says it is so many pixels wide and high. */
const hugePng = (side: number): Buffer => {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(side, 0);
  head.writeUInt32BE(side, 4);
  head[8] = 8;
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.alloc(1_000_000))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
};
const shortened = async () => {
  const good = await sharp({ create: { width: 40, height: 40, channels: 3, background: 'red' } })
    .jpeg()
    .toBuffer();
  return good.subarray(0, good.length / 3);
};

describe('a picture that would cost a server its day', () => {
  const hostile: [string, string, () => Promise<Buffer | string> | Buffer | string][] = [
    ['nested uses', 'image/svg+xml', () => nested(9)],
    [
      'a filter without end',
      'image/svg+xml',
      () =>
        svg(
          `<filter id="f"><feTurbulence baseFrequency="0.9" numOctaves="5000"/></filter><rect width="4000" height="4000" filter="url(#f)"/>`,
          'width="30000" height="30000"',
        ),
    ],
    [
      'a size that is none',
      'image/svg+xml',
      () => svg('<rect width="1" height="1"/>', 'width="9999999" height="9999999"'),
    ],
    ['entities', 'image/svg+xml', () => `<!DOCTYPE s [<!ENTITY a "b">]>${svg('')}`],
    ['an SVG as a PNG', 'image/png', () => svg('<circle r="9"/>')],
    ['an SVG as a JPEG, after blanks', 'image/jpeg', () => `  \n<?xml version="1.0"?>\n${nested(3)}`],
    ['a PNG as an SVG', 'image/svg+xml', () => hugePng(10)],
    ['a PNG of a thousand million pixels', 'image/png', () => hugePng(60_000)],
    ['half a JPEG', 'image/jpeg', shortened],
    ['a PDF', 'image/png', () => '%PDF-1.7\n1 0 obj\n'],
    ['a zip', 'image/png', () => Buffer.from([0x50, 0x4b, 3, 4, 0, 0])],
    ['a page', 'image/svg+xml', () => '<html><svg></svg></html>'],
    ['nothing', 'image/png', () => ''],
  ];
  it.each(hostile)(
    '%s is refused with what to do, and the server goes on answering',
    async (_, type, make) => {
      const asked = picture(type, await make());
      // While it is drawn, others are answered.
      expect((await crew.reader.get('/api/health')).status).toBe(200);
      const reply = await asked;
      expect([415, 422]).toContain(reply.status);
      expect((await reply.json()).detail).toMatch(/Send a picture|Save it/);
      expect((await crew.reader.get('/api/label-pictures')).body).toEqual([]);
    },
  );
  const many = (n: number, what: (i: number) => string) =>
    Array.from({ length: n }, (_, i) => what(i)).join('');
  const odd: [string, string, () => Promise<Buffer | string> | Buffer | string][] = [
    ['a script', 'image/svg+xml', () => svg('<script>fetch("http://127.0.0.1:1/")</script><circle r="9"/>')],
    [
      'a file of the server',
      'image/svg+xml',
      () => svg('<image href="file:///etc/passwd" width="9" height="9"/>'),
    ],
    [
      'an address of the server',
      'image/svg+xml',
      () => svg('<image href="http://127.0.0.1:3306/" width="9" height="9"/>'),
    ],
    [
      'a style from elsewhere',
      'image/svg+xml',
      () => svg('<style>@import url("http://127.0.0.1:1/a.css");</style><circle r="9"/>'),
    ],
    [
      'a page inside',
      'image/svg+xml',
      () =>
        svg(
          '<foreignObject width="99" height="99"><b xmlns="http://www.w3.org/1999/xhtml">x</b></foreignObject>',
        ),
    ],
    [
      'ten thousand groups, one in another',
      'image/svg+xml',
      () => svg(`${'<g>'.repeat(10_000)}<circle r="9"/>${'</g>'.repeat(10_000)}`),
    ],
    [
      'a path of a hundred thousand points',
      'image/svg+xml',
      () => svg(`<path d="M0 0${many(100_000, (i) => `L${i % 400} ${(i * 7) % 400}`)}"/>`),
    ],
    [
      'a pattern of patterns',
      'image/svg+xml',
      () =>
        svg(
          `<defs>${many(9, (i) => `<pattern id="p${i + 1}" width="1" height="1" patternUnits="userSpaceOnUse"><rect width="400" height="400" fill="url(#p${i})"/></pattern>`)}</defs><rect width="400" height="400" fill="url(#p9)"/>`,
        ),
    ],
    [
      'a blur as wide as a house',
      'image/svg+xml',
      () =>
        svg(
          '<filter id="f"><feGaussianBlur stdDeviation="90000"/></filter><rect width="400" height="400" filter="url(#f)"/>',
        ),
    ],
    ['a use of itself', 'image/svg+xml', () => svg('<g id="a"><use xlink:href="#a"/></g>')],
    ['a million blanks', 'image/svg+xml', () => svg(' '.repeat(1_000_000))],
    ['a drawing cut off', 'image/svg+xml', () => svg('<circle r="9"/>').slice(0, -9)],
    [
      'a strip of one pixel',
      'image/png',
      () =>
        sharp({ create: { width: 12_000, height: 1, channels: 3, background: 'red' } })
          .png()
          .toBuffer(),
    ],
    [
      'a JPEG with more after its end',
      'image/jpeg',
      async () =>
        Buffer.concat([
          await sharp({ create: { width: 9, height: 9, channels: 3, background: 'red' } })
            .jpeg()
            .toBuffer(),
          Buffer.alloc(900_000, 65),
        ]),
    ],
    [
      'a PNG with a wrong checksum',
      'image/png',
      async () => {
        const good = await sharp({ create: { width: 9, height: 9, channels: 3, background: 'red' } })
          .png()
          .toBuffer();
        good[20]! ^= 1;
        return good;
      },
    ],
    [
      'a TIFF as a PNG',
      'image/png',
      () =>
        sharp({ create: { width: 9, height: 9, channels: 3, background: 'red' } })
          .tiff()
          .toBuffer(),
    ],
    [
      'noise',
      'image/jpeg',
      () => Buffer.from(Array.from({ length: 5000 }, (_, n) => (n * n * 31 + 255) % 256)),
    ],
  ];
  it.each(odd)('%s is drawn or refused, and nothing else of it is kept', async (_, type, make) => {
    const id = newId();
    const asked = send(`/api/label-pictures?id=${id}&name=Mark`, type, await make());
    expect((await crew.reader.get('/api/health')).status).toBe(200);
    const reply = await asked;
    expect([201, 415, 422]).toContain(reply.status);
    if (reply.status !== 201) return;
    const kept = await fetch(`${app.base}/api/label-pictures/${id}`, {
      headers: { cookie: crew.reader.cookie },
    });
    const image = sharp(Buffer.from(await kept.arrayBuffer()));
    expect(kept.headers.get('content-type')).toBe('image/png');
    expect((await image.metadata()).format).toBe('png');
    await crew.maker.post(`/api/label-pictures/${id}/retirement`, { retired: true });
  });
  it('is refused as a photograph too: an SVG is none, by whatever type it comes', async () => {
    for (const type of ['image/jpeg', 'image/png', 'image/webp'])
      expect([415, 422]).toContain((await photograph(type, nested(4))).status);
  });
  it('does not stand in the way of the next one', async () => {
    const good = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#8E1230' } })
      .png()
      .toBuffer();
    const slow = picture('image/svg+xml', nested(9));
    expect((await photograph('image/png', good)).status).toBe(201);
    expect((await slow).status).toBe(422);
    expect((await picture('image/png', good)).status).toBe(201);
  });
});

describe('characters that nobody sees', () => {
  it.each([
    ['a nul', 'sour\u0000cherries'],
    ['a bell', 'ding\u0007'],
    ['an escape', '\u001b[31mred'],
    ['a turned direction', 'safe\u202Etxt.exe'],
    ['a control of the second kind', 'next\u0085line'],
  ])('%s is refused at every door, and changes nothing', async (_, words) => {
    const before = (await crew.owner.get(`/api/lots/${lot.id}`)).body.readings.length;
    const note = { id: newId(), kind: 'note', said: words, raw: null };
    const doors: [string, object][] = [
      [`/api/lots/${lot.id}/readings`, note],
      ['/api/contacts', { id: newId(), name: words }],
      ['/api/places', { id: newId(), name: words, kind: 'fridge' }],
      ['/api/formulas', { id: newId(), name: words }],
      ['/api/session', { name: words, password: words }],
    ];
    for (const [path, body] of doors) {
      const reply = await crew.owner.post(path, body);
      expect([path, reply.status]).toEqual([path, 422]);
      expect(reply.body.errors[0].message).toMatch(/cannot be seen|broken character/);
    }
    expect((await crew.owner.get(`/api/lots/${lot.id}`)).body.readings).toHaveLength(before);
  });
  it('in an address are refused as well; lines, tabs and letters of every language are taken', async () => {
    expect((await crew.owner.get('/api/sales?q=%00')).status).toBe(422);
    const said = 'første linje\n\tданные — 日本 🍒 ½';
    const reply = await crew.owner.post(`/api/lots/${lot.id}/readings`, {
      id: newId(),
      kind: 'note',
      said,
      raw: null,
    });
    expect([reply.status, JSON.stringify(reply.body)]).toEqual([201, expect.anything()]);
  });
});
