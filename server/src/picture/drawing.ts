import sharp from 'sharp';
import type { Drawing } from './draw.ts';

/** px that a picture may hold: a camera’s, and not one that only says so. */
const MOST_PIXELS = 60_000_000;

async function drawn({ bytes, longerSide, as, density }: Drawing): Promise<Buffer> {
  const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, ...(density ? { density } : {}) })
    .rotate()
    .resize(longerSide, longerSide, { fit: 'inside', withoutEnlargement: true });
  return as === 'png'
    ? picture.png({ compressionLevel: 9 }).toBuffer()
    : picture.jpeg({ quality: 82 }).toBuffer();
}

// One picture after another, as they are sent; whoever sends them ends it when one takes too long.
process.on('message', (drawing: Drawing) => {
  drawn(drawing).then(
    (image) => process.send!({ id: drawing.id, image }),
    (error: Error) => process.send!({ id: drawing.id, error: error.message }),
  );
});
process.on('disconnect', () => process.exit(0));
