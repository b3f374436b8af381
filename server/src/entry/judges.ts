import type { PostedNoun } from '@inch/core/record';
import { judgePrint, judgeSpoilt } from '../label/print.ts';
import { judgeDating, judgeLook } from '../lot/ageing.ts';
import { judgeDecision, judgeRuling, judgeSettling } from '../lot/deciding.ts';
import { judgeClosing, judgeDeviation } from '../lot/deviations.ts';
import {
  judgeBottling,
  judgeCooling,
  judgeFault,
  judgeTally,
  judgeTick,
  judgeWeighing,
} from '../lot/filling.ts';
import { judgeCurve, judgeHeatProcess, judgeLoad, judgeLoadMark } from '../lot/heat.ts';
import { judgeStorageChange } from '../lot/keeping.ts';
import { judgeAddition, judgeMark, judgeOrigin, judgePlacing } from '../lot/making.ts';
import { judgeReading } from '../lot/measuring.ts';
import { judgeMovement, judgeTelling } from '../lot/moving.ts';
import { judgeFate, judgeSealCheck } from '../lot/seals.ts';
import type { Judge } from './judge.ts';

/** Where each kind of entry is judged. */
export const judges: { [N in PostedNoun]: Judge<N> } = {
  mark: judgeMark,
  addition: judgeAddition,
  origin: judgeOrigin,
  placing: judgePlacing,
  reading: judgeReading,
  bottling: judgeBottling,
  tick: judgeTick,
  fault: judgeFault,
  tally: judgeTally,
  weighing: judgeWeighing,
  cooling: judgeCooling,
  'heat-process': judgeHeatProcess,
  load: judgeLoad,
  'load-mark': judgeLoadMark,
  curve: judgeCurve,
  'seal-check': judgeSealCheck,
  fate: judgeFate,
  deviation: judgeDeviation,
  closing: judgeClosing,
  movement: judgeMovement,
  telling: judgeTelling,
  'storage-change': judgeStorageChange,
  decision: judgeDecision,
  ruling: judgeRuling,
  settling: judgeSettling,
  print: judgePrint,
  'spoilt-label': judgeSpoilt,
  look: judgeLook,
  dating: judgeDating,
};
