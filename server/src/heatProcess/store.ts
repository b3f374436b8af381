import { OwnProcess } from '@inch/contract/making/heatProcess';
import { type HeatProcess, heatProcesses } from '@inch/core/heat';
import { type Database, marks, rows } from '../database/pool.ts';

interface ProcessRow {
  id: string;
  content: string;
}

const processFrom = (row: ProcessRow): OwnProcess =>
  OwnProcess.parse({ ...JSON.parse(row.content), id: row.id });

/** The kitchen's own processes, newest first. */
export async function ownProcesses(db: Database, kitchenId: string): Promise<OwnProcess[]> {
  const found = await rows<ProcessRow>(
    db,
    'SELECT id, content FROM own_process WHERE kitchen_id = ? ORDER BY at DESC, id DESC',
    [kitchenId],
  );
  return found.map(processFrom);
}

/** A process that ships or is the kitchen's own; null where there is none of that id. */
export async function processOf(db: Database, kitchenId: string, id: string): Promise<HeatProcess | null> {
  const known = [...(await ownProcesses(db, kitchenId)), ...heatProcesses];
  return known.find((p) => p.id === id) ?? null;
}

/** Processes of kitchens' own by their ids. */
export async function processesById(db: Database, ids: readonly string[]): Promise<HeatProcess[]> {
  const found = await rows<ProcessRow>(
    db,
    `SELECT id, content FROM own_process WHERE id IN (${marks(ids)})`,
    [...ids],
  );
  return found.map(processFrom);
}
