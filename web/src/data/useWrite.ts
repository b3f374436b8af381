import { useMutation } from '@tanstack/react-query';
import { toast } from 'sonner';
import { ApiProblem } from './api.ts';
import { useIds } from './ids.ts';
import { readAgain, type WrittenNoun } from './keys.ts';

export interface WriteOptions<T, R> {
  done?: string;
  /** It is written, or kept on this device; what it touched is not read again yet. */
  written?: () => void;
  after?: (result: R, input: T) => void;
  /** It stands against what was written under its id. */
  conflict?: () => void;
  showsErrors?: boolean;
}

/** Whether a write is kept on this device, because the server did not answer. */
const isWaiting = (result: unknown): boolean =>
  typeof result === 'object' && result !== null && 'sent' in result && result.sent === false;

/**
 * A write: its ids are made once and kept through every try until it is acknowledged, what it touches is read again after it; what went wrong is kept for the form, and told in a notice where neither a field nor
 * the form shows it.
 */
export function useWrite<T, R>(
  of: WrittenNoun,
  work: (input: T, idOf: (thing?: string) => string) => Promise<R>,
  options: WriteOptions<T, R> = {},
) {
  const ids = useIds();
  const mutation = useMutation({
    mutationFn: (input: T) => work(input, (thing = '') => ids.of(thing)),
    onSuccess: async (result, input) => {
      ids.forget();
      options.written?.();
      // What was sent is read back before the form lets go, so that nothing is recorded twice; what waits here is shown from here.
      if (isWaiting(result)) toast('Waiting on this device. It is sent when the server answers.');
      else await readAgain(of);
      if (options.done && !isWaiting(result)) toast.success(options.done);
      options.after?.(result, input);
    },
    onError: (error) => {
      // The id stands for what was written under it; what is tried next is something else.
      if (error instanceof ApiProblem && error.status === 409) {
        ids.forget();
        options.conflict?.();
      }
      if (options.showsErrors) return;
      if (!(error instanceof ApiProblem) || Object.keys(error.fields).length === 0)
        toast.error(error.message);
    },
  });
  const fields = mutation.error instanceof ApiProblem ? mutation.error.fields : {};
  return {
    run: mutation.mutate,
    busy: mutation.isPending,
    error: mutation.error,
    fields,
    reset: mutation.reset,
  };
}
