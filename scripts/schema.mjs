import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './src/build.mjs';
import { ensurePackages } from './src/packages.mjs';
import { ROOT } from './src/root.mjs';
import { say } from './src/say.mjs';

/** Writes the published JSON Schemas anew: of a formula file, and of each data file that the core ships with. */
await ensurePackages();
await ensureBuilt(['server']);
const [{ formulaFileSchema }, { z }, ingredient, heat, label] = await Promise.all([
  import('../contract/dist/formulaFile.js'),
  import('zod'),
  import('@inch/core/ingredient'),
  import('@inch/core/heat'),
  import('@inch/core/label'),
]);
const of = (schema, title) => ({ ...z.toJSONSchema(schema, { io: 'input' }), title });
const schemas = {
  formula: formulaFileSchema(),
  catalogue: of(ingredient.CatalogueFile, 'Ingredients of Inch Pantry'),
  warnings: of(ingredient.WarningFile, 'What is poisonous or no food'),
  processes: of(heat.HeatProcessFile, 'Heat processes as they are published'),
  'label-words': of(label.LabelWordsFile, 'The fixed words of a label in one language'),
  'label-figures': of(label.LabelFiguresFile, 'Figures of foods that a label needs'),
};
for (const [name, schema] of Object.entries(schemas)) {
  const file = join('docs', `${name}.schema.json`);
  writeFileSync(join(ROOT, file), `${JSON.stringify(schema, null, 2)}\n`);
  say(file);
}
