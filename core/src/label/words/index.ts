import { cy } from './cy.ts';
import { en } from './en.ts';
import { es } from './es.ts';
import { fr } from './fr.ts';
import type { LabelWords, Language } from './types.ts';

export type { AdditiveClass, LabelWords, Language } from './types.ts';
export { LANGUAGES } from './types.ts';

/** The fixed words of a label, by language. */
export const labelWords: Readonly<Record<Language, LabelWords>> = { en, fr, es, cy };
