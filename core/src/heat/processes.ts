import { z } from 'zod';
import { HeatProcess } from './process.ts';
import file from './processes.json' with { type: 'json' };

/** The data file of the processes that ship. */
export const HeatProcessFile = z.strictObject({
  $schema: z.string(),
  entries: z.array(
    HeatProcess.extend({
      /** The last band is open: null stands for it. */
      bands: z.array(z.strictObject({ toFeet: z.number().nullable(), minutes: z.number().gt(0) })),
      /** Where a figure is worked out from what the source says: how. */
      note: z.string().optional(),
    }).strict(),
  ),
});

/** Every process that ships: published figures and no others. */
export const heatProcesses: readonly HeatProcess[] = (file as z.infer<typeof HeatProcessFile>).entries.map(
  ({ note: _, ...process }) => ({
    ...process,
    bands: process.bands.map(({ toFeet, minutes }) => ({
      toFeet: toFeet ?? Number.POSITIVE_INFINITY,
      minutes,
    })),
  }),
);
