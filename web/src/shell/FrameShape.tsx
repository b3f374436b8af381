import { Unread } from '../ui/Unread.tsx';
import { RuleShape } from './RuleShape.tsx';

/** The frame before anything is known: the rule, the strip and the sheet where they will stand. It is in the page itself, before any script. */
export function FrameShape() {
  return (
    <div className="flex h-full max-sm:h-auto max-sm:min-h-full max-sm:flex-col">
      <RuleShape />
      <div className="flex min-w-0 flex-1 flex-col px-5 pt-2.5 pb-5 max-sm:px-2 max-sm:pb-32">
        <div aria-hidden="true" className="mb-3 h-10 border-b-2 border-steel max-sm:h-7 max-sm:border-0" />
        <main className="min-h-0 flex-1">
          <Unread />
        </main>
      </div>
    </div>
  );
}
