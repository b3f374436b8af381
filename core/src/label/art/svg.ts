import type { Art, Face } from './art.ts';

/** What only whoever draws knows: letters as outlines, the picture, the modules of the code. */
export interface Drawing {
  /** Outlines of a text as an SVG path's data, in mm, from its baseline's start. */
  outlines: (text: string, sizeMm: number, bold: boolean) => string;
  /** The owner's picture as a data address; null without one. */
  picture: string | null;
  /** Dark modules of the code, row by row; null without one. */
  modules: readonly (readonly boolean[])[] | null;
}

const n = (value: number): string => String(Math.round(value * 1000) / 1000);
const attribute = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;');

/**
 * Data of an SVG path that draws a code's dark modules in a square of so many mm, with the four light modules about it that readers need.
 * @example codePath([[true]], 0, 0, 9) // 'M4 4h1v1h-1z'
 */
export function codePath(
  modules: readonly (readonly boolean[])[],
  x: number,
  y: number,
  size: number,
): string {
  const each = size / (modules.length + 8);
  return modules
    .flatMap((row, r) =>
      row.flatMap((dark, c) =>
        dark ? [`M${n(x + (c + 4) * each)} ${n(y + (r + 4) * each)}h${n(each)}v${n(each)}h-${n(each)}z`] : [],
      ),
    )
    .join('');
}

function drawn(art: Art, { outlines, picture, modules }: Drawing): string {
  switch (art.kind) {
    case 'text':
      return `<path transform="translate(${n(art.x)} ${n(art.y)})" fill="${art.fill}" d="${outlines(art.text, art.sizeMm, art.bold)}"/>`;
    case 'rect':
      return `<rect x="${n(art.x)}" y="${n(art.y)}" width="${n(art.width)}" height="${n(art.height)}" fill="${art.fill ?? 'none'}"${art.stroke ? ` stroke="${art.stroke}" stroke-width="${n(art.lineMm ?? 0.2)}"` : ''}/>`;
    case 'circle':
      return `<circle cx="${n(art.x)}" cy="${n(art.y)}" r="${n(art.r)}" fill="${art.fill ?? 'none'}"${art.stroke ? ` stroke="${art.stroke}" stroke-width="${n(art.lineMm ?? 0.2)}"` : ''}/>`;
    case 'path':
      return `<path d="${art.d}" fill="${art.fill}"/>`;
    case 'picture':
      return picture
        ? `<image href="${attribute(picture)}" x="${n(art.x)}" y="${n(art.y)}" width="${n(art.width)}" height="${n(art.height)}" preserveAspectRatio="xMidYMid meet"/>`
        : '';
    case 'code':
      return modules
        ? `<rect x="${n(art.x)}" y="${n(art.y)}" width="${n(art.size)}" height="${n(art.size)}" fill="#FFFFFF"/><path fill="#000000" d="${codePath(modules, art.x, art.y, art.size)}"/>`
        : '';
  }
}

/**
 * What of a face is drawn, as SVG elements in mm, on white paper cut to its shape.
 * @example faceSvg(labelArtwork(artwork, measure).faces[0], { outlines: () => 'M0 0', picture: null, modules: null }).startsWith('<rect') // true
 */
export function faceSvg(face: Face, drawing: Drawing): string {
  const paper = face.round
    ? `<circle cx="${n(face.widthMm / 2)}" cy="${n(face.heightMm / 2)}" r="${n(face.widthMm / 2)}" fill="#FFFFFF"/>`
    : `<rect width="${n(face.widthMm)}" height="${n(face.heightMm)}" fill="#FFFFFF"/>`;
  const hole = face.hole
    ? `<circle cx="${n(face.hole.x)}" cy="${n(face.hole.y)}" r="${n(face.hole.r)}" fill="#FFFFFF" stroke="#8793A3" stroke-width="0.2"/>`
    : '';
  return paper + face.art.map((art) => drawn(art, drawing)).join('') + hole;
}

/**
 * One face of a label as an SVG document at true size, letters as outlines.
 * @param title what it is, said to whoever cannot see it
 * @example svgOf(labelArtwork(artwork, measure).faces[0], { outlines: () => 'M0 0', picture: null, modules: null }, 'A label').startsWith('<svg') // true
 */
export const svgOf = (face: Face, drawing: Drawing, title: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${n(face.widthMm)}mm" height="${n(face.heightMm)}mm" viewBox="0 0 ${n(face.widthMm)} ${n(face.heightMm)}" role="img"><title>${attribute(title)}</title>${faceSvg(face, drawing)}</svg>`;
