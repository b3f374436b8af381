/** One line of a lot's history. */
export interface Happening {
  id: string;
  at: string;
  by: string;
  title: string;
  detail: string;
  struck: { by: string; why: string } | null;
}
