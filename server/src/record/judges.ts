import type { PostedNoun } from '@inch/core/record';
import { judgeDating, judgeLook, judgeStorageChange } from './ageing.ts';
import { judgeDecision, judgeRuling, judgeSettling } from './deciding.ts';
import { judgeClosing, judgeDeviation } from './deviations.ts';
import { judgeBottling, judgeCooling, judgeFault, judgeTally, judgeTick, judgeWeighing } from './filling.ts';
import { judgeCurve, judgeHeatProcess, judgeLoad, judgeLoadMark } from './heat.ts';
import type { Judge } from './judge.ts';
import { judgeAddition, judgeMark, judgeOrigin, judgePlacing } from './making.ts';
import { judgeReading } from './measuring.ts';
import { judgeMovement, judgeTelling } from './moving.ts';
import { judgePrint, judgeSpoilt } from './printing.ts';
import { judgeFate, judgeSealCheck } from './seals.ts';

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
