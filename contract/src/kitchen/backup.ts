import { z } from 'zod';
import { route } from '../route/route.ts';

/** The last copy of the whole database that was made and read back; null where there is none. */
export const Backup = z.object({
  last: z.object({ at: z.string(), file: z.string(), bytes: z.number().int().min(0) }).nullable(),
});
export type Backup = z.infer<typeof Backup>;

export const backupRoutes = {
  last: route({
    method: 'GET',
    path: '/api/backup',
    access: 'reader',
    summary: 'When the database was last backed up',
    response: Backup,
  }),
};
