import type { Container } from '@inch/contract/making/container';
import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { closures } from '@inch/core/bottling';
import { readFigure } from '@inch/core/quantity';
import { z } from 'zod';
import { useContainers } from '../data/containers.ts';
import type { FieldReader } from '../data/fieldReader.ts';
import { useIds } from '../data/ids.ts';
import { recordEntry } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { happened } from '../ui/dates.ts';

interface Answers {
  closing: 'hot' | 'cooled';
  fillCelsius: string;
  middleCelsius: string;
  lastCelsius: string;
  glassCelsius: string;
  headspaceInches: string;
  /** Id of the thermometer; empty where none was named. */
  instrumentId: string;
  sterile: boolean;
  hoursTo21: string;
  hoursToCold: string;
  place: string;
  /** Why there are more than the pan held. */
  why: string;
  at: string;
  rims: boolean;
  rings: boolean;
  lids: boolean;
  /** Millilitres to be filled; as expected where it is not said. */
  ml: string;
  counts: Record<string, string>;
}

type Check = keyof Answers & ('rims' | 'rings' | 'lids');

/** What is looked at before the bottles are filled, by how they close. */
export function checksOf(sizes: readonly Container[]): [Check, string][] {
  const kinds = [...new Set(sizes.map((c) => c.closure))];
  const rings: [Check, string][] =
    kinds.length === 0 || kinds.includes('two-piece-lid')
      ? [['rings', 'Rings straight and clean, without rust']]
      : [];
  const before = (kinds.length === 0 ? (['two-piece-lid'] as const) : kinds).map((c) => closures[c].before);
  return [['rims', 'Every rim felt with a finger: no nick, no crack'], ...rings, ['lids', before.join(' ')]];
}

const usual = (shelf: boolean): Answers => ({
  closing: shelf ? 'hot' : 'cooled',
  fillCelsius: '',
  middleCelsius: '',
  lastCelsius: '',
  glassCelsius: '',
  headspaceInches: '',
  instrumentId: '',
  sterile: false,
  hoursTo21: '',
  hoursToCold: '',
  place: shelf ? 'cellar' : 'cold room',
  why: '',
  at: '',
  rims: false,
  rings: false,
  lids: false,
  ml: '',
  counts: {},
});

const Fillings = z.array(bodyOf('bottling')).min(1, 'How many bottles? Count at least one.');

function fillingsOf(
  a: Answers,
  fields: FieldReader<Answers>,
  idOf: (containerId: string) => string,
  asksRings: boolean,
) {
  const hot = a.closing === 'hot';
  const celsius = (name: 'fillCelsius' | 'middleCelsius' | 'lastCelsius' | 'glassCelsius') =>
    fields.figure(name, { unit: 'C' });
  const hours = (name: 'hoursTo21' | 'hoursToCold') => (hot ? null : fields.figure(name, { unit: '' }));
  const each = {
    closing: a.closing,
    fillCelsius: celsius('fillCelsius'),
    middleCelsius: celsius('middleCelsius'),
    lastCelsius: celsius('lastCelsius'),
    glassCelsius: celsius('glassCelsius'),
    headspaceInches: fields.figure('headspaceInches', { unit: 'in' }),
    instrumentId: a.instrumentId || null,
    sterile: a.sterile ? true : null,
    checked: a.rims && a.lids && (a.rings || !asksRings),
    hoursTo21: hours('hoursTo21'),
    hoursToCold: hours('hoursToCold'),
    place: a.place,
    why: a.why.trim() || null,
    ...happened(a.at),
  };
  return Object.entries(a.counts).flatMap(([containerId, text]) => {
    const { value, problem } = readFigure(text, { unit: '', whole: true, min: 0 });
    if (problem !== undefined) fields.problem('counts', problem);
    return value ? [{ id: idOf(containerId), containerId, count: value, ...each }] : [];
  });
}

/** The form of a filling: one entry a size of bottle. */
export function useFilling(lot: LotView, shelf: boolean) {
  const ids = useIds();
  const containers = useContainers().data;
  const hasRings = (a: Answers) =>
    checksOf((containers ?? []).filter((c) => a.counts[c.id])).some(([key]) => key === 'rings');
  return useDeedForm({
    of: 'entry',
    draft: `bottling ${lot.id}`,
    empty: usual(shelf),
    schema: Fillings,
    hasId: false,
    read: (a, fields) => fillingsOf(a, fields, ids.of, hasRings(a)) as never,
    fieldAt: (path) => {
      const name = path.split('.').at(-1)!;
      return name in usual(shelf) ? (name as keyof Answers) : 'counts';
    },
    write: async (fillings) => {
      for (const filling of fillings) await recordEntry('bottling', lot, filling);
    },
    done: 'Bottles counted',
    after: ids.forget,
  });
}

export type Filling = ReturnType<typeof useFilling>;
