import type { Look } from '@inch/core/lot';

export type Finding = Look['findings'][number] | 'clear';

const GLASS = 'M17 4h14v15c0 6 10 8 10 20v39a6 6 0 0 1-6 6H13a6 6 0 0 1-6-6V39c0-12 10-14 10-20z';

function Inside({ of, colour }: { of: Finding; colour: string }) {
  switch (of) {
    case 'haze':
      return <rect x="7" y="34" width="34" height="50" fill="#ffffff" opacity="0.45" />;
    case 'sediment':
      return <path d="M8 80q8-7 16-4t16 1v5a2 2 0 0 1-2 2H10a2 2 0 0 1-2-2z" fill="#3b2314" opacity="0.75" />;
    case 'separation':
      return (
        <>
          <rect x="7" y="34" width="34" height="20" fill="#ffffff" opacity="0.6" />
          <path d="M7 54h34" stroke="#141B2D" strokeWidth="1" strokeDasharray="2 2" />
        </>
      );
    case 'crystals':
      return (
        <g fill="#ffffff" stroke="#4A5468" strokeWidth="0.7">
          {[
            [13, 74],
            [21, 78],
            [29, 73],
            [34, 79],
            [25, 70],
          ].map(([x, y]) => (
            <path key={`${x}`} d={`M${x} ${y! - 4}l4 3-1 5h-6l-1-5z`} />
          ))}
        </g>
      );
    case 'browner':
      return <rect x="7" y="34" width="34" height="50" fill="#5a3a16" opacity="0.62" />;
    case 'paler':
      return <rect x="7" y="34" width="34" height="50" fill="#ffffff" opacity="0.62" />;
    case 'film':
      return (
        <path
          d="M8 34q5-4 9-1t8 0 8-1 7 2v4q-4 3-8 1t-8 1-8-1-8 0z"
          fill="#F4F1E4"
          stroke="#4A5468"
          strokeWidth="0.8"
        />
      );
    case 'gas':
      return (
        <g fill="none" stroke="#ffffff" strokeWidth="1.4">
          {[
            [14, 70, 2],
            [20, 58, 1.6],
            [30, 66, 2.2],
            [34, 50, 1.6],
            [24, 44, 2],
            [16, 40, 1.4],
            [31, 38, 1.6],
          ].map(([x, y, r]) => (
            <circle key={`${x}`} cx={x} cy={y} r={r} />
          ))}
        </g>
      );
    case 'mould':
      return (
        <g fill="#6F8F6A" stroke="#3F5A3C" strokeWidth="0.6">
          <circle cx="16" cy="36" r="5" />
          <circle cx="24" cy="34" r="3.600" fill="#E8EFE4" />
          <circle cx="32" cy="36" r="5.500" />
        </g>
      );
    case 'off-smell':
      return (
        <g fill="none" stroke="#A3154A" strokeWidth="1.800" strokeLinecap="round">
          <path d="M14 2q-4-5 0-9" transform="translate(2 14)" />
          <path d="M24 0q4-5 0-9" transform="translate(0 12)" />
          <path d="M34 2q-4-5 0-9" transform="translate(-2 14)" />
        </g>
      );
    case 'leak':
      return (
        <path d="M33 12q8 8 5 18t3 20" fill="none" stroke={colour} strokeWidth="3" strokeLinecap="round" />
      );
    default:
      return null;
  }
}

/** What may be found of a bottle, drawn in the lot's own colour: what to look for. */
export function FindingGlyph({ of, colour }: { of: Finding; colour: string }) {
  const lifted = of === 'lid-lifted';
  return (
    <svg viewBox="0 0 48 88" width="44" height="80" aria-hidden="true">
      <path d={GLASS} fill="var(--enamel)" />
      <path
        d="M8.500 34h31c1 2 1.500 4 1.500 6v38a6 6 0 0 1-6 6H13a6 6 0 0 1-6-6V40c0-2 .5-4 1.500-6z"
        fill={colour}
        opacity="0.9"
      />
      <Inside of={of} colour={colour} />
      <path d={GLASS} fill="none" stroke="var(--ink-2)" strokeWidth="1.600" />
      <rect
        x="15"
        y={lifted ? -1 : 1}
        width="18"
        height="6"
        rx="1.500"
        fill={lifted ? 'var(--stop)' : 'var(--steel)'}
        transform={lifted ? 'rotate(-14 24 3)' : undefined}
      />
    </svg>
  );
}
