import { readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { verifyJournal } from '../src/audit/verify.ts';
import { readExport } from '../src/export/read.ts';
import { exportKitchen } from '../src/export/toFile.ts';
import { useJournalKey } from '../src/journal/sign.ts';
import { deedsOf } from './deeds.ts';
import { digests, emptied, filesIn } from './exportFile.ts';
import { Crew } from './filled.ts';
import { ago, beginLot, cherryContent, meterOf, post, type Started, saveFormula } from './fixtures.ts';
import { OWNER, type TestApp, useTestApp } from './testApp.ts';

/** INCH_RUNS=200 asks it of two hundred kitchens. */
const RUNS = Number(process.env.INCH_RUNS ?? 8);
const from = useTestApp();
const into = useTestApp({ own: true });
const crew = new Crew();
const lots: Started[] = [];
let meter: string;

beforeAll(async () => {
  await crew.gather(from);
  meter = await meterOf(crew.maker);
  const sold = await crew.releasable();
  await post(crew.owner, sold, 'decisions', { event: 'release', password: OWNER.password });
  lots.push(sold, await crew.filled());
}, 600_000);

// It ends signed with another key than the tests have.
afterAll(() => emptied(into));

/** What people write: letters of any script, quotes, signs that begin a formula of a spreadsheet, lines, nothing at all. */
const words = fc
  .oneof(
    fc.string({ unit: 'grapheme', minLength: 1, maxLength: 60 }),
    fc.constantFrom('=1+1', '"a","b"', "O'Brien; DROP", '{"a": 1}', '[1,\n2]', '\u2028', '½ kg – 3″'),
  )
  .filter((said) => said.trim().length > 1 && !/\p{Surrogate}/u.test(said));
const amount = fc.oneof(fc.double({ min: 1e-3, max: 50_000, noNaN: true }), fc.integer({ min: 1, max: 9 }));

/** Something written in a kitchen with random words and figures, or one of the deeds that move a lot. */
const deed = fc.oneof(
  fc.record({ do: fc.constant('deed' as const), which: fc.nat(), words, amount }),
  fc.record({
    do: fc.constantFrom(
      'note',
      'addition',
      'formula',
      'stock',
      'basket',
      'measure',
      'lot',
      'person',
      'place',
    ),
    which: fc.nat(),
    words,
    amount,
  }),
);
type Deed = typeof deed extends fc.Arbitrary<infer T> ? T : never;

const newFormula = ({ words: name, amount: grams }: Deed) =>
  crew.maker.post('/api/formulas', {
    id: newId(),
    versionId: newId(),
    name: name.slice(0, 60),
    kind: 'syrup',
    colour: '#8E1230',
    note: name,
    content: {
      ...cherryContent,
      lines: [{ id: 'fruit', said: `${grams} g`, ingredientId: 'sour-cherry', words: name }],
    },
  });

const WRITTEN: Record<string, (deed: Deed) => Promise<unknown>> = {
  deed: ({ which }) => {
    const all = Object.values(deedsOf(crew, meter));
    return all[which % all.length]!(lots[which % lots.length]!);
  },
  note: ({ which, words: said }) =>
    post(crew.maker, lots[which % lots.length]!, 'readings', { kind: 'note', said }),
  addition: ({ which, words: why, amount: grams }) =>
    post(crew.maker, lots[which % lots.length]!, 'additions', {
      ingredientId: 'sugar',
      grams,
      from: why,
      why,
    }),
  formula: newFormula,
  stock: ({ words: supplier, amount: quantity }) =>
    crew.maker.post('/api/stock', {
      id: newId(),
      kind: 'ingredient',
      thing: 'vanilla',
      quantity,
      gotOn: ago(50).slice(0, 10),
      supplier,
    }),
  basket: ({ words: said, amount: paid }) =>
    crew.maker.post('/api/basket', {
      thing: 'sugar',
      kind: 'ingredient',
      said,
      amount: paid,
      paidMinor: null,
    }),
  measure: ({ words: name, amount: grams }) =>
    crew.maker.post('/api/measures', {
      id: newId(),
      name,
      ingredientId: null,
      grams,
      millilitres: null,
      retired: false,
    }),
  lot: async () =>
    lots.push(await beginLot(crew.maker, await saveFormula(crew.maker, cherryContent), ago(3))),
  person: ({ words: name }) =>
    crew.owner.post('/api/accounts', { id: newId(), name, role: 'reader', password: OWNER.password }),
  place: async ({ words: place }) => {
    const { revision } = (await crew.owner.get('/api/kitchen')).body;
    return crew.owner.send('PATCH', '/api/kitchen', { revision, place });
  },
};

async function exportOf(app: TestApp) {
  const file = join(tmpdir(), `${newId()}.zip`);
  await exportKitchen(app.pool, file);
  const bytes = await readFile(file);
  return { file, files: digests(await filesIn(bytes)) };
}

it('what goes out of a kitchen comes in whole, and goes out again byte for byte', async () => {
  let wrote = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(deed, { minLength: 1, maxLength: 8 }), async (deeds) => {
      for (const each of deeds) {
        const reply = (await WRITTEN[each.do]!(each)) as { status?: number } | undefined;
        if (reply?.status && reply.status < 300) wrote += 1;
      }
      const out = await exportOf(from);
      await emptied(into);
      // Another installation has another key: what goes out of it is still what came in.
      useJournalKey('cd'.repeat(32));
      await readExport(into.pool, out.file);
      expect((await verifyJournal(into.pool)).flatMap((report) => report.faults)).toEqual([]);
      const again = await exportOf(into);
      useJournalKey('ab'.repeat(32));
      await Promise.all([rm(out.file), rm(again.file)]);
      expect(again.files).toEqual(out.files);
    }),
    // Each kitchen goes on from the one before: what fails is not shortened.
    { numRuns: RUNS, endOnFailure: true },
  );
  expect(wrote).toBeGreaterThan(RUNS);
}, 3_600_000);
