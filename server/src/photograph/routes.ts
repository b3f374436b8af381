import { LARGEST_PHOTOGRAPH, type Photograph, photographRoutes } from '@inch/contract/photograph';
import { standing } from '@inch/core/lot';
import express from 'express';
import sharp from 'sharp';
import { insert, rows, toSql } from '../database/pool.ts';
import { once } from '../database/transaction.ts';
import { invalid, notFound, Problem } from '../http/problem.ts';
import { type House, serve } from '../http/serve.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { lockedLot, refuseEnded } from '../lot/change.ts';
import { requireLot } from '../lot/deciding.ts';
import { lotBefore, type StoredLot } from '../lot/store.ts';

const LONGER_SIDE = 1600;

/** The picture upright, no larger than is needed to see by, and with nothing else the camera wrote: no place, no device, no time. */
async function stripped(body: unknown): Promise<Buffer> {
  if (!Buffer.isBuffer(body) || body.length === 0)
    throw new Problem(415, 'Send a photograph as JPEG, PNG or WebP.');
  try {
    return await sharp(body, { limitInputPixels: 80_000_000 })
      .rotate()
      .resize(LONGER_SIDE, LONGER_SIDE, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 82 })
      .toBuffer();
  } catch {
    throw new Problem(422, 'That picture cannot be opened. Take it again, as JPEG, PNG or WebP.');
  }
}

interface Taken {
  id: string;
  stepId?: string | undefined;
  readingId?: string | undefined;
  words: string;
  at?: string | undefined;
}

async function keep(w: Writing, lotId: string, taken: Taken, image: Buffer): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  if (taken.stepId && !lot.steps.some((s) => s.id === taken.stepId))
    throw invalid('stepId', 'That step is not one of this lot.');
  if (taken.readingId && !lot.readings.some((r) => r.id === taken.readingId))
    throw invalid('readingId', 'That reading is not one of this lot.');
  const at = happenedAt(w, taken.at, lot.begunAt);
  const row = {
    step_id: taken.stepId ?? null,
    reading_id: taken.readingId ?? null,
    words: taken.words,
  };
  await insert(w.tx, 'photograph', {
    id: taken.id,
    lot_id: lot.id,
    ...row,
    image,
    at: toSql(at),
    account_id: w.account.id,
  });
  await journal(w, 'photograph', taken.id, 'take', { ...row, bytes: image.length, at }, lot.id);
  return { id: taken.id };
}

const shown = (lot: StoredLot): Photograph[] =>
  standing(lot.photographs).map(({ id, stepId, readingId, words, at, by }) => ({
    id,
    formulaStepId: lot.steps.find((s) => s.id === stepId)?.formulaStepId ?? null,
    readingId,
    words,
    at,
    by,
  }));

export function photographRoom(house: House): void {
  house.router.use(
    photographRoutes.take.path,
    express.raw({ type: ['image/jpeg', 'image/png', 'image/webp'], limit: LARGEST_PHOTOGRAPH }),
  );
  serve(house, photographRoutes.take, async (call) => {
    const image = await stripped(call.req.body);
    return once(call.pool, 'photograph', call.query.id, () =>
      call.write((w) => keep(w, call.params.id, call.query, image)),
    );
  });
  serve(house, photographRoutes.ofLot, async ({ pool, kitchen, params }) => {
    const lot = await requireLot(pool, kitchen, params.id);
    const before = await lotBefore(pool, kitchen, lot);
    return { own: shown(lot), before: before && { code: before.code, photographs: shown(before) } };
  });
  serve(house, photographRoutes.image, async ({ pool, kitchen, params, res }) => {
    const [found] = await rows<{ image: Buffer }>(
      pool,
      'SELECT p.image FROM photograph p JOIN lot l ON l.id = p.lot_id WHERE p.id = ? AND l.kitchen_id = ?',
      [params.id, kitchen.id],
    );
    if (!found) throw notFound('photograph');
    res
      .set({ 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' })
      .send(found.image);
    return undefined;
  });
}
