import { useSession } from '../data/session.tsx';

/** Look of the button at the end of the strip. */
export const accountButton =
  'max-w-40 truncate border-l border-steel-line py-1 pl-3 text-sm hover:text-link max-sm:max-w-24';

/** What that button says: the kitchen's name. */
export function AccountName() {
  const { kitchen } = useSession();
  return (
    <>
      <span className="sr-only">Kitchen and account: </span>
      {kitchen.name.replace(/ kitchen$/i, '')}
    </>
  );
}
