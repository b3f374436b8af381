import type { LotView } from '@inch/contract/making/lot';
import { type Photograph, photographRoutes } from '@inch/contract/making/photograph';
import { useQuery } from '@tanstack/react-query';
import { Camera } from 'lucide-react';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useMayWrite } from '../data/session.tsx';
import { Picture, TakePicture } from '../parts/lot/TakePicture.tsx';
import { Button } from '../ui/Button.tsx';

type Step = LotView['steps'][number];

const usePhotographs = (lot: LotView) =>
  useQuery({
    queryKey: keys.one('photograph', lot.id),
    queryFn: () => call(photographRoutes.ofLot, { params: { id: lot.id } }),
  }).data;

/** The button that photographs a reading. */
export function PhotographReading({
  lot,
  readingId,
  named,
}: {
  lot: LotView;
  readingId: string;
  named: string;
}) {
  return (
    <TakePicture lotId={lot.id} of={{ readingId }} label={`A photograph of ${named}`}>
      {(open, busy) => (
        <Button
          size="small"
          tone="quiet"
          className="border-rim bg-enamel"
          aria-label={`Photograph ${named}`}
          disabled={busy}
          onClick={open}
        >
          <Camera size={16} aria-hidden="true" />
        </Button>
      )}
    </TakePicture>
  );
}

/** The pictures taken of a reading. */
export function ReadingPictures({ lot, readingId }: { lot: LotView; readingId: string }) {
  const own = usePhotographs(lot)?.own.filter((p) => p.readingId === readingId) ?? [];
  if (own.length === 0) return null;
  return (
    <div className="mt-1 flex flex-wrap gap-2">
      {own.map((photo) => (
        <Picture key={photo.id} photo={photo} of={lot.code} />
      ))}
    </div>
  );
}

/** Photographs of this step, beside those of the same step of the last lot. */
export function Photographs({ lot, step }: { lot: LotView; step: Step }) {
  const mayWrite = useMayWrite();
  const data = usePhotographs(lot);
  const here = (list: readonly Photograph[]) => list.filter((p) => p.formulaStepId === step.formulaStepId);
  const own = here(data?.own ?? []);
  const before = here(data?.before?.photographs ?? []);
  if (!mayWrite && own.length + before.length === 0) return null;
  return (
    <section aria-label="Photographs" className="mt-5">
      {mayWrite && (
        <TakePicture lotId={lot.id} of={{ stepId: step.id }} label="A photograph of this step">
          {(open, busy) => (
            <Button tone="quiet" className="-ml-4 min-h-14 text-lg" disabled={busy} onClick={open}>
              <Camera size={22} aria-hidden="true" /> Photograph it
            </Button>
          )}
        </TakePicture>
      )}
      {own.length + before.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-3">
          {own.map((photo) => (
            <Picture key={photo.id} photo={photo} of={lot.code} />
          ))}
          {before.length > 0 && (
            <div className="flex flex-wrap gap-3 border-l border-steel-line pl-3">
              {before.map((photo) => (
                <Picture key={photo.id} photo={photo} of={data!.before!.code} />
              ))}
            </div>
          )}
        </div>
      )}
    </section>
  );
}
