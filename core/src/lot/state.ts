import { z } from 'zod';
import { type LOT_EVENTS, LOT_STATES } from '../record/index.ts';

export const LotState = z.enum(LOT_STATES);
export type LotState = z.infer<typeof LotState>;
export type LotEvent = (typeof LOT_EVENTS)[number];

/** A transition that the lot's state does not allow; the message says what to do instead. */
export class TransitionError extends Error {
  override name = 'TransitionError';
}

const FORWARD: Partial<Record<LotState, Partial<Record<LotEvent, LotState>>>> = {
  planned: { begin: 'making' },
  making: { fill: 'resting' },
  resting: { fill: 'resting', 'check-seals': 'bottled' },
  bottled: { fill: 'resting', 'check-seals': 'bottled', release: 'released' },
  released: { close: 'closed' },
};

/** States in which a lot is ended: nothing of it goes on. */
export const ENDED: readonly LotState[] = ['closed', 'discarded', 'recalled'];

function exceptional(state: LotState, event: LotEvent): LotState | null {
  if (event === 'recall')
    return state === 'released' || state === 'closed' || state === 'held' ? 'recalled' : null;
  if (ENDED.includes(state)) return null;
  if (event === 'hold') return state === 'held' ? null : 'held';
  if (event === 'discard') return 'discarded';
  return null;
}

/**
 * The state a lot goes to: the only place that decides it.
 * @param from where it is, with the state it was held from while held; @param event what is to happen
 * @param gatesOpen whether every release check is passed, which a release needs, and going back to one
 * @throws TransitionError where the lot may not go there, with what to do instead
 * @example transition({ state: 'bottled', heldFrom: null }, 'release', true) // 'released'
 */
export function transition(
  from: { state: LotState; heldFrom: LotState | null },
  event: LotEvent,
  gatesOpen: boolean,
): LotState {
  if (event === 'resume') {
    if (from.state !== 'held' || !from.heldFrom)
      throw new TransitionError('It is not held, so there is nothing to resume.');
    // What was released is so again only where every check passes now; else it is released anew.
    return from.heldFrom === 'released' && !gatesOpen ? 'bottled' : from.heldFrom;
  }
  if (event === 'release' && from.state === 'held')
    throw new TransitionError('A held lot is not released. Correct what holds it, resume it, then release.');
  if (event === 'release' && !gatesOpen)
    throw new TransitionError('A release check is missing. Bottling lists which.');
  const to = exceptional(from.state, event) ?? FORWARD[from.state]?.[event];
  if (!to) throw new TransitionError(`A lot that is ${from.state} cannot ${event.replace('-', ' ')}.`);
  return to;
}
