import type { Ingredient } from '../types.ts';
import { FDC, pantry, per100g } from './make.ts';

const BODYLESS = 'A sweetener gives neither body nor keeping: what sugar did for the pan is gone.';
const neutral = { kind: 'neutral' } as const;

const sweetener = (id: string, name: string, labelName: string, dry: number, gramsPerCup: number) =>
  pantry(id, name, 'sweetener', per100g([100 - dry, 0, 0, 0, 0]), neutral, {
    labelName,
    gramsPerMl: { cup: gramsPerCup / 236.588 },
    caution: BODYLESS,
    source: `${FDC}; declare it by its name and function`,
  });

export const sweeteners: readonly Ingredient[] = [
  sweetener('erythritol', 'Erythritol', 'erythritol', 99.5, 190),
  sweetener('xylitol', 'Xylitol', 'xylitol', 99.5, 190),
  sweetener('stevia', 'Stevia glycosides', 'steviol glycosides', 95, 100),
  sweetener('sucralose', 'Sucralose', 'sucralose', 98, 100),
];
