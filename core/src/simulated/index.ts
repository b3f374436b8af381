export {
  benchLater,
  type Fault,
  jarEmptied,
  jarFilled,
  obeyedBy,
  pouredIn,
  type SimulatedBench,
  type SimulatedInstrument,
  type SimulatedJar,
  simulatedBench,
  spokenBy,
  truthFor,
  withFault,
} from './bench.ts';
export {
  boilsAt,
  emptySimulatedPan,
  pourInto,
  type SimulatedPan,
  simulatedDepth,
  simulatedLater,
  simulatedVolume,
} from './pan.ts';
