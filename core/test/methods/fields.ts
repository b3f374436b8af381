import type { RecipeStep } from '@inch/core/recipe';

/** A step as the corpus writes it. */
export function asWritten(found: RecipeStep): string {
  const { step, ask } = found;
  const way = step.method ?? step.cloth;
  return [
    way ? `${step.kind}:${way}` : step.kind,
    step.minutes === undefined ? '' : `m${step.minutes}`,
    step.toCelsius !== undefined
      ? `c${step.toCelsius}`
      : step.celsius === undefined
        ? ''
        : `c${step.celsius}`,
    step.toFraction === undefined ? '' : `f${Number(step.toFraction.toFixed(3))}`,
    step.toBrix === undefined ? '' : `b${step.toBrix}`,
    step.lidOff ? 'off' : '',
    step.lidHalf ? 'half' : '',
    step.fire && step.fire !== 'medium' ? step.fire : '',
    step.killStep ? 'kill' : '',
    step.neverBoil ? 'never' : '',
    step.liquidAway ? 'away' : '',
    step.toThickness ? `look:${step.toThickness}` : '',
    ask === undefined ? '' : '?',
  ]
    .filter(Boolean)
    .join(' ');
}

/** Fields in which a step differs: what is said and not read, and what is read and not said. A temperature that nobody said is the program's own. */
export function differences(expected: string, found: string | undefined): string[] {
  const own = new Set((found ?? '').split(' '));
  const said = new Set(expected.split(' '));
  const missed = [...said].filter((field) => !own.has(field));
  const invented = [...own].filter((field) => !said.has(field) && !/^c\d/.test(field));
  return [...missed.map((f) => `−${f}`), ...invented.map((f) => `+${f}`)];
}
