import type { LotView } from '@inch/contract/making/lot';
import { photographRoutes } from '@inch/contract/making/photograph';
import { useQuery } from '@tanstack/react-query';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { Picture, TakePicture } from '../parts/lot/TakePicture.tsx';
import { Button } from '../ui/Button.tsx';

/** By these words a photograph of a bottle kept back is known from one of the stove. */
const WORDS = 'Bottle kept back';

/** Photographs of bottles kept back, oldest first: how the colour goes. */
export function LookPhotographs({ lot, mayWrite }: { lot: LotView; mayWrite: boolean }) {
  const { data } = useQuery({
    queryKey: keys.one('photograph', lot.id),
    queryFn: () => call(photographRoutes.ofLot, { params: { id: lot.id } }),
  });
  const own = (data?.own ?? []).filter((p) => p.words === WORDS);
  if (!mayWrite && own.length === 0) return null;
  return (
    <div className="mt-4 flex flex-wrap items-end gap-3">
      {own.map((photo) => (
        <Picture key={photo.id} photo={photo} of={lot.code} />
      ))}
      {mayWrite && (
        <TakePicture lotId={lot.id} of={{ words: WORDS }} label="Photograph of a bottle kept back">
          {(open, busy) => (
            <Button tone="plain" onClick={open} disabled={busy}>
              Add a photograph
            </Button>
          )}
        </TakePicture>
      )}
    </div>
  );
}
