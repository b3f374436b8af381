import { type Art, codePath, type Face } from '@inch/core/label';
import { create } from 'qrcode';
import { useMemo } from 'react';
import { FAMILY } from './measure.ts';

function One({ art, picture, modules }: { art: Art; picture: string | null; modules: boolean[][] | null }) {
  switch (art.kind) {
    case 'text':
      return (
        <text
          x={art.x}
          y={art.y}
          fontSize={art.sizeMm}
          fontFamily={FAMILY}
          fontWeight={art.bold ? 700 : 400}
          fill={art.fill}
        >
          {art.text}
        </text>
      );
    case 'rect':
      return (
        <rect
          {...{ x: art.x, y: art.y, width: art.width, height: art.height }}
          fill={art.fill ?? 'none'}
          stroke={art.stroke}
          strokeWidth={art.stroke ? (art.lineMm ?? 0.2) : undefined}
        />
      );
    case 'circle':
      return <circle cx={art.x} cy={art.y} r={art.r} fill={art.fill ?? 'none'} stroke={art.stroke} />;
    case 'path':
      return <path d={art.d} fill={art.fill} />;
    case 'picture':
      return picture ? (
        <image href={picture} x={art.x} y={art.y} width={art.width} height={art.height} />
      ) : null;
    case 'code':
      return modules ? (
        <>
          <rect x={art.x} y={art.y} width={art.size} height={art.size} fill="#ffffff" />
          <path d={codePath(modules, art.x, art.y, art.size)} fill="#000000" />
        </>
      ) : null;
  }
}

function modulesOf(text: string): boolean[][] {
  const { modules } = create(text, { errorCorrectionLevel: 'Q' });
  return Array.from({ length: modules.size }, (_, row) =>
    Array.from({ length: modules.size }, (_unused, column) => modules.get(row, column) === 1),
  );
}

/** What of a face is drawn, in mm: the ground, the words, the code. */
export function FaceArt({
  face,
  picture,
  code,
}: {
  face: Face;
  picture: string | null;
  code: string | null;
}) {
  const modules = useMemo(() => (code === null ? null : modulesOf(code)), [code]);
  return (
    <>
      {face.round ? (
        <circle cx={face.widthMm / 2} cy={face.heightMm / 2} r={face.widthMm / 2} fill="#ffffff" />
      ) : (
        <rect width={face.widthMm} height={face.heightMm} fill="#ffffff" />
      )}
      {face.art.map((art, i) => (
        <One key={i} art={art} picture={picture} modules={modules} />
      ))}
      {face.hole && (
        <circle
          cx={face.hole.x}
          cy={face.hole.y}
          r={face.hole.r}
          fill="#ffffff"
          stroke="#8793A3"
          strokeWidth={0.2}
        />
      )}
    </>
  );
}
