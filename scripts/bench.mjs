import { parseArgs } from 'node:util';
import { readingPost, thirtyTablets, withServer } from './src/bench/benchServer.mjs';
import { median } from './src/bench/median.mjs';
import { twentyYears } from './src/bench/years.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { giveUp } from './src/machine/say.mjs';

const { values } = parseArgs({
  options: { json: { type: 'boolean', default: false }, only: { type: 'string' } },
});

/** µs of one equilibrium pH, warm, over 64 unlike mixtures. */
async function phSolve() {
  const { equilibriumPh } = await import('@inch/core/acid');
  const mixtures = Array.from({ length: 64 }, (_, i) => ({
    acids: { citric: 0.01 + 0.004 * i, malic: 0.3 - 0.004 * i, acetic: 0.002 * i },
    baseEquivalents: 0.001 * i,
  }));
  for (let i = 0; i < 20_000; i++) equilibriumPh(mixtures[i % 64]);
  const rounds = Array.from({ length: 9 }, () => {
    const started = performance.now();
    for (let i = 0; i < 4000; i++) equilibriumPh(mixtures[i % 64]);
    return ((performance.now() - started) * 1000) / 4000;
  });
  return { ph_solve_us: Number(median(rounds).toFixed(2)) };
}

/** ms from a key to the figures of a 25-line formula: as drawn in Chromium, and the core's part of it alone. */
async function keystroke() {
  const { contributions, forecast } = await import('@inch/core/formula');
  const { shippedCatalogue } = await import('@inch/core/ingredient');
  const { keysInBrowser, twentyFive } = await import('../e2e/keystroke.mjs');
  const setting = { cup: 'us', elevationMetres: 719, criticalPh: 4.2, catalogue: shippedCatalogue };
  const rounds = Array.from({ length: 60 }, (_, i) => {
    const content = twentyFive(`${200 + i} g`);
    const started = performance.now();
    forecast(content, setting);
    contributions(content, setting);
    return performance.now() - started;
  });
  await ensureBuilt(['web']);
  const drawn = await withServer(({ server }) => keysInBrowser(server.url));
  return {
    keystroke_25_lines_ms: Number(median(drawn.slice(4)).toFixed(1)),
    keystroke_core_ms: Number(median(rounds.slice(10)).toFixed(2)),
  };
}

/** ms to read a pasted list of 40 lines, half of them understood at once, once warm. */
async function reading() {
  const { readIngredientList } = await import('@inch/core/formula');
  const { shippedCatalogue } = await import('@inch/core/ingredient');
  const lines = [
    '2 kg sour cherries, stoned and washed',
    'zest and juice of two limes',
    '1 cup honey or 3/4 cup sugar',
    'half the weight of the fruit in sugar',
    '2 tsp bottled lemon juice in each half-pint jar',
    '500 g sugar candy from the fair',
    'a glug of something nobody has',
    '1 kg rasberries',
    '2 cups moonbeams',
    'two 500 g bags of frozen raspberries',
  ];
  const text = Array.from({ length: 40 }, (_, i) => lines[i % lines.length]).join('\n');
  const rounds = Array.from({ length: 25 }, () => {
    const started = performance.now();
    readIngredientList(text, shippedCatalogue);
    return performance.now() - started;
  });
  return {
    read_list_40_ms: Number(median(rounds.slice(10)).toFixed(1)),
    read_list_40_cold_ms: Number(rounds[0].toFixed(1)),
  };
}

/** ms to read an account of 2,000 words as somebody told it, once warm, and the first time. */
async function account() {
  const { shippedCatalogue } = await import('@inch/core/ingredient');
  const { readAccount } = await import('@inch/core/recipe');
  const told =
    'I have two pounds of plums and six hundred grams of sugar. Half of the sugar goes in with the plums now. We leave that overnight. Bring it to a boil and cook it for ten minutes, with the lid off. Sorry, that was actually eighteen minutes. I strain it through a cloth and let it drip for four hours. Then the other half of the sugar goes in, and a tablespoon of lemon juice. No, two tablespoons. Boil it for two minutes and bottle it. It keeps about a month in the fridge. ';
  const text = told.repeat(Math.ceil(2000 / told.split(' ').length));
  const rounds = Array.from({ length: 12 }, () => {
    const from = performance.now();
    readAccount(text, shippedCatalogue);
    return performance.now() - from;
  });
  return {
    read_account_2000_ms: Number(median(rounds.slice(4)).toFixed(1)),
    read_account_2000_cold_ms: Number(rounds[0].toFixed(1)),
  };
}

/** ms of 4,000 draws of a 12-line formula, five fruits among them, as the page's worker runs it once warm. */
async function simulation() {
  const { simulate } = await import('@inch/core/formula');
  const { shippedCatalogue } = await import('@inch/core/ingredient');
  const said = [
    ['sour-cherry', '2 kg', 'cook'],
    ['raspberry', '500 g', 'cook'],
    ['damson', '400 to 600 g', 'cook'],
    ['redcurrant', '2 cups', 'cook'],
    ['water', '3 cups', 'cook'],
    ['lemon-peel', '2 strips', 'cook'],
    ['sugar', '1.5 kg', 'boil'],
    ['glucose-syrup', '150 g', 'boil'],
    ['citric-anhydrous', '10 g', 'end'],
    ['bottled-lemon-juice', '60 ml', 'end'],
    ['cider-vinegar', '100 g', 'end'],
    ['vanilla', '1 pod', 'end'],
  ];
  const content = {
    lines: said.map(([ingredientId, amount, stepId], i) => ({
      id: String(i),
      said: amount,
      ingredientId,
      stepId,
    })),
    steps: [
      { id: 'cook', kind: 'draw', title: 'Cook', method: 'cooked', minutes: 25, killStep: true },
      { id: 'drip', kind: 'strain', title: 'Drip', cloth: 'drip' },
      { id: 'boil', kind: 'reduce', title: 'Reduce', toBrix: 50, minutes: 30 },
      { id: 'end', kind: 'add', title: 'Stir in' },
    ],
    storage: 'cold',
    bottleMl: 250,
  };
  const setting = { cup: 'us', elevationMetres: 719, criticalPh: 4.2, catalogue: shippedCatalogue };
  const rounds = Array.from({ length: 15 }, (_, seed) => {
    const started = performance.now();
    simulate(content, setting, { scenarios: 4000, seed });
    return performance.now() - started;
  });
  return {
    forecast_4000x12_ms: Number(median(rounds.slice(6)).toFixed(1)),
    forecast_4000x12_cold_ms: Number(rounds[0].toFixed(1)),
  };
}

/** Twelve lots of fifteen steps each: stoned, simmered, dripped, reduced, filled, three loads of the canner, cooled, labelled. */
function twelveLots() {
  const hands = (id, minutes, more = {}) => ({ id, minutes, needs: { hands: 1 }, ...more });
  const stove = (id, minutes, pan) => ({ id, minutes, needs: { burner: 1, [pan]: 1 }, attended: true });
  const waits = (id, minutes) => ({ id, minutes, needs: {} });
  const load = (id, more = {}) => ({
    id,
    minutes: 30,
    needs: { canner: 1, burner: 1 },
    attended: true,
    ...more,
  });
  const lot = (i) => {
    const pan = `pan ${i % 3}`;
    return {
      id: `lot ${i}`,
      earliest: 480,
      steps: [
        hands('sort', 15 + 5 * (i % 4)),
        hands('stone', 30 + 5 * (i % 5)),
        waits('rest', 60 * (1 + (i % 3))),
        stove('simmer', 25, pan),
        waits('drip', 120 + 30 * (i % 3)),
        hands('press', 15),
        stove('reduce', 35 + 5 * (i % 4), pan),
        hands('acid', 5),
        hands('measure', 15),
        hands('fill', 20, { atOnce: true }),
        load('load 1', { atOnce: true }),
        load('load 2'),
        load('load 3'),
        waits('cool', 720),
        hands('label', 15),
      ],
    };
  };
  return {
    lots: Array.from({ length: 12 }, (_, i) => lot(i)),
    resources: { hands: 1, burner: 3, canner: 1, 'pan 0': 1, 'pan 1': 1, 'pan 2': 1 },
    hours: Array.from({ length: 30 }, (_, day) => ({ from: day * 1440 + 480, to: day * 1440 + 1140 })),
  };
}

/** ms from the question to the answer of a worker that lays twelve lots of fifteen steps. */
async function plan() {
  const { Worker } = await import('node:worker_threads');
  const worker = new Worker(new URL('./src/bench/planWorker.mjs', import.meta.url));
  const setting = twelveLots();
  const times = [];
  let last;
  for (let i = 0; i < 7; i++) {
    const started = performance.now();
    worker.postMessage(setting);
    last = await new Promise((resolve, reject) => {
      worker.once('message', resolve);
      worker.once('error', reject);
    });
    times.push(performance.now() - started);
  }
  await worker.terminate();
  if (last.clashes > 0) throw new Error(`The plan clashes in ${last.clashes} places`);
  return {
    plan_12x15_ms: Number(median(times.slice(1)).toFixed(1)),
    plan_12x15_cold_ms: Number(times[0].toFixed(1)),
    plan_12x15_over_bound: Number(last.over.toFixed(3)),
  };
}

/** ms of 60 minutes of a jar of puree in a boiling bath, once warm. */
async function bottle() {
  const { bottleInBath } = await import('@inch/core/heat');
  const body = {
    radiusMetres: 0.03,
    heightMetres: 0.1,
    startCelsius: 20,
    inside: { kind: 'conduction', diffusivity: 1.5e-7 },
    filmWPerM2K: 300,
    conductivity: 0.55,
  };
  const rounds = Array.from({ length: 9 }, () => {
    const started = performance.now();
    bottleInBath(body, [{ seconds: 0, celsius: 98 }], 3600);
    return performance.now() - started;
  });
  return { bottle_60min_ms: Number(median(rounds.slice(2)).toFixed(1)) };
}

const BENCHES = {
  'ph-solve': phSolve,
  keystroke,
  reading,
  account,
  simulation,
  plan,
  bottle,
  'reading-post': readingPost,
  tablets: thirtyTablets,
  years: twentyYears,
};
if (values.only && !BENCHES[values.only])
  giveUp(`There is no bench "${values.only}". There are: ${Object.keys(BENCHES).join(', ')}.`);

const written = process.stdout.write.bind(process.stdout);
// With --json nothing but the one object may be printed.
if (values.json) process.stdout.write = () => true;
await ensurePackages();
await ensureBuilt(['server']);
const figures = {};
for (const [name, bench] of Object.entries(BENCHES))
  if (!values.only || values.only === name) Object.assign(figures, await bench());
if (values.json) written(`${JSON.stringify(figures)}\n`);
else for (const [name, figure] of Object.entries(figures)) written(`${name.padEnd(28)} ${figure}\n`);
process.exit(0);
