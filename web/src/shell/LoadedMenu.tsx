import { type ComponentType, type ReactNode, useState } from 'react';
import { patiently } from '../ui/lazyPart.ts';

/** A button that stands for a menu until it is pressed: then the menu's script is fetched, and it opens in the button's place. */
export function LoadedMenu({
  load,
  className,
  name,
}: {
  load: () => Promise<ComponentType>;
  className: string;
  name: ReactNode;
}) {
  const [Menu, setMenu] = useState<ComponentType | null>(null);
  if (Menu) return <Menu />;
  const open = () => void patiently(load).then((loaded) => setMenu(() => loaded));
  return (
    <button
      type="button"
      aria-haspopup="menu"
      aria-expanded={false}
      className={className}
      onClick={open}
      onPointerEnter={() => void load().catch(() => undefined)}
      onKeyDown={(event) => event.key === 'ArrowDown' && open()}
    >
      {name}
    </button>
  );
}
