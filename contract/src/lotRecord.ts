import { FormulaContent, FormulaKind, StepKind } from '@inch/core/formula';
import { Storage } from '@inch/core/keeping';
import { LotState, RulePackId } from '@inch/core/lot';
import { LOAD_MARKS, MARKS } from '@inch/core/record';
import { z } from 'zod';
import { recordedOf } from './entry.ts';

const by = { at: z.string(), recordedAt: z.string().optional(), by: z.string() };

const Step = z.object({
  id: z.string(),
  position: z.number().int(),
  kind: StepKind,
  title: z.string(),
  minutes: z.number().nullable(),
  killStep: z.boolean(),
  formulaStepId: z.string(),
  marks: z.array(z.object({ kind: z.enum(MARKS), ...by })),
});
const LoadMark = z.object({ id: z.string(), kind: z.enum(LOAD_MARKS), ...by });
const Closed = z.object({ cause: z.string(), done: z.string(), ...by });

export const LotRecord = z.object({
  id: z.string(),
  code: z.string(),
  state: LotState,
  heldFrom: LotState.nullable(),
  product: z.object({
    formulaId: z.string(),
    name: z.string(),
    kind: FormulaKind,
    colour: z.string(),
    version: z.number().int(),
    content: FormulaContent,
  }),
  storage: Storage,
  criticalPh: z.number(),
  elevationMetres: z.number(),
  timeZone: z.string(),
  rulePack: RulePackId,
  begunAt: z.string(),
  broughtInAt: z.string().nullable(),
  scale: z.number(),
  steps: z.array(Step),
  additions: z.array(recordedOf('addition')),
  readings: z.array(recordedOf('reading')),
  bottlings: z.array(recordedOf('bottling')),
  heatProcesses: z.array(recordedOf('heat-process')),
  sealChecks: z.array(recordedOf('seal-check')),
  movements: z.array(recordedOf('movement')),
  tellings: z.array(recordedOf('telling')),
  decisions: z.array(recordedOf('decision')),
  settlings: z.array(recordedOf('settling')),
  prints: z.array(recordedOf('print')),
  placings: z.array(recordedOf('placing')),
  photographs: z.array(recordedOf('photograph')),
  ticks: z.array(recordedOf('tick')),
  faults: z.array(recordedOf('fault')),
  tallies: z.array(recordedOf('tally')),
  weighings: z.array(recordedOf('weighing')),
  loads: z.array(recordedOf('load', { marks: z.array(LoadMark) })),
  curves: z.array(recordedOf('curve')),
  coolings: z.array(recordedOf('cooling')),
  fates: z.array(recordedOf('fate')),
  storageChanges: z.array(recordedOf('storage-change')),
  spoiltLabels: z.array(recordedOf('spoilt-label')),
  looks: z.array(recordedOf('look')),
  datings: z.array(recordedOf('dating')),
  deviations: z.array(recordedOf('deviation', { closed: Closed.nullable() })),
});
