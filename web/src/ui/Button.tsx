import { cva, type VariantProps } from 'class-variance-authority';
import type { ComponentProps } from 'react';
import { twMerge } from 'tailwind-merge';

const look = cva(
  'inline-flex items-center justify-center gap-2 rounded-[10px] border-2 font-semibold whitespace-nowrap disabled:opacity-50',
  {
    variants: {
      tone: {
        main: 'border-rim bg-rim text-on-rim hover:bg-rim-hover hover:border-rim-hover',
        plain: 'border-rim bg-enamel text-link hover:bg-rim-pale',
        quiet: 'border-transparent bg-transparent text-link hover:bg-rim-pale',
        stop: 'border-stop bg-enamel text-stop hover:bg-stop-pale',
      },
      size: {
        usual: 'min-h-10 px-4 py-1.5',
        small: 'min-h-8 px-2.5 py-0.5 text-sm',
        stove: 'min-h-16 px-6 text-xl',
      },
    },
    defaultVariants: { tone: 'main', size: 'usual' },
  },
);

type Props = ComponentProps<'button'> & VariantProps<typeof look>;

export function Button({ tone, size, className, type = 'button', ...rest }: Props) {
  return <button type={type} className={twMerge(look({ tone, size }), className)} {...rest} />;
}

/** The looks of a button, for links that act like one. */
export const buttonLook = (variant: VariantProps<typeof look>, className = ''): string =>
  twMerge(look(variant), className);
