/** One line of a lot's history. */
export interface Happening {
  id: string;
  at: string;
  /** When it was written down, where that is known. */
  recordedAt?: string | undefined;
  by: string;
  title: string;
  detail: string;
  struck: { by: string; why: string } | null;
}
