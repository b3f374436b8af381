import { DropdownMenu } from 'radix-ui';
import { Link } from 'react-router';
import { moreButton } from './RuleShape.tsx';
import { useRest } from './rest.ts';

/** The places that a phone's bottom bar has no room for. Opens as it comes. */
export function MoreMenu() {
  const { rest, here } = useRest();
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger className={moreButton(here !== undefined)}>
        {here?.name ?? 'More'}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-50 min-w-44 rounded-xl border-2 border-rim bg-enamel p-2 shadow-lg"
        >
          {rest.map((place) => (
            <DropdownMenu.Item key={place.path} asChild>
              <Link
                to={place.path}
                className="block rounded-md px-3 py-3 font-semibold outline-none data-[highlighted]:bg-rim-pale"
              >
                {place.name}
              </Link>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
