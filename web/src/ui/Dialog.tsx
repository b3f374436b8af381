import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

/** A sheet laid over the page; Escape and the page behind close it. */
export function Dialog({
  open,
  onClose,
  title,
  children,
  wide = false,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  children: ReactNode;
  /** For a table of fields. */
  wide?: boolean;
}) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[#141b2d]/40" />
        <Radix.Content
          aria-describedby={undefined}
          className={`enamel-rim fixed top-1/2 left-1/2 z-50 max-h-[92vh] ${wide ? 'w-[min(52rem,96vw)]' : 'w-[min(34rem,94vw)]'} -translate-x-1/2 -translate-y-1/2 overflow-auto p-8 max-sm:p-5`}
        >
          <Radix.Title className="mb-4 text-xl font-bold">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
