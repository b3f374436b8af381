import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

/** What an abbreviation or a term of the trade means, in one line. */
const MEANINGS = {
  brix: '°Bx: grams of dissolved solids, mostly sugar, in 100 g of liquid.',
  ph: 'pH: how acid a liquid is. Lower is more acid; under 4.6 the worst bacteria do not grow.',
  acid: 'Acid: titratable acidity (TA), grams of acid in 100 g, expressed as citric acid. It tells how sharp a liquid tastes.',
  ratio: '°Bx/acid: sugar over acid. The higher it is, the sweeter it tastes.',
  waterActivity:
    'a_w: water activity, how much of the water microbes can use, from 0 to 1. It is calculated here and passes no release check.',
  abv: 'ABV: alcohol by volume, mL of alcohol in 100 mL.',
  process: 'Process: minutes that the matching heat process asks for at this kitchen’s elevation.',
} as const;

/** A term that says what it means when it is pressed. */
export function Term({ of, children }: { of: keyof typeof MEANINGS; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="min-h-6 min-w-6 cursor-help text-left underline decoration-steel decoration-dotted underline-offset-3 hover:text-link">
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={12}
          className="enamel-rim z-50 max-w-72 bg-enamel px-3.5 py-2.5 text-sm"
        >
          {MEANINGS[of]}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
