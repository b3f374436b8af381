import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { leadsTo, scanned } from './scanned.ts';
import { type CameraState, useCamera } from './useCamera.ts';

const SAYS: Record<CameraState, string> = {
  asking: 'Waiting for the camera.',
  looking: 'Hold the code of a bottle, a tag or a stock lot into the frame.',
  none: 'This device has no camera that can be used. Type the code below.',
  refused: 'The camera was refused. Allow it for this address in the browser, or type the code below.',
  'not here': 'A camera needs a secure address (https). Type the code below.',
};

const NO_CODE = 'That is no code of a lot or of stock. A lot code is like 7F4H, a bottle 7F4H/12, stock S12.';

/** Finds a bottle by its code: by the camera, or typed. */
export function Scan() {
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<string | undefined>();
  const go = (text: string): void => {
    const of = scanned(text);
    if (of) navigate(leadsTo(of));
    else setWrong(NO_CODE);
  };
  const { video, state } = useCamera(go);
  return (
    <Sheet>
      <h1>Scan a code</h1>
      <p className="mt-1 text-ink-2" role="status">
        {SAYS[state]}
      </p>
      {(state === 'asking' || state === 'looking') && (
        <div className="relative mt-4 aspect-[4/3] w-full max-w-xl overflow-hidden rounded-xl bg-ink">
          <video
            ref={video}
            className="size-full object-cover"
            playsInline
            muted
            aria-label="What the camera sees"
          />
          <span aria-hidden="true" className="absolute inset-[18%] rounded-lg border-4 border-enamel/90" />
        </div>
      )}
      <form
        className="mt-5 flex max-w-xl items-start gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          go(typed);
        }}
      >
        <Field
          className="flex-1"
          label="Or type the code"
          figure
          autoCapitalize="characters"
          autoComplete="off"
          placeholder="7F4H/12"
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setWrong(undefined);
          }}
          error={wrong}
        />
        <Button type="submit" className="mt-6">
          Find
        </Button>
      </form>
    </Sheet>
  );
}
