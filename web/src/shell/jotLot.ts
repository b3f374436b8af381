import type { TodayView } from '@inch/contract/kitchen/today';

/** The lot a jotting goes to: named in it, else the one on screen, else the only one being made. */
export function lotFor(named: string | null, pathname: string, open: TodayView['open']): string | null {
  if (named) return named;
  const onScreen = /\/(?:stove|bottling|records|labels)\/([^/]+)/.exec(pathname)?.[1];
  if (onScreen) return onScreen;
  const making = open.filter((lot) => lot.state === 'making');
  return making.length === 1 ? making[0]!.code : null;
}
