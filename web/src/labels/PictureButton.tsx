import { LARGEST_PICTURE, labelPictureRoutes } from '@inch/contract/making/labelPicture';
import { newId, sendFile } from '../data/api.ts';
import { useWrite } from '../data/useWrite.ts';
import { FileButton } from '../ui/FileButton.tsx';

/** Sends a picture or mark for labels: it is drawn anew on the server. */
export function PictureButton({ added }: { added: (id: string) => void }) {
  const write = useWrite(
    'label-picture',
    (file: File) => {
      if (file.size > LARGEST_PICTURE)
        throw new Error('That file is larger than 8 MB. Save it smaller, then send it again.');
      const name = file.name.replace(/\.[^.]+$/, '').slice(0, 120) || 'Picture';
      return sendFile(labelPictureRoutes.add, { id: newId(), name }, file);
    },
    { done: 'Picture added', after: ({ id }) => added(id) },
  );
  return (
    <FileButton
      label="Picture or mark as PNG, JPEG or SVG"
      accept="image/png,image/jpeg,image/svg+xml"
      tone="plain"
      disabled={write.busy}
      onFile={write.run}
    >
      Add a picture
    </FileButton>
  );
}
