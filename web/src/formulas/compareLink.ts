/** Address of the page that shows versions of formulas side by side. */
export const compareLink = (picks: readonly { id: string; version: number }[]): string =>
  `/formulas/compare?${picks.map((p) => `with=${p.id}.${p.version}`).join('&')}`;
