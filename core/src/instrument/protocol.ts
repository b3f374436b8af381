/** What stands on the counter and speaks: each says one quantity. */
export type SpeakingKind = 'scale' | 'refractometer' | 'ph-meter' | 'thermometer' | 'burette';

/** Unit in which each kind speaks. */
export const SPOKEN_UNITS: Record<SpeakingKind, string> = {
  scale: 'g',
  refractometer: 'Bx',
  'ph-meter': 'pH',
  thermometer: 'C',
  burette: 'mL',
};

/** One line that an instrument says. */
export type InstrumentLine =
  | { say: 'hello'; kind: SpeakingKind; compensated: boolean; name: string }
  | {
      say: 'reading';
      kind: SpeakingKind;
      value: number;
      /** Temperature of what is measured, °C; null where it does not say. */
      celsius: number | null;
      /** Of a pH electrode; null otherwise. */
      millivolts: number | null;
      /** Whether it has come to rest. */
      steady: boolean;
    }
  | { say: 'fault'; words: string }
  | { say: 'unread'; text: string };

/** What the program says to an instrument. */
export type InstrumentOrder = { order: 'who' } | { order: 'tare' } | { order: 'run'; ml: number };

const KIND_OF_UNIT = new Map(
  Object.entries(SPOKEN_UNITS).map(([kind, unit]) => [unit.toLowerCase(), kind as SpeakingKind]),
);
const NUMBER = '[+-]?(?:\\d+\\.?\\d*|\\.\\d+)';
const READING = new RegExp(
  `^is (${NUMBER}) (g|bx|ph|c|ml)(?: at (${NUMBER}))?(?: mv (${NUMBER}))?(?: (steady|moving))?$`,
  'i',
);
const HELLO = /^inch\/1 (scale|refractometer|ph-meter|thermometer|burette)( compensated)? (\S.*)$/i;

/**
 * Reads one line of the instrument protocol: a greeting, a reading, a fault, or what could not be read.
 * @param text a line without its end; @returns never throws: a line that is none of these is `unread` and loses nothing
 * @example readInstrumentLine('is 512.4 g steady') // { say: 'reading', kind: 'scale', value: 512.4, steady: true }
 */
export function readInstrumentLine(text: string): InstrumentLine {
  const line = text.trim();
  const hello = HELLO.exec(line);
  if (hello)
    return {
      say: 'hello',
      kind: hello[1]!.toLowerCase() as SpeakingKind,
      compensated: hello[2] !== undefined,
      name: hello[3]!.slice(0, 80),
    };
  const reading = READING.exec(line);
  if (reading)
    return {
      say: 'reading',
      kind: KIND_OF_UNIT.get(reading[2]!.toLowerCase())!,
      value: Number(reading[1]),
      celsius: reading[3] === undefined ? null : Number(reading[3]),
      millivolts: reading[4] === undefined ? null : Number(reading[4]),
      steady: reading[5]?.toLowerCase() !== 'moving',
    };
  const fault = /^fault (\S.*)$/i.exec(line);
  if (fault) return { say: 'fault', words: fault[1]!.slice(0, 200) };
  return { say: 'unread', text };
}

const DIGITS: Record<SpeakingKind, number> = {
  scale: 1,
  refractometer: 1,
  'ph-meter': 2,
  thermometer: 1,
  burette: 2,
};

/**
 * A line as an instrument writes it, without its end.
 * @example instrumentLine({ say: 'fault', words: 'no electrode' }) // 'fault no electrode'
 */
export function instrumentLine(line: InstrumentLine): string {
  switch (line.say) {
    case 'hello':
      return `inch/1 ${line.kind}${line.compensated ? ' compensated' : ''} ${line.name}`;
    case 'reading':
      return [
        `is ${line.value.toFixed(DIGITS[line.kind])} ${SPOKEN_UNITS[line.kind]}`,
        line.celsius === null ? '' : ` at ${line.celsius.toFixed(1)}`,
        line.millivolts === null ? '' : ` mv ${line.millivolts.toFixed(1)}`,
        line.steady ? ' steady' : ' moving',
      ].join('');
    case 'fault':
      return `fault ${line.words}`;
    case 'unread':
      return line.text;
  }
}

/**
 * An order as it is sent, without its end.
 * @example orderLine({ order: 'tare' }) // 'tare'
 */
export const orderLine = (order: InstrumentOrder): string =>
  order.order === 'run' ? `run ${order.ml.toFixed(2)}` : order.order;

/**
 * Reads an order on the instrument's side; null for what is none.
 * @example readOrder(orderLine({ order: 'run', ml: 0.5 })) // { order: 'run', ml: 0.5 }
 */
export function readOrder(text: string): InstrumentOrder | null {
  const line = text.trim().toLowerCase();
  if (line === 'who' || line === 'tare') return { order: line };
  const run = /^run (\d+(?:\.\d+)?)$/.exec(line);
  return run ? { order: 'run', ml: Number(run[1]) } : null;
}
