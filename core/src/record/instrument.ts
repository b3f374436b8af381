import { choice, flag, group, list, nullable, number, text } from './field.ts';
import { kind } from './kind.ts';

/** Ways to check an instrument that has no buffers. */
export const CHECK_KINDS = ['water', 'weight', 'ice', 'boil', 'gravity', 'salt'] as const;

export const calibration = kind({
  noun: 'calibration',
  table: 'calibration',
  of: 'instrument',
  path: 'calibrations',
  summary: 'Calibrate a pH meter on its buffers',
  verb: 'calibrate',
  said: {
    points: list(
      group(
        {
          buffer: number(1, 13, 'Which buffer?'),
          mv: nullable(number(-600, 600, 'How many millivolts does it show?')),
          /** Of a pen that shows pH and no millivolts, once it was set on its buffers. */
          ph: nullable(number(0, 14, 'Which pH does it show?')),
          celsius: number(0, 40, 'How warm is the buffer, °C?'),
        },
        'Which buffer, and what does the meter show?',
      ),
      { min: 2, max: 6 },
      'Which buffers? Two at least: 7.00 and 4.01.',
    ),
  },
  kept: {
    slopePercent: number(-1e9, 1e9, 'Which slope, %?'),
    offsetMv: number(-1e9, 1e9, 'Which offset, mV?'),
    low: choice(['checked', 'failed', 'missing'], 'How did the third check go?'),
    accepted: flag('Is it accepted?'),
    reason: text(300, 'Why?'),
  },
});

export const check = kind({
  noun: 'check',
  table: 'instrument_check',
  of: 'instrument',
  path: 'checks',
  summary:
    'Check a refractometer or hydrometer on water, a scale on a known weight, a thermometer in ice or boiling water, a water activity meter on salt',
  verb: 'check',
  said: {
    kind: choice(CHECK_KINDS, 'Checked in what?'),
    read: number(-100, 200_000, 'What does it show?'),
    weightGrams: nullable(number(0, 50_000, 'How heavy is the known weight, g?', { over: true })),
  },
  kept: {
    expected: number(-1e6, 1e6, 'What should it show?'),
    accepted: flag('Is it accepted?'),
    reason: text(400, 'Why?'),
  },
});

/** How warm it was where bottles stand, by hand or off a logger: quality, never safety. */
export const placeTemperature = kind({
  noun: 'place-temperature',
  table: 'place_temperature',
  of: 'instrument',
  path: 'place-temperatures',
  summary: 'Record how warm it was where bottles stand',
  verb: 'read',
  said: {
    place: text(60, 'Where was it read?', 1),
    samples: list(
      group(
        {
          at: text(30, 'When? As 2026-11-25T09:10:00.000Z.', 1),
          celsius: number(-40, 60, 'How warm was it, °C?'),
        },
        'When, and how warm?',
      ),
      { min: 1, max: 3000 },
      'Which readings? One at least.',
    ),
  },
});
