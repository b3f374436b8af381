import { type ComponentProps, useRef } from 'react';
import { Button } from './Button.tsx';

/** A button that asks for a file. */
export function FileButton({
  label,
  accept,
  onFile,
  ...button
}: { label: string; accept: string; onFile: (file: File) => void } & Omit<
  ComponentProps<typeof Button>,
  'onClick'
>) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...button} onClick={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          // The same file may be chosen again.
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}
