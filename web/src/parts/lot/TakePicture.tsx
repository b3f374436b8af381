import { LARGEST_PHOTOGRAPH, type Photograph, photographRoutes } from '@inch/contract/making/photograph';
import { type ReactNode, useRef } from 'react';
import { toast } from 'sonner';
import { urlOf } from '../../data/address.ts';
import { ApiProblem, ServerAway } from '../../data/api.ts';
import { useWrite } from '../../data/useWrite.ts';
import { clockTime, dayMonth } from '../../ui/dates.ts';

/** What a photograph is of: a step, a reading, or what its words say. */
type PictureOf = { stepId: string } | { readingId: string } | { words: string };

/** Sends a photograph as it is; the server keeps it smaller and without its location. */
async function send(lotId: string, of: PictureOf, file: File, id: string): Promise<void> {
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

/** A photograph with the lot it is of and its time. */
export function Picture({ photo, of }: { photo: Photograph; of: string }) {
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
export function TakePicture({
  lotId,
  of,
  label,
  children,
}: {
  lotId: string;
  of: PictureOf;
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
