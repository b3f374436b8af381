import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { HeatProcessFile } from '@inch/core/heat';
import { CatalogueFile, catalogue, catalogueEntries, WarningFile } from '@inch/core/ingredient';
import { LabelFiguresFile, LabelWordsFile } from '@inch/core/label';
import { describe, expect, it } from 'vitest';

const CORE = join(import.meta.dirname, '../src');
const read = (file: string): unknown => JSON.parse(readFileSync(join(CORE, file), 'utf8'));
const inFolder = (folder: string) =>
  readdirSync(join(CORE, folder)).map((name) => [join(folder, name), name] as const);

const sources = read('ingredient/catalogue/sources.json') as Record<string, string>;
const ingredientFiles = inFolder('ingredient/catalogue')
  .filter(([, name]) => name !== 'sources.json' && name !== 'warnings.json')
  .map(([file]) => file);

describe('the data files are as their schemas say', () => {
  it.each([
    ...ingredientFiles.map((file) => [file, CatalogueFile] as const),
    ['ingredient/catalogue/warnings.json', WarningFile] as const,
    ['heat/processes.json', HeatProcessFile] as const,
    ...inFolder('label/words').map(([file]) => [file, LabelWordsFile] as const),
    ['label/figures.json', LabelFiguresFile] as const,
  ])('%s', (file, schema) => {
    expect(schema.safeParse(read(file)).error?.issues ?? []).toEqual([]);
  });
});

describe('ingredients', () => {
  it('each file of them is in the catalogue, and no id twice', () => {
    const inFiles = ingredientFiles.flatMap((file) =>
      (read(file) as { entries: { id: string }[] }).entries.map(({ id }) => id),
    );
    expect(catalogue.map(({ id }) => id).sort()).toEqual(inFiles.sort());
    expect(new Set(inFiles).size).toBe(inFiles.length);
  });

  it('name sources that are known, each of which is named by one', () => {
    const named = new Set(catalogueEntries.flatMap((entry) => Object.keys(entry.sources ?? {})));
    expect([...named].sort()).toEqual(Object.keys(sources).sort());
  });

  it('a kind has the figures of the entry that it is like, and a name of its own', () => {
    const kinds = catalogueEntries.filter((entry) => 'like' in entry);
    expect(kinds.length).toBeGreaterThan(10);
    const byId = new Map(catalogue.map((entry) => [entry.id, entry]));
    for (const { id, like } of kinds) {
      const [kind, of] = [byId.get(id)!, byId.get(like)!];
      expect(kind.per100g).toEqual(of.per100g);
      expect(kind.acidity).toEqual(of.acidity);
      expect(kind.name).not.toBe(of.name);
    }
  });

  it('the parts of 100 g are no more than 100 g', () => {
    for (const { id, per100g } of catalogue)
      expect(
        Object.values(per100g).reduce((sum, grams) => sum + grams, 0),
        id,
      ).toBeLessThan(100.05);
  });
});
