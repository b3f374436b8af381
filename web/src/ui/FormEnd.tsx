import type { ReactNode } from 'react';
import { twMerge } from 'tailwind-merge';
import { Button } from './Button.tsx';

/** The end of a form: the way back, and what sends it. */
export function FormEnd({
  onCancel,
  disabled,
  tone = 'main',
  large = false,
  className,
  children = 'Save',
}: {
  onCancel: () => void;
  disabled: boolean;
  tone?: 'main' | 'plain' | 'stop' | undefined;
  /** As high as a thumb: at the stove. */
  large?: boolean;
  className?: string;
  children?: ReactNode;
}) {
  const high = large ? { className: 'min-h-14' } : {};
  return (
    <div className={twMerge('col-span-full flex justify-end gap-3', className)}>
      <Button tone="plain" {...high} onClick={onCancel}>
        Cancel
      </Button>
      <Button type="submit" tone={tone} {...high} disabled={disabled}>
        {children}
      </Button>
    </div>
  );
}
