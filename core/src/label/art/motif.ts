import type { Art } from './art.ts';
import { mixed } from './colour.ts';

const round = (n: number): string => String(Math.round(n * 100) / 100);

/** A leaf from its stalk to its tip, so many mm long and broad, turned by an angle in radians. */
function leaf(x: number, y: number, long: number, broad: number, angle: number, fill: string): Art {
  const at = (along: number, across: number): string => {
    const px = x + along * Math.cos(angle) - across * Math.sin(angle);
    const py = y + along * Math.sin(angle) + across * Math.cos(angle);
    return `${round(px)} ${round(py)}`;
  };
  const d = `M ${at(0, 0)} C ${at(long * 0.3, broad)} ${at(long * 0.75, broad * 0.8)} ${at(long, 0)} C ${at(long * 0.75, -broad * 0.35)} ${at(long * 0.3, -broad * 0.5)} ${at(0, 0)} Z`;
  return { kind: 'path', d, fill };
}

/** A sprig of the lot's fruit: three of it in its own colour under two leaves, in a square of so many mm about a middle. */
export function sprig(x: number, y: number, size: number, colour: string): Art[] {
  const r = size * 0.19;
  const berries: [number, number, number][] = [
    [-0.2, 0.12, 0],
    [0.2, 0.14, 0.12],
    [0, -0.16, 0.22],
  ];
  const green = mixed('#3F6B3A', colour, 0.15);
  const leaves = [
    leaf(x, y - size * 0.3, size * 0.42, size * 0.13, -0.35, green),
    leaf(x, y - size * 0.3, size * 0.4, size * 0.12, Math.PI + 0.5, mixed(green, '#FFFFFF', 0.2)),
  ];
  return [
    ...leaves,
    ...berries.flatMap(([dx, dy, lighter]): Art[] => [
      { kind: 'circle', x: x + dx * size, y: y + dy * size, r, fill: mixed(colour, '#FFFFFF', lighter) },
      {
        kind: 'circle',
        x: x + dx * size - r * 0.35,
        y: y + dy * size - r * 0.35,
        r: r * 0.2,
        fill: mixed(colour, '#FFFFFF', 0.7),
      },
    ]),
  ];
}

/** A row of small rounds along an edge, like the crimp of a cap: what parts a coloured ground from the paper. */
export function scallops(x: number, y: number, width: number, pitch: number, fill: string): Art[] {
  const count = Math.max(1, Math.round(width / pitch));
  const each = width / count;
  return Array.from({ length: count }, (_, i) => ({
    kind: 'circle' as const,
    x: x + each * (i + 0.5),
    y,
    r: each / 2,
    fill,
  }));
}
