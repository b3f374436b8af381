/** A file that cannot be read: which line of it, and what to do. Nothing of it is taken. */
export class FileProblem extends Error {
  readonly line: number | null;
  constructor(line: number | null, sentence: string) {
    super(line === null ? sentence : `Line ${line}: ${sentence}`);
    this.line = line;
  }
}
