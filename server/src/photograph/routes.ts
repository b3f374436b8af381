import { LARGEST_PHOTOGRAPH, type Photograph, photographRoutes } from '@inch/contract/making/photograph';
import { standing } from '@inch/core/lot';
import { entries } from '@inch/core/record';
import express from 'express';
import { rows } from '../database/pool.ts';
import { referencedBy } from '../entry/references.ts';
import { writeEntry } from '../entry/write.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { happenedAt } from '../journal/happened.ts';
import type { Writing } from '../journal/writing.ts';
import { lotHeadOf, refuseEnded } from '../lot/head.ts';
import { lotBefore, requireLot, type StoredLot } from '../lot/store.ts';
import { drawnAnew } from '../picture/draw.ts';
import { notFound } from '../problem/problem.ts';
import { holdForWords } from '../record/spoilage.ts';

const LONGER_SIDE = 1600;

interface Taken {
  id: string;
  stepId?: string | undefined;
  readingId?: string | undefined;
  words: string;
  at?: string | undefined;
}

async function keep(w: Writing, lotId: string, taken: Taken, image: Buffer): Promise<{ id: string }> {
  const lot = await lotHeadOf(w, lotId);
  if (lot.state === 'discarded') refuseEnded(lot);
  const { id, words, stepId = null, readingId = null } = taken;
  const values = { stepId, readingId, words };
  await referencedBy(w, lot.id, entries.photograph, values);
  const at = happenedAt(w, taken.at, lot.begunAt);
  await writeEntry(w, 'photograph', lot.id, { id, at, values, more: { image } });
  await holdForWords(w, lot.id, { words, entryId: id, at });
  return { id };
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

export function photographRouter(app: AppContext): void {
  app.router.use(
    photographRoutes.take.path,
    express.raw({ type: [...photographRoutes.take.sends!], limit: LARGEST_PHOTOGRAPH }),
  );
  serve(app, photographRoutes.take, async (call) => {
    // Upright, no larger than is needed to see by, and with nothing else the camera wrote: no place, no device, no time.
    const image = await drawnAnew(
      call.req.body,
      {
        type: String(call.req.headers['content-type'] ?? ''),
        kinds: ['jpeg', 'png', 'webp'],
        asks: 'Send a photograph as JPEG, PNG or WebP.',
      },
      { longerSide: LONGER_SIDE, as: 'jpeg' },
    );
    return call.write((w) => keep(w, call.params.id, call.query, image));
  });
  serve(app, photographRoutes.ofLot, async ({ pool, kitchen, params }) => {
    const lot = await requireLot(pool, kitchen, params.id);
    const before = await lotBefore(pool, kitchen, lot);
    return { own: shown(lot), before: before && { code: before.code, photographs: shown(before) } };
  });
  serve(app, photographRoutes.image, async ({ pool, kitchen, params, res }) => {
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
