import jsQR from 'jsqr';
import { type RefObject, useEffect, useRef, useState } from 'react';

export type CameraState = 'asking' | 'looking' | 'none' | 'refused' | 'not here';

/** Milliseconds between looks: a slow tablet keeps up, and a hand holds still so long. */
const EVERY = 180;
/** px that a look is made smaller to. */
const LOOK_WIDTH = 720;

function look(video: HTMLVideoElement, canvas: HTMLCanvasElement): string | null {
  if (video.readyState < video.HAVE_CURRENT_DATA || video.videoWidth === 0) return null;
  const scale = Math.min(1, LOOK_WIDTH / video.videoWidth);
  canvas.width = Math.round(video.videoWidth * scale);
  canvas.height = Math.round(video.videoHeight * scale);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(video, 0, 0, canvas.width, canvas.height);
  const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height);
  return jsQR(data, width, height)?.data ?? null;
}

/** The camera of the device looks for a code until it finds one; it is let go when the page is left. */
export function useCamera(found: (text: string) => void): {
  video: RefObject<HTMLVideoElement | null>;
  state: CameraState;
} {
  const video = useRef<HTMLVideoElement>(null);
  const report = useRef(found);
  report.current = found;
  const [state, setState] = useState<CameraState>('asking');
  useEffect(() => {
    if (!navigator.mediaDevices?.getUserMedia) {
      setState('not here');
      return;
    }
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setInterval> | undefined;
    let left = false;
    const canvas = document.createElement('canvas');
    navigator.mediaDevices
      .getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } } })
      .then(async (opened) => {
        stream = opened;
        if (left || !video.current) {
          for (const track of opened.getTracks()) track.stop();
          return;
        }
        video.current.srcObject = opened;
        await video.current.play().catch(() => undefined);
        setState('looking');
        timer = setInterval(() => {
          const text = video.current && look(video.current, canvas);
          if (text) report.current(text);
        }, EVERY);
      })
      .catch((error: unknown) => setState((error as Error).name === 'NotAllowedError' ? 'refused' : 'none'));
    return () => {
      left = true;
      clearInterval(timer);
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
  }, []);
  return { video, state };
}
