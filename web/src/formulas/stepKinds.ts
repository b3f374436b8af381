import type { StepKind } from '@inch/core/formula';

/** The kinds of step, as they are called. */
export const STEP_KINDS: readonly { kind: StepKind; name: string }[] = [
  { kind: 'prepare', name: 'Prepare' },
  { kind: 'draw', name: 'Extract' },
  { kind: 'strain', name: 'Strain' },
  { kind: 'add', name: 'Add' },
  { kind: 'reduce', name: 'Reduce' },
  { kind: 'heat', name: 'Heat' },
  { kind: 'measure', name: 'Measure' },
  { kind: 'fill', name: 'Fill' },
  { kind: 'process', name: 'Process' },
  { kind: 'rest', name: 'Rest' },
];
