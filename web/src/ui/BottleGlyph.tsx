/** A small bottle with its level: full at 1. */
export function BottleGlyph({
  share,
  colour,
  height = 40,
  label,
}: {
  share: number;
  colour: string;
  height?: number;
  label?: string;
}) {
  const level = Math.max(0, Math.min(1, share)) * 27;
  const shape =
    'M7.5 1.5h5v8.5c0 2.5 6 3.5 6 9V36a2.5 2.5 0 0 1-2.500 2.500h-12A2.500 2.500 0 0 1 1.500 36V19c0-5.500 6-6.500 6-9z';
  return (
    <svg
      viewBox="0 0 20 40"
      height={height}
      width={height / 2}
      role={label ? 'img' : undefined}
      aria-label={label}
      aria-hidden={label ? undefined : true}
    >
      <path d={shape} fill="var(--enamel)" stroke="var(--ink-2)" strokeWidth="1.4" />
      <clipPath id={`b${level.toFixed(1)}`}>
        <rect className="level" x="3" y={36.8 - level} width="14" height={level} />
      </clipPath>
      <path
        d={shape}
        transform="translate(1.3 1.6) scale(.87 .92)"
        fill={colour}
        clipPath={`url(#b${level.toFixed(1)})`}
      />
    </svg>
  );
}

/** A jar with its liquid, for counting what was filled. */
export function JarGlyph({ colour, failed = false }: { colour: string; failed?: boolean }) {
  return (
    <svg viewBox="0 0 24 30" width="24" height="30" aria-hidden="true">
      <rect x="5" y="1" width="14" height="4.500" rx="1.200" fill={failed ? 'var(--stop)' : 'var(--steel)'} />
      <path
        d="M4 9c0-2 2-3 2-3h12s2 1 2 3v17a2.500 2.500 0 0 1-2.500 2.500h-11A2.500 2.500 0 0 1 4 26z"
        fill="var(--enamel)"
        stroke="var(--ink-2)"
        strokeWidth="1.200"
      />
      <path
        d="M5.800 11h12.400v14.600a1.500 1.500 0 0 1-1.500 1.500H7.300a1.500 1.500 0 0 1-1.500-1.500z"
        fill={failed ? 'none' : colour}
      />
      {failed && <path d="M8 13l8 10M16 13L8 23" stroke="var(--stop)" strokeWidth="1.800" />}
    </svg>
  );
}
