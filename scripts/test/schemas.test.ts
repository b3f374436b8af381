import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { ROOT } from '../src/machine/root.mjs';
import { publishedSchemas } from '../src/schemas.mjs';

it.each(Object.entries(publishedSchemas()))('docs/%s.schema.json is as its schema says', (name, schema) => {
  const published = readFileSync(join(ROOT, 'docs', `${name}.schema.json`), 'utf8');
  expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(schema)));
});
