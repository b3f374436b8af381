export type Cells = Record<string, string | number | boolean | Buffer | null>;
export type WrittenRow = Record<string, unknown>;

/** An insert that waits to be sent with others, and then for its turn to go on. */
export interface Waiting {
  table: string;
  row: Cells;
  /** The row as the database gave it back, once it was sent. */
  written: WrittenRow | null;
  /** Lets whoever wrote it go on. */
  goOn: () => void;
  fail: (error: unknown) => void;
}

/** The inserts of writes that share a transaction: each write comes as far as its first one, they are sent together, and each write goes on in turn. */
export class Gathering {
  readonly waiting: Waiting[] = [];
  #came: (one: Waiting) => void = () => {};

  next(): Promise<Waiting> {
    return new Promise((resolve) => {
      this.#came = resolve;
    });
  }

  /** Waits with an insert. @returns its row as the database gave it back */
  add(table: string, row: Cells): Promise<WrittenRow> {
    return new Promise((resolve, reject) => {
      const one: Waiting = {
        table,
        row,
        written: null,
        fail: reject,
        goOn: () => resolve(one.written!),
      };
      this.waiting.push(one);
      this.#came(one);
    });
  }

  /** What waits, by table and columns: what one statement can insert. */
  alike(): Waiting[][] {
    const alike = new Map<string, Waiting[]>();
    for (const one of this.waiting) {
      const key = `${one.table} ${Object.keys(one.row)}`;
      alike.set(key, [...(alike.get(key) ?? []), one]);
    }
    return [...alike.values()];
  }
}
