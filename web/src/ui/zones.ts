/** Currencies that a price can be in, ISO 4217. */
export const CURRENCIES: readonly string[] = Intl.supportedValuesOf('currency');

/** Time zones to choose from, with the one that is chosen whatever it is called. */
export const timeZonesWith = (chosen: string): string[] =>
  [...new Set([chosen, 'UTC', ...Intl.supportedValuesOf('timeZone')])].sort();
