import type { LotView } from '@inch/contract/lot';
import { LARGEST_PHOTOGRAPH, type Photograph, photographRoutes } from '@inch/contract/photograph';
import { useQuery } from '@tanstack/react-query';
import { Camera } from 'lucide-react';
import { type ReactNode, useRef } from 'react';
import { toast } from 'sonner';
import { urlOf } from '../data/address.ts';
import { ApiProblem, call, ServerAway } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useMayWrite } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { clockTime, dayMonth } from '../ui/dates.ts';

type Step = LotView['steps'][number];

/** Sends a photograph as it is; the server keeps it smaller and without its location. */
async function send(
  lotId: string,
  of: { stepId: string } | { readingId: string },
  file: File,
  id: string,
): Promise<void> {
  if (file.size > LARGEST_PHOTOGRAPH) throw new Error('That picture is over 12 MB. Take it smaller.');
  const address = urlOf(photographRoutes.take.path, { id: lotId }, { id, ...of });
  const response = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': file.type },
    body: file,
  }).catch(() => {
    throw new ServerAway();
  });
  if (!response.ok) throw new ApiProblem(response.status, await response.json().catch(() => ({})));
}

function Picture({ photo, of }: { photo: Photograph; of: string }) {
  return (
    <figure className="w-36">
      <a href={urlOf(photographRoutes.image.path, { id: photo.id })} target="_blank" rel="noreferrer">
        <img
          src={urlOf(photographRoutes.image.path, { id: photo.id })}
          alt={`Lot ${of}, ${dayMonth(photo.at)} ${clockTime(photo.at)}${photo.words ? `: ${photo.words}` : ''}`}
          className="h-24 w-36 rounded-lg border border-steel-line object-cover"
        />
      </a>
      <figcaption className="figure text-sm text-ink-2">
        {of} {clockTime(photo.at)}
      </figcaption>
    </figure>
  );
}

/** Chooses or takes a picture and sends it; what opens the camera is the child. */
function TakePicture({
  lotId,
  of,
  label,
  children,
}: {
  lotId: string;
  of: { stepId: string } | { readingId: string };
  label: string;
  children: (open: () => void, busy: boolean) => ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  const write = useWrite(
    'entry',
    (file: File, idOf) => send(lotId, of, file, idOf(`${file.name} ${file.size} ${file.lastModified}`)),
    {
      after: () => toast.success('Photograph saved, without its location'),
    },
  );
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) write.run(file);
          event.target.value = '';
        }}
      />
      {children(() => input.current?.click(), write.busy)}
    </>
  );
}

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
