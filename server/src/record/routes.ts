import { entryRoutes, lotRoutes } from '@inch/contract/making/lot';
import { postedNouns } from '@inch/contract/route/entry';
import { DECISIONS, type PostedNoun, RULINGS } from '@inch/core/record';
import { journalOfLot } from '../audit/ofLot.ts';
import { type AppContext, type Attempt, serve } from '../http/serve.ts';
import { requireLot } from '../lot/store.ts';
import { lotView } from '../lot/view.ts';
import { listLots } from '../standing/list.ts';
import { codesOf, madeFrom, stoppedBy } from '../trace/reach.ts';
import { vesselOf } from '../vessel/learned.ts';
import { beginLot } from './begin.ts';
import { checkSignature, journalRefusal, strike } from './deciding.ts';
import { record } from './record.ts';

type Body = Record<string, unknown>;

/** What is refused of a lot's decisions and sales is journaled too: the word in the body that names what was tried. */
const decided = { word: 'event', of: [...DECISIONS, ...RULINGS] as readonly string[] };
const ATTEMPTS: Partial<Record<PostedNoun, { word: string; of: readonly string[] }>> = {
  movement: { word: 'kind', of: ['sold', 'given', 'tasted', 'drunk'] },
  decision: decided,
  ruling: decided,
};

function refusedOf(noun: PostedNoun): ((attempt: Attempt) => Promise<void>) | undefined {
  const attempted = ATTEMPTS[noun];
  if (!attempted) return undefined;
  return async ({ writing, req, why }) => {
    const event = String(((req.body ?? {}) as Body)[attempted.word]);
    if (attempted.of.includes(event)) await journalRefusal(writing, String(req.params.id), event, why);
  };
}

/** Releasing, keeping under earlier rules and recalling are signed. */
const isSigned = (noun: PostedNoun, event: string): boolean =>
  (noun === 'decision' && event === 'release') ||
  (noun === 'ruling' && event === 'recall') ||
  noun === 'settling';

/** What is written into a lot's record: a route a kind of entry, all through `record`. A release is signed first. */
function bindEntries(app: AppContext): void {
  for (const noun of postedNouns)
    serve(
      app,
      entryRoutes[noun] as (typeof entryRoutes)['decision'],
      async (call) => {
        const { body, params, account, pool, req } = call;
        const signed = isSigned(noun, String((body as Body).event));
        const done = (noun as PostedNoun) === 'ruling' ? 'recalled' : 'released';
        if (signed) await checkSignature(pool, account, body.password, req.ip ?? '', done);
        return call.write((w) => record(w, noun, params.id, body, { signed }));
      },
      refusedOf(noun),
    );
}

export function lotRouter(app: AppContext): void {
  serve(app, lotRoutes.list, ({ pool, kitchen, query }) => listLots(pool, kitchen, query));
  serve(app, lotRoutes.read, async ({ pool, kitchen, params }) => {
    const lot = await requireLot(pool, kitchen, params.id);
    const [vessel, made, stopped] = await Promise.all([
      vesselOf(pool, kitchen, lot),
      madeFrom(pool, kitchen.id, [lot.id]),
      stoppedBy(pool, kitchen.id, lot),
    ]);
    const beside = { vessel, wentInto: await codesOf(pool, made), stopped: stopped.map((s) => s.why) };
    return lotView(lot, kitchen, beside);
  });
  serve(app, lotRoutes.begin, (call) => call.write((w) => beginLot(w, call.body)));
  bindEntries(app);
  serve(app, lotRoutes.strike, (call) => call.write((w) => strike(w, call.params.id, call.body)));
  serve(app, lotRoutes.journal, async ({ pool, kitchen, params }) => {
    const lot = await requireLot(pool, kitchen, params.id);
    return journalOfLot(pool, lot.id);
  });
}
