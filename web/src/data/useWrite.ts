import { useMutation } from '@tanstack/react-query';
import { toast } from 'sonner';
import { ApiProblem, refresh } from './api.ts';

/** A write: done once, every view read again after it; what went wrong is kept for the form, and told in a notice where neither a field nor the form itself shows it. */
export function useWrite<T, R>(
  work: (input: T) => Promise<R>,
  options: {
    done?: string;
    after?: (result: R, input: T) => void;
    tellsErrors?: boolean;
    /** The work itself has every view read again where that is wanted. */
    refreshes?: boolean;
  } = {},
) {
  const mutation = useMutation({
    mutationFn: work,
    onSuccess: async (result, input) => {
      if (!options.refreshes) await refresh();
      if (options.done) toast.success(options.done);
      options.after?.(result, input);
    },
    onError: (error) => {
      if (options.tellsErrors) return;
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
