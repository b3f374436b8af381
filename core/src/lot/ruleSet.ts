/**
 * The rules that a release is judged by: a version that changes whenever a lot could fail a check that it passed before, and its day. A release keeps the
 * version that it was given under.
 */
export const RULE_SET = { id: '2026-12-01.2', on: '2026-12-01' } as const;
