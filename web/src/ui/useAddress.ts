import { useSearchParams } from 'react-router';

/** What is looked for stands in the address, so that it can be sent to somebody and is there on the way back. */
export function useAddress<F extends string>(fields: readonly F[]) {
  const [params, setParams] = useSearchParams();
  const shown = Object.fromEntries(
    fields.flatMap((f) => (params.get(f) ? [[f, params.get(f)!]] : [])),
  ) as Partial<Record<F, string>>;
  const change = (next: Partial<Record<F, string>>) =>
    setParams(
      (before) => {
        for (const [name, value] of Object.entries<string | undefined>(next))
          if (value) before.set(name, value);
          else before.delete(name);
        return before;
      },
      { replace: true },
    );
  return { shown, change };
}
