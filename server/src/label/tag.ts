/** What stands on a tag: the code that is scanned, and lines of words, the first the largest. */
export interface Tag {
  code: string;
  title: string;
  lines: string[];
}
