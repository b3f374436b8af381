import { entryRoutes, type LotView } from '@inch/contract/making/lot';
import { ENDED, RULE_SET } from '@inch/core/lot';
import { type ChangeEvent, useState } from 'react';
import { call } from '../data/api.ts';
import { useIds } from '../data/ids.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Field } from '../ui/Field.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { Caution } from '../ui/State.tsx';

type Event = 'release' | 'hold' | 'close' | 'resume' | 'discard' | 'recall' | 'settle';

const WORDS: Record<Event, { button: string; title: string; says: string; tone: 'main' | 'plain' | 'stop' }> =
  {
    release: {
      button: 'Release',
      title: 'Release this lot',
      says: 'Every release check is passed. You sign with your own password: your name and the time are recorded with the evidence.',
      tone: 'main',
    },
    settle: {
      button: 'Keep as released',
      title: 'Keep this lot as it was released',
      says: 'It was released under earlier rules, and today’s would ask for what is listed above. You answer for it with your name, your reason and your password. Or measure again, shorten its date, or hold it.',
      tone: 'plain',
    },
    hold: {
      button: 'Hold',
      title: 'Hold this lot',
      says: 'Nothing of it leaves the kitchen until the owner resumes it. Say why.',
      tone: 'plain',
    },
    close: {
      button: 'Close',
      title: 'Close this lot',
      says: 'After it nothing is written but a complaint, a recall, and what comes back. Where bottles still stand, say what becomes of them.',
      tone: 'plain',
    },
    resume: {
      button: 'Resume',
      title: 'Resume this lot',
      says: 'What held it is closed with its cause and what was done. It goes back to where it was held from; where a release check does not pass any more, it is released anew.',
      tone: 'plain',
    },
    discard: {
      button: 'Discard',
      title: 'Discard this lot',
      says: 'It is recorded as discarded for good.',
      tone: 'stop',
    },
    recall: {
      button: 'Recall',
      title: 'Recall this lot',
      says: 'Everything made with its by-products is held as well. Its record says who has its bottles: write there whom you told, and what came back. You sign with your own password.',
      tone: 'stop',
    },
  };

const ASKS_WHY: readonly Event[] = ['hold', 'resume', 'discard', 'recall', 'settle'];
const SIGNED: readonly Event[] = ['release', 'settle', 'recall'];
/** A reason is taken where one is wanted, and asked for where bottles still stand. */
const TAKES_WHY: readonly Event[] = [...ASKS_WHY, 'close'];
const RULINGS: readonly Event[] = ['resume', 'discard', 'recall'];

/** Whether a lot was released under earlier rules, today's ask for more, and nobody settled that. */
function isUnsettled(lot: LotView): boolean {
  const rules = lot.decisions.findLast((d) => d.to === 'released')?.ruleSet;
  return (
    lot.state === 'released' &&
    rules !== RULE_SET.id &&
    lot.gates.some((g) => !g.open) &&
    !lot.settlings.some((s) => s.ruleSet === RULE_SET.id)
  );
}

/** Why a lot may be on sale though a check does not pass: it goes by the rules of its release. */
export function UnderEarlierRules({ lot }: { lot: LotView }) {
  if (!isUnsettled(lot)) return null;
  return (
    <Caution className="mb-4">
      <strong>Released under earlier rules.</strong> It stays on sale. What today’s would ask besides is
      marked below: measure again, shorten its date, hold it, or keep it as released with your reason.
    </Caution>
  );
}

/** What may be decided of a lot in its state, by an account of this role. */
function choices(lot: LotView, owner: boolean): Event[] {
  const ended = ENDED.includes(lot.state);
  const list: Event[] = [];
  if (lot.state === 'bottled') list.push('release');
  if (lot.state === 'held' && owner) list.push('resume');
  if (!ended && lot.state !== 'held') list.push('hold');
  if (owner && isUnsettled(lot)) list.push('settle');
  if (lot.state === 'released') list.push('close');
  if (!ended && owner) list.push('discard');
  if (owner && ['released', 'held', 'closed'].includes(lot.state)) list.push('recall');
  return list;
}

/** A decision is not kept for later: it rests on how the lot stands now, so it wants the server. */
function useDecision(lot: LotView, event: Event, onClose: () => void) {
  const ids = useIds();
  return useWrite(
    'entry',
    ({ why, done, password }: { why: string; done: string; password: string }) => {
      const body = { id: ids.of(event), why: why.trim() || null };
      const sent = { params: { id: lot.id } };
      if (event === 'settle')
        return call(entryRoutes.settling, { ...sent, body: { ...body, why: why.trim(), password } });
      return RULINGS.includes(event)
        ? call(entryRoutes.ruling, {
            ...sent,
            body: {
              ...body,
              event: event as 'resume',
              why: why.trim(),
              done: done.trim() || null,
              ...(event === 'recall' ? { password } : {}),
            },
          })
        : call(entryRoutes.decision, {
            ...sent,
            body: { ...body, event: event as 'release', ...(event === 'release' ? { password } : {}) },
          });
    },
    { after: onClose, showsErrors: true },
  );
}

function DecisionDialog({ lot, event, onClose }: { lot: LotView; event: Event; onClose: () => void }) {
  const [a, change] = useState({ why: '', done: '', password: '' });
  const write = useDecision(lot, event, onClose);
  const words = WORDS[event];
  const field = (name: keyof typeof a) => ({
    value: a[name],
    onChange: (e: ChangeEvent<HTMLInputElement>) => change({ ...a, [name]: e.target.value }),
    error: write.fields[name],
  });
  const short =
    (ASKS_WHY.includes(event) && a.why.trim().length < 2) ||
    (event === 'resume' && a.done.trim().length < 2) ||
    (SIGNED.includes(event) && a.password === '');
  return (
    <Dialog open onClose={onClose} title={`${words.title}, ${lot.code}`}>
      <form
        className="grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          write.run(a);
        }}
      >
        <p className="text-ink-2">{words.says}</p>
        {TAKES_WHY.includes(event) && (
          <Field
            label={
              event === 'resume' ? 'Cause' : event === 'close' ? 'What becomes of bottles that stand' : 'Why'
            }
            autoFocus
            {...field('why')}
          />
        )}
        {event === 'resume' && <Field label="What was done about it" {...field('done')} />}
        {SIGNED.includes(event) && (
          <Field
            label="Your password"
            type="password"
            autoComplete="current-password"
            autoFocus={event === 'release'}
            {...field('password')}
          />
        )}
        {write.error && !write.fields.why && !write.fields.done && !write.fields.password && (
          <p role="alert" className="font-semibold text-stop">
            {write.error.message}
          </p>
        )}
        <FormEnd tone={words.tone} onCancel={onClose} disabled={write.busy || short}>
          {words.button}
        </FormEnd>
      </form>
    </Dialog>
  );
}

/** Release or hold, and what else may be decided. A release is offered only when every check is passed. */
export function Decide({ lot }: { lot: LotView }) {
  const { account } = useSession();
  const [event, setEvent] = useState<Event | null>(null);
  if (account.role === 'reader') return null;
  const shut = lot.gates.some((g) => !g.open);
  return (
    <div className="mt-5 flex flex-wrap gap-3">
      {choices(lot, account.role === 'owner').map((e) => (
        <Button
          key={e}
          tone={WORDS[e].tone}
          disabled={e === 'release' && shut}
          title={e === 'release' && shut ? 'A release check is missing' : undefined}
          onClick={() => setEvent(e)}
        >
          {WORDS[e].button}
        </Button>
      ))}
      {event && <DecisionDialog lot={lot} event={event} onClose={() => setEvent(null)} />}
    </div>
  );
}
