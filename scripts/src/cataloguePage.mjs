import { baseBound, extractionMethods, TEXTURES, textureOf } from '@inch/core/formula';
import { catalogue, catalogueEntries } from '@inch/core/ingredient';

const FAMILIES = {
  fruit: 'Fruit',
  juice: 'Juices, milks and brewed things',
  sugar: 'Sugars and syrups',
  sweetener: 'Sweeteners',
  acid: 'Acids and their salts',
  vinegar: 'Vinegars',
  spirit: 'Spirits, wine and beer',
  water: 'Water',
  plant: 'Herbs, flowers, roots and vegetables',
  flavouring: 'Spices, dried plants, peels and flavourings',
  preservative: 'Preservatives',
};

const figure = (value, digits = 1) => String(Number(value.toFixed(digits)));
const range = (values) =>
  values[0] === values[2] ? figure(values[1], 2) : `${figure(values[0], 2)}–${figure(values[2], 2)}`;

function acidity(entry) {
  const { acidity: a } = entry;
  if (a.kind === 'juice')
    return `pH ${range(a.ph)}, ${range(a.taPer100g)} g${a.freshWater === undefined ? '' : ' (fresh)'}`;
  if (a.kind === 'acid') return `${a.acid} ${figure(a.per100g)} g`;
  if (a.kind === 'vinegar')
    return a.aceticPer100g === null ? 'to be titrated' : `acetic ${figure(a.aceticPer100g)} g`;
  if (a.kind === 'salt')
    return `${a.acid ? `${a.acid} ${figure(a.molPer100g, 2)} mol, ` : ''}base ${figure(a.basePer100g, 2)} eq`;
  if (a.kind === 'unknown')
    return `${a.ph ? `pH ${range(a.ph)}, ` : ''}base at most ${figure(1000 * baseBound(entry), 1)} meq`;
  return 'neither acid nor base';
}

function weights(entry) {
  const perCup = entry.gramsPerMl?.cup ?? entry.gramsPerMl?.spoon;
  const pieces = Object.entries(entry.gramsPerPiece ?? {}).map(
    ([name, grams]) => `${figure(grams, 2)} g ${name === 'each' ? 'each' : `a ${name}`}`,
  );
  return [perCup === undefined ? '' : `${figure(perCup * 236.588, 0)} g a US cup`, ...pieces]
    .filter(Boolean)
    .join(', ');
}

const texture = (entry) =>
  !entry.liquid && ['fruit', 'plant', 'flavouring'].includes(entry.family) ? textureOf(entry, undefined) : '';

const TEXTURE_WORDS = {
  fine: 'grated or mashed',
  soft: 'soft, or frozen',
  chopped: 'firm, chopped',
  firm: 'firm, large pieces',
  dried: 'dried',
};

/** What comes out of a thing by how it is drawn and by its texture, typical with its range. */
function draws() {
  const rows = Object.values(extractionMethods).map(({ name, draws }) => {
    const cells = TEXTURES.map((t) => {
      const [low, typical, high] = draws[t].map((share) => Math.round(share * 100));
      return `${typical} (${low}–${high})`;
    });
    return `| ${[name, ...cells].join(' | ')} |`;
  });
  return `## What comes out of a thing, % of its water and solids\n\nTypical of kitchen practice: set your own share at the step once you have weighed it. An amount that says "chopped", "grated" or "crushed" is taken as cut so.\n\n| drawn | ${TEXTURES.map((t) => TEXTURE_WORDS[t]).join(' | ')} |\n|---|${'---:|'.repeat(TEXTURES.length)}\n${rows.join('\n')}\n`;
}

function notes(entry) {
  return [
    entry.lowAcid ? 'low-acid' : '',
    entry.frozen || entry.poisonousRaw ? 'boil it' : '',
    entry.pectinRich ? 'may set' : '',
    entry.servingOnly ? 'at serving only' : '',
    entry.shares
      ? `zest ${figure(100 * entry.shares.zest, 0)} %, pith ${figure(100 * entry.shares.pith, 0)} %, juice ${figure(100 * entry.shares.juice, 0)} %, pips ${figure(100 * entry.shares.pips, 0)} %`
      : '',
    entry.allergens.length > 0 ? `allergens: ${entry.allergens.join(', ')}` : '',
  ]
    .filter(Boolean)
    .join('; ');
}

const asWritten = new Map(catalogueEntries.map((entry) => [entry.id, entry]));

function readAgainst({ id }) {
  const entry = asWritten.get(id);
  const sources = entry.sources ?? asWritten.get(entry.like).sources;
  return Object.values(sources).filter(Boolean).sort().at(-1) ?? 'not yet';
}

const cell = (text) => text.replace(/\|/g, '/');

function row(entry) {
  const { water, sucrose, glucose, fructose, insoluble, ethanol } = entry.per100g;
  const cells = [
    entry.name,
    figure(water),
    figure(sucrose),
    figure(glucose),
    figure(fructose),
    figure(insoluble),
    ethanol ? figure(ethanol) : '',
    acidity(entry),
    weights(entry),
    texture(entry),
    notes(entry),
    entry.source,
    readAgainst(entry),
  ];
  return `| ${cells.map(cell).join(' | ')} |`;
}

/** The catalogue as a page: every entry with its figures and where they come from. */
export function cataloguePage() {
  const sections = Object.entries(FAMILIES).flatMap(([family, title]) => {
    const entries = catalogue.filter((entry) => entry.family === family);
    if (entries.length === 0) return [];
    const sorted = entries.toSorted((a, b) => a.name.localeCompare(b.name, 'en'));
    return [
      `## ${title}\n\n| entry | water | sucrose | glucose | fructose | insoluble | ethanol | acidity | weighs | gives | mind | source | read against it |\n|---|---:|---:|---:|---:|---:|---:|---|---|---|---|---|---|\n${sorted.map(row).join('\n')}\n`,
    ];
  });
  return `# The catalogue\n\n${catalogue.length} entries, written by \`npm run catalogue\`. Grams of 100 g; what is neither water, sugar, acid nor insoluble is other dissolved solids. Acidity: pH, and titratable acidity as citric acid to pH 8.2 in g per 100 g, both with the width of what is published; the forecast takes their unsafe end. Where the acids of a thing are not known, its base is bounded: all of its minerals, or the worst of its family. Weigh and measure your own: they are preferred to these from then on. "Gives": its texture, for what comes out of it. The figures stand in the files of \`core/src/ingredient/catalogue\`, to be corrected there: each entry names its sources, and the day on which its figures were read against them.\n\n${draws()}\n${sections.join('\n')}`;
}
