import { Button } from './Button.tsx';

/** Says that a form holds what was typed before, and offers to empty it. */
export function DraftNote({ form }: { form: { restored: boolean; clear: () => void } }) {
  if (!form.restored) return null;
  return (
    <p role="status" className="col-span-full flex flex-wrap items-center gap-x-3 text-sm text-ink-2">
      What you typed before is still here.
      <Button size="small" tone="quiet" onClick={form.clear}>
        Clear the form
      </Button>
    </p>
  );
}
