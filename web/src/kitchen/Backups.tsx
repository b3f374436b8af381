import { backupRoutes } from '@inch/contract/kitchen/backup';
import { useQuery } from '@tanstack/react-query';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { dayAndTime } from '../ui/dates.ts';
import { Ruled } from '../ui/Sheet.tsx';

/** When the whole database was last copied, and how. */
export function Backups() {
  const { data } = useQuery({ queryKey: keys.all('backup'), queryFn: () => call(backupRoutes.last) });
  return (
    <Ruled title="Backups" className="mt-8">
      {data && (
        <p className="py-3">
          {data.last ? (
            <>
              Last backup <span className="figure font-bold">{dayAndTime(data.last.at)}</span>,{' '}
              <span className="figure">{(data.last.bytes / 1e6).toFixed(1)} MB</span>
              <span className="block text-sm break-all text-ink-2">{data.last.file}</span>
            </>
          ) : (
            'No backup yet.'
          )}
        </p>
      )}
      <p className="max-w-prose text-sm text-ink-2">
        While the server runs, a backup is made every day; 7 daily, 5 weekly and 12 monthly ones are kept.
        Copy them to another disk as well: one on the same disk is lost with it.
      </p>
    </Ruled>
  );
}
