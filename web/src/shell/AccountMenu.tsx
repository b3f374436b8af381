import { accountRoutes } from '@inch/contract/kitchen/account';
import { DropdownMenu } from 'radix-ui';
import { Link } from 'react-router';
import { call, queryClient, refresh } from '../data/api.ts';
import { kept } from '../data/kept.ts';
import { useSession } from '../data/session.tsx';
import { AccountName, accountButton } from './AccountName.tsx';
import { type Theme, useTheme } from './theme.ts';

const item =
  'block w-full cursor-pointer rounded-md px-3 py-2 text-left outline-none data-[highlighted]:bg-rim-pale';

/** What the signed-in person can do with this device: settings, theme, signing out. Opens as it comes. */
export function AccountMenu() {
  const { account } = useSession();
  const [theme, choose] = useTheme();
  const signOut = async () => {
    await call(accountRoutes.signOut);
    queryClient.clear();
    await kept.removeClient();
    await refresh();
  };
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger className={accountButton}>
        <AccountName />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-50 min-w-56 rounded-xl border-2 border-rim bg-enamel p-2 shadow-lg"
        >
          <DropdownMenu.Label className="px-3 py-1 text-sm text-ink-2">
            {account.name}, {account.role}
          </DropdownMenu.Label>
          <DropdownMenu.Item asChild>
            <Link to="/kitchen" className={item}>
              Kitchen settings
            </Link>
          </DropdownMenu.Item>
          <DropdownMenu.RadioGroup
            value={theme}
            onValueChange={(value) => choose(value as Theme)}
            aria-label="Theme"
          >
            {(['system', 'light', 'dark'] as const).map((t) => (
              <DropdownMenu.RadioItem key={t} value={t} className={item}>
                <span className="inline-block w-5">{theme === t ? '●' : '○'}</span>
                {{ system: 'Theme of this device', light: 'Light', dark: 'Dark, for night work' }[t]}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
          <DropdownMenu.Item className={item} onSelect={() => void signOut()}>
            Sign out
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
