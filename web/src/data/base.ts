/** Path that the pages are served under, as the server wrote it into them, without a slash at its end: "" at the root of a host. */
export const base = (globalThis.document?.querySelector('base')?.getAttribute('href') ?? '/').replace(
  /\/$/,
  '',
);
