import { defineConfig } from 'vitest/config';
import { LONG } from './scripts/src/draws.mjs';

const resolve = { conditions: ['source'] };
const ssr = { resolve: { conditions: ['source'], externalConditions: ['source'] } };

export default defineConfig({
  test: {
    projects: [
      {
        resolve,
        ssr,
        // What is computed keeps nothing from one file to the next.
        test: {
          name: 'core',
          isolate: false,
          include: ['core/test/**/*.test.ts'],
          testTimeout: 600_000,
          hookTimeout: 600_000,
        },
      },
      {
        resolve,
        ssr,
        test: {
          name: 'contract',
          isolate: false,
          include: ['contract/test/**/*.test.ts'],
          testTimeout: 600_000,
        },
      },
      {
        resolve,
        ssr,
        test: {
          name: 'web',
          include: ['web/test/**/*.test.{ts,tsx}'],
          testTimeout: 600_000,
          hookTimeout: 600_000,
        },
      },
      {
        resolve,
        ssr,
        // Whole commands are run, some of them for seconds.
        test: {
          name: 'scripts',
          include: ['scripts/test/**/*.test.ts'],
          // The cluster is started in the long run.
          exclude: LONG ? [] : ['**/*.long.test.ts'],
          testTimeout: 600_000,
          hookTimeout: 600_000,
        },
      },
      {
        resolve,
        ssr,
        test: {
          name: 'server',
          isolate: false,
          include: ['server/test/**/*.test.ts'],
          globalSetup: ['server/test/setup.ts'],
          fileParallelism: false,
          testTimeout: 600_000,
          hookTimeout: 600_000,
        },
      },
      {
        resolve,
        ssr,
        test: {
          name: 'e2e',
          include: ['e2e/**/*.test.ts'],
          globalSetup: ['e2e/setup.ts'],
          // A browser waits more than it works: three keep two processors busy.
          maxWorkers: 3,
          sequence: { groupOrder: 1 },
          testTimeout: 600_000,
          hookTimeout: 600_000,
          // Many programs share the machine: a page may take its time, and is looked at until then.
          expect: { poll: { timeout: 120_000 } },
        },
      },
    ],
  },
});
