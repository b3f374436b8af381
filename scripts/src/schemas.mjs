import { formulaFileSchema } from '@inch/contract/making/formulaFile';
import { HeatProcessFile } from '@inch/core/heat';
import { CatalogueFile, WarningFile } from '@inch/core/ingredient';
import { LabelFiguresFile, LabelWordsFile } from '@inch/core/label';
import { z } from 'zod';

const of = (schema, title) => ({ ...z.toJSONSchema(schema, { io: 'input' }), title });

/** The JSON Schemas that are published in `docs/`: of a formula file, and of each data file that the core ships with. */
export const publishedSchemas = () => ({
  formula: formulaFileSchema(),
  catalogue: of(CatalogueFile, 'Ingredients of Inch Pantry'),
  warnings: of(WarningFile, 'What is poisonous or no food'),
  processes: of(HeatProcessFile, 'Heat processes as they are published'),
  'label-words': of(LabelWordsFile, 'The fixed words of a label in one language'),
  'label-figures': of(LabelFiguresFile, 'Figures of foods that a label needs'),
});
