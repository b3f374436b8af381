import { titratableAcidity, titrationEndpoint } from '@inch/core/acid';
import { useState } from 'react';
import { figureIn } from '../ui/typed.ts';
import { curveFrom } from './curve.ts';

/** Acids that a titration is told as. */
export const ACIDS = ['citric', 'malic', 'tartaric', 'acetic', 'lactic'] as const;
type Acid = (typeof ACIDS)[number];

/** What a titration comes to. */
export interface Worked {
  endpointMl: number;
  gramsPerLitre: number;
}

function workedOut(
  points: ReturnType<typeof curveFrom>['points'],
  at: {
    endpoint: number | null;
    normality: number | null;
    sampleMl: number | null;
    acid: Acid;
  },
): Worked | string {
  if (points.length < 2) return 'Two readings at least: before any base, and past the endpoint.';
  try {
    const endpointMl = titrationEndpoint(points, { ph: at.endpoint });
    const gramsPerLitre = titratableAcidity({
      titrantMl: endpointMl,
      normality: at.normality ?? 0,
      sampleMl: at.sampleMl ?? 0,
      as: at.acid,
    });
    return { endpointMl, gramsPerLitre };
  } catch (error) {
    return (error as Error).message;
  }
}

/** What is asked of a titration, as typed. */
export interface Answers {
  readings: string;
  normality: string;
  sample: string;
  acid: Acid;
  by: '8.2' | 'steepest';
  /** Whether a figure of it came from the simulated bench. */
  simulated: boolean;
}

/** The titration as typed so far, and what it comes to. */
export function useTitration() {
  const [answers, setAnswers] = useState<Answers>({
    readings: '',
    normality: '0.1',
    sample: '10',
    acid: 'citric',
    by: '8.2',
    simulated: false,
  });
  const { points, unread } = curveFrom(answers.readings);
  const endpoint = answers.by === 'steepest' ? null : 8.2;
  const [normality, sampleMl] = [figureIn(answers.normality), figureIn(answers.sample)];
  const worked = workedOut(points, { endpoint, normality, sampleMl, acid: answers.acid });
  return {
    answers,
    points,
    unread,
    endpoint,
    normality,
    sampleMl,
    worked,
    set: (part: Partial<Answers>) => setAnswers((before) => ({ ...before, ...part })),
  };
}

export type Titrating = ReturnType<typeof useTitration>;
