import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { ArtworkOf, LabelContent } from '@inch/core/label';
import { othersFirst } from '../database/othersFirst.ts';
import { type Database, rows } from '../database/pool.ts';
import { artworkOf, labelOf } from '../label/label.ts';
import { pictureOf } from '../label/pictures.ts';
import { labelPdf } from '../label/printing.ts';
import { readableByIds, type StoredLot } from '../lot/store.ts';
import { BY_ITSELF, lotView } from '../lot/view.ts';
import { sheetPdf } from '../release/pdf.ts';
import { releaseSheet } from '../release/sheet.ts';

/** A document of a lot, or the code of a lot that none can be made of. */
export type LotDocument = { name: string; bytes: Buffer } | { unreadable: string };

const LABELLED =
  'SELECT DISTINCT p.lot_id AS id FROM label_print p JOIN lot l ON l.id = p.lot_id WHERE l.kitchen_id = ?';
const RELEASED = `SELECT DISTINCT d.lot_id AS id FROM decision d JOIN lot l ON l.id = d.lot_id WHERE l.kitchen_id = ? AND d.event = 'release'`;

/** How many documents a kitchen has. */
export async function countDocuments(db: Database, kitchenId: string): Promise<number> {
  const [found] = await rows<{ n: number }>(
    db,
    `SELECT (SELECT COUNT(*) FROM (${LABELLED}) a) + (SELECT COUNT(*) FROM (${RELEASED}) b) AS n`,
    [kitchenId, kitchenId],
  );
  return Number(found!.n);
}

async function idsOf(db: Database, sql: string, kitchenId: string): Promise<string[]> {
  return (await rows<{ id: string }>(db, `${sql} ORDER BY id`, [kitchenId])).map((row) => row.id);
}

/** The label as it was printed last; of a print that kept its words alone, those words in the design of today. */
async function labelDocument(db: Database, lot: StoredLot, kitchen: Kitchen, at: string): Promise<Buffer> {
  const [printed] = await rows<{ label: string }>(
    db,
    'SELECT label FROM label_print WHERE lot_id = ? ORDER BY at DESC, id DESC LIMIT 1',
    [lot.id],
  );
  const kept = JSON.parse(printed!.label) as ArtworkOf | LabelContent;
  const of = 'design' in kept ? kept : await inTodaysDesign(db, lot, kitchen, kept);
  const { pictureId } = of.design;
  return labelPdf({
    of,
    at,
    lotCode: lot.code,
    copies: 1,
    firstBottle: null,
    sheet: null,
    first: 1,
    face: 'both',
    cutMarks: false,
    picture: pictureId === null ? null : await pictureOf(db, kitchen.id, pictureId),
  });
}

async function inTodaysDesign(
  db: Database,
  lot: StoredLot,
  kitchen: Kitchen,
  words: LabelContent,
): Promise<ArtworkOf> {
  const label = await labelOf(db, lot, kitchen);
  return { ...artworkOf(label, label.design), label: { ...label.content, ...words } };
}

const AT_ONCE = 5;

async function* drawn(
  db: Database,
  kitchen: Kitchen,
  ids: readonly string[],
  what: string,
  draw: (lot: StoredLot) => Promise<Buffer>,
): AsyncGenerator<LotDocument> {
  for (let i = 0; i < ids.length; i += AT_ONCE) {
    const { lots, broken } = await readableByIds(db, kitchen, ids.slice(i, i + AT_ONCE));
    for (const { code } of broken) yield { unreadable: code };
    for (const lot of lots.sort((a, b) => a.id.localeCompare(b.id))) {
      await othersFirst();
      yield { name: `documents/${lot.code}-${what}.pdf`, bytes: await draw(lot) };
    }
  }
}

/** The labels and release sheets of a kitchen's lots, as the record stood at a time. */
export async function* documentsOf(db: Database, kitchen: Kitchen, at: string): AsyncGenerator<LotDocument> {
  const labelled = await idsOf(db, LABELLED, kitchen.id);
  yield* drawn(db, kitchen, labelled, 'label', (lot) => labelDocument(db, lot, kitchen, at));
  const released = await idsOf(db, RELEASED, kitchen.id);
  yield* drawn(db, kitchen, released, 'release', (lot) =>
    sheetPdf(releaseSheet(lotView(lot, kitchen, BY_ITSELF), kitchen, at)),
  );
}
