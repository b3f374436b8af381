/** One kind of bottle or jar, as far as its packaging goes. */
export interface PackedIn {
  id: string;
  name: string;
  closure: string;
}

/** A kind of packaging: what it is called, how many go with each bottle, whether it comes back to be used again. */
export interface Packaging {
  thing: string;
  name: string;
  comesBack: boolean;
}

const CLOSURES: Readonly<Record<string, readonly Packaging[]>> = {
  'two-piece-lid': [
    { thing: 'lid:two-piece', name: 'Flat lids', comesBack: false },
    { thing: 'ring:two-piece', name: 'Rings', comesBack: true },
  ],
  'screw-cap': [{ thing: 'lid:screw', name: 'Screw caps', comesBack: false }],
  'swing-top': [{ thing: 'lid:swing', name: 'Swing-top rubbers', comesBack: false }],
  'crown-cap': [{ thing: 'lid:crown', name: 'Crown caps', comesBack: false }],
  cork: [{ thing: 'lid:cork', name: 'Corks', comesBack: false }],
};

/** Labels are stock as well: one goes with each print. */
export const LABELS: Packaging = { thing: 'label', name: 'Blank labels', comesBack: false };

/**
 * What one filled bottle of a kind takes, one of each: the glass, and what closes it. Rings come off again, flat lids never.
 * @example packagingFor({ id: 'jar', name: 'Half-pint jar', closure: 'two-piece-lid' }).map((p) => p.thing) // ['bottle:jar', 'lid:two-piece', 'ring:two-piece']
 */
export const packagingFor = (container: PackedIn): Packaging[] => [
  { thing: `bottle:${container.id}`, name: container.name, comesBack: false },
  ...(CLOSURES[container.closure] ?? []),
];

/**
 * Every kind of packaging a kitchen may have stock of.
 * @example packagingOf([]).map((p) => p.thing) // ['label']
 */
export function packagingOf(containers: readonly PackedIn[]): Packaging[] {
  const all = [...containers.flatMap(packagingFor), LABELS];
  return all.filter((p, i) => all.findIndex((other) => other.thing === p.thing) === i);
}
