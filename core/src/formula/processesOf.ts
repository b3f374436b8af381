import { type HeatProcess, heatProcesses } from '../heat/index.ts';

/** The kitchen's own heat processes and those that ship. */
export const processesOf = (setting: { processes?: readonly HeatProcess[] | undefined }): HeatProcess[] => [
  ...(setting.processes ?? []),
  ...heatProcesses,
];
