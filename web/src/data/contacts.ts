import { contactRoutes } from '@inch/contract/kitchen/contact';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

/** Contacts by name, a page after another. @param q the beginning of a word of the name */
export const useContacts = (q: string) =>
  useInfiniteQuery({
    queryKey: [...keys.list('contact'), q],
    queryFn: ({ pageParam }) =>
      call(contactRoutes.list, {
        query: { ...(q ? { q } : {}), ...(pageParam ? { before: pageParam } : {}) },
      }),
    initialPageParam: null as string | null,
    getNextPageParam: (last) => last.next,
    placeholderData: keepPreviousData,
  });
