import {
  type InstrumentOrder,
  instrumentLine,
  orderLine,
  readInstrumentLine,
  type SpeakingKind,
} from '@inch/core/instrument';
import { useSyncExternalStore } from 'react';

/** A way in for an instrument: bytes both ways. A serial port is one as it stands, and so is a simulated instrument. */
export interface Door {
  readable: ReadableStream<Uint8Array>;
  writable: WritableStream<Uint8Array>;
}

/** An instrument that speaks to this device now. */
export interface Attached {
  kind: SpeakingKind;
  name: string;
  compensated: boolean;
  /** Of the simulated bench: what it shows is marked so and counts for nothing real. */
  simulated: boolean;
  value: number | null;
  celsius: number | null;
  millivolts: number | null;
  steady: boolean;
  /** What it complains of, or that it has gone silent; null while all is well. */
  trouble: string | null;
  heardAt: number;
}

const SILENT_MS = 5000;

/** The instruments attached to this device, one of a kind; what they say, a line at a time. */
class Counter {
  private attached: readonly Attached[] = [];
  private readonly doors = new Map<SpeakingKind, WritableStreamDefaultWriter<Uint8Array>>();
  private readonly listeners = new Set<() => void>();

  constructor() {
    setInterval(() => this.watch(), 1000);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly list = (): readonly Attached[] => this.attached;

  /** Takes an instrument in by its door, and listens until it closes. */
  async attach(door: Door, simulated = false): Promise<void> {
    const writer = door.writable.getWriter();
    await writer.write(new TextEncoder().encode('who\n')).catch(() => undefined);
    let kind: SpeakingKind | null = null;
    try {
      for await (const line of linesOf(door.readable)) {
        const heard = readInstrumentLine(line);
        if (heard.say === 'hello') {
          kind = heard.kind;
          this.doors.set(kind, writer);
          this.put({
            ...nothingYet(heard.kind),
            name: heard.name,
            compensated: heard.compensated,
            simulated,
          });
        } else if (kind) this.hear(kind, heard);
      }
    } catch {
      // The port was pulled: it is told below like any other end.
    } finally {
      if (kind) this.gone(kind);
      writer.releaseLock();
    }
  }

  /** Tells an instrument something: tare, or run so much titrant. */
  async order(kind: SpeakingKind, order: InstrumentOrder): Promise<void> {
    await this.doors.get(kind)?.write(new TextEncoder().encode(`${orderLine(order)}\n`));
  }

  private hear(kind: SpeakingKind, heard: ReturnType<typeof readInstrumentLine>): void {
    const now = this.attached.find((a) => a.kind === kind);
    if (!now) return;
    if (heard.say === 'reading' && heard.kind === kind) {
      const { value, celsius, millivolts, steady } = heard;
      this.put({ ...now, value, celsius, millivolts, steady, trouble: null, heardAt: Date.now() });
    } else
      this.put({
        ...now,
        trouble: heard.say === 'fault' ? heard.words : `not understood: ${instrumentLine(heard)}`,
      });
  }

  private put(one: Attached): void {
    this.attached = [...this.attached.filter((a) => a.kind !== one.kind), one].sort((a, b) =>
      a.kind.localeCompare(b.kind),
    );
    for (const listener of this.listeners) listener();
  }

  private gone(kind: SpeakingKind): void {
    this.attached = this.attached.filter((a) => a.kind !== kind);
    this.doors.delete(kind);
    for (const listener of this.listeners) listener();
  }

  private watch(): void {
    for (const one of this.attached)
      if (one.trouble === null && Date.now() - one.heardAt > SILENT_MS)
        this.put({ ...one, trouble: 'it has gone silent: look at its plug' });
  }
}

const nothingYet = (kind: SpeakingKind): Attached => ({
  kind,
  name: kind,
  compensated: false,
  simulated: false,
  value: null,
  celsius: null,
  millivolts: null,
  steady: false,
  trouble: null,
  heardAt: Date.now(),
});

async function* linesOf(readable: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = readable.getReader();
  const decoder = new TextDecoder();
  let rest = '';
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    rest += decoder.decode(value, { stream: true });
    const lines = rest.split(/\r?\n/);
    rest = lines.pop()!.slice(-500);
    for (const line of lines) if (line.trim()) yield line;
  }
}

export const counter = new Counter();

export const useAttached = (): readonly Attached[] => useSyncExternalStore(counter.subscribe, counter.list);

/** The attached instrument of a kind, while it says something. */
export function useLiveFigure(kind: string | null): Attached | null {
  const all = useAttached();
  return all.find((a) => a.kind === kind && a.value !== null) ?? null;
}
