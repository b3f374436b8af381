import { INK, PAPER } from './art.ts';

const channels = (hex: string): [number, number, number] => [
  Number.parseInt(hex.slice(1, 3), 16),
  Number.parseInt(hex.slice(3, 5), 16),
  Number.parseInt(hex.slice(5, 7), 16),
];

const toHex = (rgb: readonly number[]): string =>
  `#${rgb
    .map((c) =>
      Math.round(Math.max(0, Math.min(255, c)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

/**
 * A colour mixed with another: 0 is itself, 1 the other.
 * @example mixed('#000000', '#FFFFFF', 0.5) // '#808080'
 */
export function mixed(colour: string, other: string, share: number): string {
  const to = channels(other);
  return toHex(channels(colour).map((c, i) => c + (to[i]! - c) * share));
}

/** Relative luminance, 0–1. Source: WCAG 2.2. */
function luminance(colour: string): number {
  const [r, g, b] = channels(colour).map((c) => {
    const share = c / 255;
    return share <= 0.03928 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/**
 * Contrast of two colours, 1–21. Source: WCAG 2.2.
 * @example contrast('#000000', '#FFFFFF') // 21
 */
export const contrast = (a: string, b: string): number => {
  const [low, high] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number];
  return (high + 0.05) / (low + 0.05);
};

/** What is read best on a ground: white or ink. */
export const readOn = (ground: string): string =>
  contrast(ground, PAPER) >= contrast(ground, INK) ? PAPER : INK;
