/** The sound of a spoon on the rim of an enamel pan: made by the page, nothing is played from a file. */
let context: AudioContext | null = null;

/** A page may sound only once it has been touched: the first touch or key readies it. */
export function readySound(): void {
  const ready = () => {
    context ??= new AudioContext();
    void context.resume();
  };
  for (const event of ['pointerdown', 'keydown'] as const)
    window.addEventListener(event, ready, { once: true, passive: true });
}

const PARTIALS = [
  { hertz: 1180, share: 1, fades: 0.9 },
  { hertz: 2870, share: 0.45, fades: 0.5 },
  { hertz: 5120, share: 0.2, fades: 0.25 },
];

function tap(sound: AudioContext, at: number): void {
  for (const { hertz, share, fades } of PARTIALS) {
    const tone = new OscillatorNode(sound, { frequency: hertz });
    const loud = new GainNode(sound, { gain: 0 });
    loud.gain.setValueAtTime(0, at);
    loud.gain.linearRampToValueAtTime(0.25 * share, at + 0.004);
    loud.gain.exponentialRampToValueAtTime(0.0005, at + fades);
    tone.connect(loud).connect(sound.destination);
    tone.start(at);
    tone.stop(at + fades);
  }
}

/** Three taps; false where the page has not been touched yet and may not sound. */
export function ring(taps = 3): boolean {
  if (context?.state !== 'running') return false;
  for (let i = 0; i < taps; i++) tap(context, context.currentTime + i * 0.28);
  return true;
}
