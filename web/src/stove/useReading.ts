import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { samplesAsked, type Taken } from '@inch/core/lot';
import { useInstruments } from '../data/instruments.ts';
import { recordEntry } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useLiveFigure } from '../parts/instrument/attached.ts';
import { type Kind, kinds, rawOf, saidOf, unreadIn } from './taking.ts';

/** What a reading is of, and when it was read. */
export interface ReadingOf {
  lot: LotView;
  stepId: string | null;
  kind: Kind;
  finished: boolean;
  /** When it was read, where that was earlier. */
  at?: string | undefined;
  onClose: () => void;
}

/** The form of one reading: what was read goes down as it was put, and the server reads it again. */
export function useReading({ lot, stepId, kind, finished, at, onClose }: ReadingOf) {
  const all = useInstruments().data ?? [];
  const { instrument, or } = kinds[kind];
  const own = all.filter((i) => (i.kind === instrument || i.kind === or) && !i.retired);
  const live = useLiveFigure(kinds[kind].instrument);
  const asked = kind === 'ph' ? samplesAsked(lot) : null;
  const chosenOf = (id: string) =>
    own.find((i) => i.id === id) ?? own.find((i) => i.name === live?.name) ?? own[0];
  const form = useDeedForm({
    of: 'entry',
    draft: `reading ${lot.id} ${kind}`,
    empty: {
      text: '',
      warmth: '',
      held: '',
      instrumentId: '',
      because: '',
      live: '',
      diluted: false,
      sample: (finished ? 'finished' : 'pan') as 'pan' | 'finished',
      taken: asked?.[0] ?? ('as-it-is' as Taken),
    },
    schema: bodyOf('reading'),
    read: (a, fields) => {
      const unread = a.text.trim() === '' ? 'What did you read?' : unreadIn(kind, a.text);
      if (unread !== undefined) fields.problem('text', unread);
      return {
        ...(at ? { at } : {}),
        stepId,
        kind,
        sample: a.sample,
        taken: a.sample === 'finished' ? a.taken : 'as-it-is',
        said:
          a.live === ''
            ? saidOf(kind, a.text, a.warmth, chosenOf(a.instrumentId)?.kind)
            : `${saidOf(kind, a.text, a.warmth)}, ${a.live}`,
        raw: rawOf(kind, a.text),
        celsius: fields.figure('warmth', { unit: 'C' }),
        heldMinutes: kind === 'temperature' ? fields.figure('held', { unit: 'min' }) : null,
        diluted: kind === 'ph' && a.diluted,
        simulated: a.live !== '',
        instrumentId: a.live === '' ? (chosenOf(a.instrumentId)?.id ?? null) : null,
        because: a.because || null,
      };
    },
    fieldAt: (path) =>
      path === 'raw' || path === 'said'
        ? 'text'
        : path === 'celsius'
          ? 'warmth'
          : path === 'heldMinutes'
            ? 'held'
            : undefined,
    write: (body) => recordEntry('reading', lot, body, `${kinds[kind].name} ${body.said}`),
    after: onClose,
  });
  return { form, own, chosen: chosenOf(form.values.instrumentId), asked };
}

export type Reading = ReturnType<typeof useReading>;
