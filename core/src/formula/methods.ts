import { z } from 'zod';
import type { Range } from '../ingredient/index.ts';
import type { Texture } from './texture.ts';

export const ExtractionMethod = z.enum(['cold', 'cooked', 'infused', 'blended', 'peel', 'jar']);
export type ExtractionMethod = z.infer<typeof ExtractionMethod>;
export const StrainMethod = z.enum(['press', 'drip', 'filter']);
export type StrainMethod = z.infer<typeof StrainMethod>;

export interface ExtractionFacts {
  name: string;
  /** What the step is called when it is added. */
  title: string;
  /** Share of the fruit's own water and solids that comes out, by its texture: low, typical, high of kitchen practice. */
  draws: Readonly<Record<Texture, Range>>;
  celsius: number;
  minutes: number;
  /** What it asks of the cook, and what it gives. */
  says: string;
}

/**
 * The schools of drawing flavour, each with its clock, yield and clarity. Shares are typical of practice: your own yields count more.
 * Grated or mashed gives most, firm fruit in large pieces and dried fruit least.
 */
export const extractionMethods: Record<ExtractionMethod, ExtractionFacts> = {
  cold: {
    name: 'Cold, with sugar',
    title: 'Rest with the sugar, covered and cold',
    draws: {
      fine: [0.65, 0.8, 0.9],
      soft: [0.6, 0.75, 0.85],
      chopped: [0.45, 0.6, 0.75],
      firm: [0.3, 0.45, 0.65],
      dried: [0.2, 0.4, 0.6],
    },
    celsius: 5,
    minutes: 2880,
    says: 'Sugar draws the juice by itself. Bright and clear; never heated unless a later step does it.',
  },
  cooked: {
    name: 'Cooked soft',
    title: 'Simmer until soft',
    draws: {
      fine: [0.9, 0.96, 0.99],
      soft: [0.88, 0.95, 0.99],
      chopped: [0.84, 0.92, 0.98],
      firm: [0.75, 0.88, 0.96],
      dried: [0.72, 0.86, 0.95],
    },
    celsius: 95,
    minutes: 25,
    says: 'Cooked and mashed: most juice, most pectin, darker and rounder.',
  },
  infused: {
    name: 'Infused in water',
    title: 'Pour boiling water over, cover, steep',
    draws: {
      fine: [0.6, 0.78, 0.9],
      soft: [0.5, 0.7, 0.85],
      chopped: [0.42, 0.62, 0.8],
      firm: [0.3, 0.5, 0.7],
      dried: [0.5, 0.7, 0.85],
    },
    celsius: 80,
    minutes: 60,
    says: 'Steeped and strained: flavour without pulp. What it is made of decides whether it is acid.',
  },
  blended: {
    name: 'Blended raw',
    title: 'Blend with the water',
    draws: {
      fine: [0.92, 0.97, 1],
      soft: [0.92, 0.97, 1],
      chopped: [0.88, 0.95, 0.99],
      firm: [0.85, 0.93, 0.98],
      dried: [0.7, 0.86, 0.95],
    },
    celsius: 20,
    minutes: 5,
    says: 'Everything comes out, pulp and bitterness too. Cloudy unless it is filtered.',
  },
  peel: {
    name: 'Peel with sugar',
    title: 'Rub the peel with sugar, cover, leave for its oil',
    draws: {
      fine: [0.25, 0.42, 0.6],
      soft: [0.2, 0.35, 0.5],
      chopped: [0.2, 0.35, 0.5],
      firm: [0.15, 0.28, 0.45],
      dried: [0.1, 0.22, 0.4],
    },
    celsius: 20,
    minutes: 720,
    says: 'Sugar draws the oil out of the peel. Left too long, it turns bitter.',
  },
  jar: {
    name: 'Steeped in the jar',
    title: 'Fruit, sugar and water in the jar, closed',
    draws: {
      fine: [0.85, 0.93, 1],
      soft: [0.8, 0.9, 1],
      chopped: [0.7, 0.84, 0.96],
      firm: [0.55, 0.75, 0.92],
      dried: [0.65, 0.82, 0.95],
    },
    celsius: 20,
    minutes: 20160,
    says: 'It draws in the closed jar and stays in. pH is read from an opened jar, blended with its fruit.',
  },
};

export interface StrainFacts {
  name: string;
  /** Share of the liquid that comes through. */
  keeps: Range;
  /** Share of what does not dissolve that comes through with it. */
  pulp: number;
  says: string;
}

/** How a drawn pan is parted from its fruit: yields typical of practice. */
export const strainMethods: Record<StrainMethod, StrainFacts> = {
  press: {
    name: 'pressed',
    keeps: [0.8, 0.87, 0.93],
    pulp: 0.15,
    says: 'pressed for yield and body; it will be cloudy',
  },
  drip: {
    name: 'left to drip',
    keeps: [0.64, 0.74, 0.82],
    pulp: 0.01,
    says: 'left to drip for clarity; a quarter stays in the cloth',
  },
  filter: { name: 'filtered', keeps: [0.93, 0.97, 0.99], pulp: 0, says: 'filtered clear' },
};

/** From this temperature on, °C, a pan drives spirit off. */
export const DRIVES_OFF = 75;

/**
 * Temperature in °C at which a draw or a heating is held: its own, its method's, or that of a pan that boils or does not.
 * @example heldAt({ kind: 'draw', method: 'cooked' }) // 95
 */
export function heldAt(step: {
  kind: string;
  method?: ExtractionMethod | undefined;
  celsius?: number | undefined;
  killStep?: boolean | undefined;
}): number {
  if (step.celsius !== undefined) return step.celsius;
  if (step.kind === 'heat') return 90;
  return step.method
    ? Math.max(extractionMethods[step.method].celsius, step.killStep ? 90 : 0)
    : step.killStep
      ? 95
      : 20;
}
