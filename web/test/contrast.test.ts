import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const css = readFileSync(new URL('../src/theme.css', import.meta.url), 'utf8');

/** The colours that one theme declares, by name. */
function coloursOf(selector: string): Map<string, string> {
  const from = css.indexOf(`${selector} {`);
  const block = css.slice(from, css.indexOf('}', from));
  return new Map([...block.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map(([, name, hex]) => [name!, hex!]));
}

/** Relative luminance, WCAG 2.2. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((i) => Number.parseInt(hex.slice(i, i + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
const contrast = (one: string, other: string): number => {
  const [dark, light] = [luminance(one), luminance(other)].sort((a, b) => a - b);
  return (light! + 0.05) / (dark! + 0.05);
};

const GROUNDS = ['enamel', 'enamel-cool', 'page', 'rim-pale'];
/** Words and what they stand on. */
const WORDS: [string, string[]][] = [
  ['ink', [...GROUNDS, 'hold-pale', 'stop-pale', 'steel-high', 'steel-low']],
  ['ink-2', [...GROUNDS, 'hold-pale', 'stop-pale']],
  ['link', GROUNDS],
  ['go', ['enamel', 'enamel-cool', 'page']],
  ['hold', ['enamel', 'enamel-cool', 'page', 'hold-pale']],
  ['stop', ['enamel', 'enamel-cool', 'page', 'stop-pale']],
  ['on-rim', ['rim', 'rim-hover']],
  ['enamel', ['ink', 'go', 'stop']],
];

it('holds white against black as the standard says', () => {
  expect(contrast('#ffffff', '#000000')).toBeCloseTo(21, 6);
  expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
});

describe.each([':root', '[data-theme="dark"]'])('the colours of %s', (selector) => {
  const colours = coloursOf(selector);
  it.each(WORDS)('%s is read on what it stands on: 4.5 to 1', (word, grounds) => {
    for (const ground of grounds)
      expect(contrast(colours.get(word)!, colours.get(ground)!), `${word} on ${ground}`).toBeGreaterThan(4.5);
  });
  it('the edge of a field is seen: 3 to 1', () => {
    for (const ground of ['enamel', 'enamel-cool', 'page'])
      expect(contrast(colours.get('steel')!, colours.get(ground)!), ground).toBeGreaterThan(3);
  });
});
