import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

export interface Action {
  name: string;
  act: () => void;
  /** A line is drawn before it. */
  apart?: boolean;
  disabled?: boolean;
}

/** A small menu of actions behind a button. */
export function Menu({
  label,
  children,
  actions,
}: {
  label: string;
  children: ReactNode;
  actions: Action[];
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={label}
        className="inline-flex min-h-8 items-center justify-center rounded-[10px] px-2 font-semibold whitespace-nowrap text-link hover:bg-rim-pale"
      >
        {children}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-50 min-w-56 rounded-xl border-2 border-rim bg-enamel p-1.5 shadow-lg"
        >
          {actions.map((action) => (
            <div key={action.name}>
              {action.apart && <DropdownMenu.Separator className="my-1 border-t border-steel-line" />}
              <DropdownMenu.Item
                disabled={action.disabled ?? false}
                onSelect={action.act}
                className="cursor-pointer rounded-md px-3 py-2 text-ink outline-none data-[disabled]:opacity-50 data-[highlighted]:bg-rim-pale"
              >
                {action.name}
              </DropdownMenu.Item>
            </div>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
