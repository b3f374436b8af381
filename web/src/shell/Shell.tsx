import { Suspense, useEffect, useState } from 'react';
import { Outlet, useLocation, useMatch, useNavigate } from 'react-router';
import { ServerAway } from '../data/api.ts';
import { useLive } from '../data/live.ts';
import { outbox } from '../data/outbox/outbox.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useToday } from '../data/today.ts';
import { useKey } from '../ui/keys.tsx';
import { lazyPart } from '../ui/lazyPart.ts';
import { State } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { AccountName, accountButton } from './AccountName.tsx';
import { Clocks } from './Clocks.tsx';
import { JotLine } from './JotLine.tsx';
import { LoadedMenu } from './LoadedMenu.tsx';
import { NewVersion } from './NewVersion.tsx';
import { PlainAddress } from './PlainAddress.tsx';
import { places } from './places.ts';
import { RingBar } from './RingBar.tsx';
import { Rule } from './Rule.tsx';
import { WaitingTray } from './WaitingTray.tsx';

const KeySheet = lazyPart(async () => (await import('./KeySheet.tsx')).KeySheet);
const loadAccountMenu = async () => (await import('./AccountMenu.tsx')).AccountMenu;

function PlaceKeys() {
  const navigate = useNavigate();
  return places.map((place) => (
    <PlaceKey
      key={place.path}
      press={`g ${place.letter}`}
      says={`go to ${place.name}`}
      go={() => navigate(place.path)}
    />
  ));
}

function PlaceKey({ press, says, go }: { press: string; says: string; go: () => void }) {
  useKey(press, says, go);
  return null;
}

/** The rule, the strip and the sheet that every screen stands in. */
export function Shell() {
  const { data: today, error } = useToday(20_000);
  const { account } = useSession();
  const mayWrite = useMayWrite();
  const cooking = useMatch('/stove/:code/cook') !== null;
  const { pathname } = useLocation();
  useLive();
  useEffect(() => outbox.start(account.id), [account.id]);
  const [keysOpen, setKeysOpen] = useState(false);
  useKey('?', 'the keys of this screen', () => setKeysOpen(true));
  return (
    <div className="flex h-full max-sm:h-auto max-sm:min-h-full max-sm:flex-col">
      <PlaceKeys />
      <a
        href={`${window.location.pathname}#sheet`}
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-enamel focus:p-3"
      >
        Skip to content
      </a>
      {!cooking && <Rule open={today?.open ?? []} />}
      <div className="flex min-w-0 flex-1 flex-col px-5 pt-2.5 pb-5 max-sm:px-2 max-sm:pb-32">
        <header className="no-print mb-3 flex flex-wrap items-center gap-x-4 gap-y-1 max-sm:justify-between max-sm:gap-1">
          {mayWrite ? <JotLine open={today?.open ?? []} /> : <span className="flex-1" />}
          {today && today.clocks.length > 0 && <Clocks today={today} />}
          {error instanceof ServerAway && (
            <p role="status" className="border-l border-steel-line pl-3 text-sm">
              <State tone="hold">server away</State>
              <span className="block text-ink-2">shown as last read</span>
            </p>
          )}
          <WaitingTray />
          <LoadedMenu load={loadAccountMenu} className={accountButton} name={<AccountName />} />
        </header>
        <NewVersion />
        <PlainAddress />
        <main id="sheet" tabIndex={-1} className="min-h-0 flex-1 outline-none">
          {/* Another place is another page: its shape stands there at once. */}
          <Suspense key={pathname.split('/')[1]} fallback={<Unread />}>
            <Outlet />
          </Suspense>
        </main>
        <RingBar today={today} />
      </div>
      {keysOpen && (
        <Suspense fallback={null}>
          <KeySheet onClose={() => setKeysOpen(false)} />
        </Suspense>
      )}
    </div>
  );
}
