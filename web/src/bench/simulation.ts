import { chance } from '@inch/core/formula';
import type { Ingredient } from '@inch/core/ingredient';
import { instrumentLine, readOrder, type SpeakingKind } from '@inch/core/instrument';
import type { VesselShape } from '@inch/core/pan';
import {
  benchLater,
  displaysLater,
  emptySimulatedPan,
  type Fault,
  jarEmptied,
  jarFilled,
  obeyedBy,
  pouredIn,
  type SimulatedBench,
  simulatedBench,
  spokenBy,
  withFault,
} from '@inch/core/simulated';
import { useSyncExternalStore } from 'react';
import { counter, type Door } from '../parts/instrument/attached.ts';

const TICK_MS = 250;
const SPEAKS_MS = 500;
const KEY = 'inch-simulated';

export interface Simulation {
  bench: SimulatedBench;
  /** Simulated seconds to a real one. */
  speed: number;
  running: boolean;
}

/** The pan that stands on the simulated burner: 11 in across, 5 in high. */
export const USUAL_PAN: VesselShape = {
  kind: 'frusta',
  frusta: [{ heightMm: 127, lowerDiameterMm: 279, upperDiameterMm: 279 }],
};

/** A simulated pan that goes on while the page is open, and its instruments, each behind a door like a real one's. */
class SimulatedKitchen {
  private state: Simulation | null = null;
  private readonly roll = chance(20261125);
  private readonly listeners = new Set<() => void>();
  private readonly speaking = new Map<SpeakingKind, ReadableStreamDefaultController<Uint8Array>>();
  private last = Date.now();

  constructor() {
    const kept = sessionStorage.getItem(KEY);
    if (kept) this.state = JSON.parse(kept) as Simulation;
    setInterval(() => this.tick(), TICK_MS);
    setInterval(() => this.speak(), SPEAKS_MS);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly now = (): Simulation | null => this.state;

  setUp(shape: VesselShape, elevationMetres: number): void {
    const bench = simulatedBench(emptySimulatedPan(shape, elevationMetres));
    this.put({ bench, speed: this.state?.speed ?? 1, running: true });
  }
  clear(): void {
    for (const kind of [...this.speaking.keys()]) this.detach(kind);
    this.state = null;
    sessionStorage.removeItem(KEY);
    for (const listener of this.listeners) listener();
  }
  pour(entry: Ingredient, grams: number): void {
    this.jump((bench) => pouredIn(bench, entry, grams));
  }
  burner(watts: number): void {
    this.change((bench) => ({ ...bench, pan: { ...bench.pan, watts } }));
  }
  fault(kind: SpeakingKind, fault: Fault): void {
    this.change((bench) => withFault(bench, kind, fault));
  }
  fillJar(sampleMl: number): void {
    this.jump((bench) => jarFilled(bench, sampleMl));
  }
  emptyJar(): void {
    this.jump(jarEmptied);
  }
  runBurette(ml: number): void {
    this.jump((bench) => obeyedBy(bench, 'burette', { order: 'run', ml }));
  }
  pace(speed: number): void {
    if (this.state) this.put({ ...this.state, speed });
  }
  pause(running: boolean): void {
    if (this.state) this.put({ ...this.state, running });
  }

  attached(kind: SpeakingKind): boolean {
    return this.speaking.has(kind);
  }
  attach(kind: SpeakingKind): void {
    if (this.state && !this.speaking.has(kind)) void counter.attach(this.doorOf(kind), true);
  }
  /** Pulls the plug: the stream ends as a real one would. */
  detach(kind: SpeakingKind): void {
    this.speaking.get(kind)?.close();
    this.speaking.delete(kind);
    for (const listener of this.listeners) listener();
  }

  private doorOf(kind: SpeakingKind): Door {
    const write = (text: string) => this.speaking.get(kind)?.enqueue(new TextEncoder().encode(`${text}\n`));
    return {
      readable: new ReadableStream<Uint8Array>({
        start: (controller) => {
          this.speaking.set(kind, controller);
        },
        cancel: () => {
          this.speaking.delete(kind);
        },
      }),
      writable: new WritableStream<Uint8Array>({
        write: (bytes) => {
          const order = readOrder(new TextDecoder().decode(bytes));
          if (!order || !this.state) return;
          if (order.order === 'who')
            write(
              instrumentLine({
                say: 'hello',
                kind,
                compensated: false,
                name: this.state.bench.instruments[kind].name,
              }),
            );
          else this.jump((bench) => obeyedBy(bench, kind, order));
        },
      }),
    };
  }

  private speak(): void {
    if (!this.state) return;
    for (const [kind, controller] of this.speaking) {
      const line = spokenBy(this.state.bench, kind, this.roll);
      if (line) controller.enqueue(new TextEncoder().encode(`${instrumentLine(line)}\n`));
    }
  }

  private tick(): void {
    const passed = (Date.now() - this.last) / 1000;
    this.last = Date.now();
    if (!this.state) return;
    const { speed, running } = this.state;
    this.change((bench) =>
      running ? benchLater(bench, Math.min(3600, passed * speed)) : displaysLater(bench, passed),
    );
  }

  /** What is measured has changed at once: the instruments say so, and no figure of before is shown at rest. */
  private jump(work: (bench: SimulatedBench) => SimulatedBench): void {
    this.change(work);
    this.speak();
  }
  private change(work: (bench: SimulatedBench) => SimulatedBench): void {
    if (this.state) this.put({ ...this.state, bench: work(this.state.bench) });
  }
  private put(state: Simulation): void {
    this.state = state;
    sessionStorage.setItem(KEY, JSON.stringify(state));
    for (const listener of this.listeners) listener();
  }
}

export const simulated = new SimulatedKitchen();
export const useSimulation = (): Simulation | null =>
  useSyncExternalStore(simulated.subscribe, simulated.now);
