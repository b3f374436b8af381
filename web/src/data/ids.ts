import { useRef } from 'react';
import { newId } from './api.ts';

/** Ids of several things that one form writes, each made once and kept until all of them are written. */
export function useIds(): { of: (key: string) => string; forget: () => void } {
  const ids = useRef(new Map<string, string>());
  return {
    of: (key) => {
      const known = ids.current.get(key) ?? newId();
      ids.current.set(key, known);
      return known;
    },
    forget: () => ids.current.clear(),
  };
}
