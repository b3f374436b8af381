import { LARGEST_PICTURE, type LabelPicture, labelPictureRoutes } from '@inch/contract/making/labelPicture';
import express from 'express';
import { type Database, insert, rows, toSql } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { retire } from '../journal/retire.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { drawnAnew } from '../picture/draw.ts';
import { notFound } from '../problem/problem.ts';

/** px of the longer side: 60 mm at 600 dpi and more. */
const LONGER_SIDE = 1500;
/** What SVG is drawn at: sharp enough before it is made smaller. */
const DENSITY = 300;

async function addPicture(
  w: Writing,
  said: { id: string; name: string },
  image: Buffer,
): Promise<{ id: string }> {
  await insert(w.tx, 'label_picture', {
    id: said.id,
    kitchen_id: w.kitchen.id,
    name: said.name,
    image,
    retired_at: null,
    created_at: toSql(w.now),
  });
  await journal(w, 'label-picture', said.id, 'add', { name: said.name });
  return { id: said.id };
}

/** The bytes of a picture of this kitchen; null where there is none of that id. */
export async function pictureOf(db: Database, kitchenId: string, id: string): Promise<Buffer | null> {
  const [row] = await rows<{ image: Buffer }>(
    db,
    'SELECT image FROM label_picture WHERE id = ? AND kitchen_id = ?',
    [id, kitchenId],
  );
  return row?.image ?? null;
}

export function labelPictureRouter(app: AppContext): void {
  app.router.use(
    labelPictureRoutes.add.path,
    express.raw({ type: [...labelPictureRoutes.add.sends!], limit: LARGEST_PICTURE }),
  );
  serve(app, labelPictureRoutes.list, async ({ pool, kitchen }): Promise<LabelPicture[]> => {
    const found = await rows<{ id: string; name: string; retired_at: string | null }>(
      pool,
      'SELECT id, name, retired_at FROM label_picture WHERE kitchen_id = ? ORDER BY retired_at IS NOT NULL, name, id',
      [kitchen.id],
    );
    return found.map(({ retired_at, ...p }) => ({ ...p, retired: retired_at !== null }));
  });
  serve(app, labelPictureRoutes.add, async (call) => {
    const image = await drawnAnew(
      call.req.body,
      {
        type: String(call.req.headers['content-type'] ?? ''),
        kinds: ['png', 'jpeg', 'svg'],
        asks: 'Send a picture as PNG, JPEG or SVG.',
      },
      { longerSide: LONGER_SIDE, as: 'png', density: DENSITY },
    );
    return call.write((w) => addPicture(w, call.query, image));
  });
  serve(app, labelPictureRoutes.read, async ({ pool, kitchen, params, res }) => {
    const image = await pictureOf(pool, kitchen.id, params.id);
    if (!image) throw notFound('picture');
    res.type('image/png').set('cache-control', 'private, max-age=31536000, immutable').send(image);
    return undefined;
  });
  serve(app, labelPictureRoutes.retire, (call) =>
    call.write((w) => retire(w, 'label_picture', call.params.id, call.body.retired)),
  );
}
