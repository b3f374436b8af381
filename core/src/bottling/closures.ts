/** How a bottle or jar closes. */
export const CLOSURES = ['two-piece-lid', 'screw-cap', 'swing-top', 'crown-cap', 'cork'] as const;
export type Closure = (typeof CLOSURES)[number];
