import { parentPort } from 'node:worker_threads';
import { clashesOf, schedule } from '@inch/core/planning';

/** Lays one plan as the page's worker does, and says how far over its bound it is. */
parentPort.on('message', (setting) => {
  const { steps, finish, lowerBound } = schedule(setting, { seed: 20_261_219 });
  parentPort.postMessage({ over: finish / lowerBound, clashes: clashesOf(setting, steps).length });
});
