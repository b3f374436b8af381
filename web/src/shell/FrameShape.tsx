import { Unread } from '../ui/Unread.tsx';

/** The frame before anything of it is known: the rule, the strip and the sheet where they will stand. */
export function FrameShape() {
  return (
    <div className="flex h-full max-sm:h-auto max-sm:min-h-full max-sm:flex-col">
      <div aria-hidden="true" className="w-[84px] shrink-0 border-r border-steel-line max-sm:hidden" />
      <div className="flex min-w-0 flex-1 flex-col px-5 pt-2.5 pb-5 max-sm:px-2 max-sm:pb-32">
        <div aria-hidden="true" className="mb-3 h-12 rounded-lg border border-steel-line" />
        <main className="flex min-h-0 flex-1 flex-col">
          <Unread />
        </main>
      </div>
    </div>
  );
}
