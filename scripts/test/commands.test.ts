import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { afterAll, describe, expect, it } from 'vitest';
import { demoFile } from '../src/demo.mjs';
import { ensureBuilt } from '../src/machine/build.mjs';
import { findProgram } from '../src/machine/debian.mjs';
import { runCommand } from '../src/machine/run.mjs';
import { freePort } from '../src/mariadb.mjs';
import { secretsOf } from '../src/secrets.mjs';

const folder = mkdtempSync(join(tmpdir(), 'inch-commands-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

interface Ended {
  code: number;
  out: string;
  err: string;
}
const node = (...args: string[]): Promise<Ended> =>
  promisify(execFile)(process.execPath, args).then(
    ({ stdout, stderr }) => ({ code: 0, out: stdout, err: stderr }),
    (error) => ({ code: error.code, out: error.stdout, err: error.stderr }),
  );

describe('accuracy', () => {
  it('holds, and prints one object of named figures with --json', async () => {
    await ensureBuilt(['server']);
    const { code, out } = await node('scripts/accuracy.mjs', '--json');
    expect(code).toBe(0);
    const figures = JSON.parse(out);
    expect(figures.ph_of_nist_primary_buffers_at_25_c_worst_error).toBeLessThanOrEqual(0.02);
    expect(figures.water_activity_at_25_c_worst_error).toBeLessThanOrEqual(0.006);
    expect(Object.values(figures).every((f) => typeof f === 'number')).toBe(true);
  });
  it('takes one table by a part of its name, and says which there are', async () => {
    const one = await node('scripts/accuracy.mjs', '--json', '--only', 'nist');
    expect(Object.keys(JSON.parse(one.out))).toHaveLength(1);
    const none = await node('scripts/accuracy.mjs', '--only', 'kettle');
    expect([none.code, none.err]).toEqual([1, expect.stringMatching(/No table is called "kettle"/)]);
  });
  it('writes the page a food scientist asks for, with every table', () => {
    const page = readFileSync('docs/accuracy.md', 'utf8');
    for (const title of [
      'Density of sucrose',
      'NIST primary buffers',
      'Refractometer correction',
      'Water activity',
      'Strong base of fruit',
    ])
      expect(page).toContain(title);
    expect(page).not.toMatch(/does not hold/);
  });
});

describe('the page of the catalogue', () => {
  it('is what the entries say, with the source of each', async () => {
    await ensureBuilt(['server']);
    const { cataloguePage } = await import('../src/cataloguePage.mjs');
    const page = readFileSync('docs/catalogue.md', 'utf8');
    expect(page).toBe(cataloguePage());
    expect(Number(/(\d+) entries/.exec(page)![1])).toBeGreaterThanOrEqual(260);
  });
});

describe('bench', () => {
  it('prints one object with --json, and one figure with --only', async () => {
    const { code, out } = await node('scripts/bench.mjs', '--json', '--only', 'ph-solve');
    expect(code).toBe(0);
    const figures = JSON.parse(out);
    expect(Object.keys(figures)).toEqual(['ph_solve_us']);
    expect(figures.ph_solve_us).toBeGreaterThan(0);
  });
  it('says which there are', async () => {
    const { code, err } = await node('scripts/bench.mjs', '--only', 'kettle');
    expect([code, err]).toEqual([
      1,
      expect.stringMatching(/ph-solve, keystroke, reading, account, simulation, plan, bottle, reading-post/),
    ]);
  });
});

describe('verify', () => {
  it('says where there is no kitchen to walk', async () => {
    const { code, err } = await node('scripts/verify.mjs', '--data', join(folder, 'nothing'));
    expect([code, err]).toEqual([
      1,
      expect.stringMatching(/There is no kitchen in .*Name its folder with --data/),
    ]);
  });
});

describe('the parts of the commands', () => {
  it('secrets are made once, and only their owner reads them', () => {
    const first = secretsOf(folder);
    expect(secretsOf(folder)).toEqual(first);
    expect(first.admin).not.toBe(first.app);
    expect(first.app.length).toBeGreaterThanOrEqual(32);
    expect(statSync(join(folder, 'secrets.json')).mode & 0o777).toBe(0o600);
  });
  it('a command that fails says which, with the end of what it printed', async () => {
    await expect(
      runCommand(process.execPath, ['-e', 'console.error("it slipped"); process.exit(3)']),
    ).rejects.toThrow(/ended with 3[\s\S]*it slipped/);
    await expect(runCommand(process.execPath, ['-e', 'console.log("well")'])).resolves.toBe('well\n');
  });
  it('a program is found on the path, or not at all', () => {
    expect(findProgram(['sh'])).toMatch(/\/sh$/);
    expect(findProgram(['no-such-program-here'])).toBeUndefined();
  });
  it('a free port can be listened on', async () => {
    const port = await freePort();
    expect(port).toBeGreaterThan(1023);
  });
  it('the demo kitchen is the one the documents speak of', () => {
    const file = demoFile();
    expect(file.kitchen.name).toBe('Hollin Rigg Kitchen');
    expect(file.kitchen.elevationMetres / 0.3048).toBeCloseTo(2360, 0);
    expect(file.formulas.map((f: { name: string }) => f.name)).toEqual(
      expect.arrayContaining([
        'Damson shrub',
        'Gooseberry cordial',
        'Quince concentrate',
        'Sour cherry syrup',
        'Spruce-tip syrup',
      ]),
    );
    expect(file.lots.length).toBeGreaterThanOrEqual(8);
  });
  it('shows every school of drawing by a formula, one after another too, and every way to part and to reduce', () => {
    const newest = demoFile().formulas.map(
      (f: { versions: { content: { steps: object[] } }[] }) => f.versions.at(-1)!.content.steps,
    );
    type Step = { method?: string; cloth?: string; toBrix?: number; toFraction?: number; toCelsius?: number };
    const steps = newest.flat() as Step[];
    const said = (of: (step: Step) => string | undefined) =>
      [...new Set(steps.map(of).filter(Boolean))].sort();
    expect(said((s) => s.method)).toEqual(['blended', 'cold', 'cooked', 'infused', 'jar', 'peel']);
    expect(said((s) => s.cloth)).toEqual(['drip', 'filter', 'press']);
    for (const mark of ['toBrix', 'toFraction', 'toCelsius'] as const)
      expect(
        steps.some((s) => s[mark] !== undefined),
        mark,
      ).toBe(true);
    expect(newest.some((list: Step[]) => list.filter((s) => s.method).length > 1)).toBe(true);
  });
});

describe('a command that is told what is not there', () => {
  it.each([
    [['backup', '/nowhere/a.backup'], /There is no folder \/nowhere\. Make it/],
    [['export', '/nowhere/a.zip'], /There is no folder \/nowhere\. Make it/],
    [
      ['restore', '/nowhere/a.backup', '--data', join(folder, 'new')],
      /There is no file \/nowhere\/a\.backup\./,
    ],
    [['import', tmpdir(), '--data', join(folder, 'new')], /is no file\. Name the file itself/],
    [['verify', '--data', '/nowhere'], /There is no kitchen in \/nowhere\. Name its folder/],
    [['doctor', '--dta', 'x'], /Unknown option '--dta'\. Write: npm run doctor/],
    [['backup'], /Write: npm run backup -- FILE/],
  ])('%j says so in words', async ([name, ...more], words) => {
    const { code, err } = await node(`scripts/${name}.mjs`, ...more);
    expect([code, err]).toEqual([1, expect.stringMatching(words)]);
    expect(err).not.toMatch(/ {4}at |ENOENT/);
  });
});
