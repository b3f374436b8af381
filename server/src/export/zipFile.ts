import { close, open, read } from 'node:fs';
import { stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { promisify } from 'node:util';
import yauzl, { type ZipFile } from 'yauzl';

const outside = () => new Error('it points outside itself.');

/** A file read at the places that a zip in it names: a damaged zip may name places that the file has not. */
class PlacesOfFile extends yauzl.RandomAccessReader {
  private readonly fd: number;
  private readonly size: number;
  private closed = false;

  constructor(fd: number, size: number) {
    super();
    this.fd = fd;
    this.size = size;
  }

  private has(start: number, end: number): boolean {
    return start >= 0 && end >= start && end <= this.size;
  }

  override _readStreamForRange(start: number, end: number): Readable {
    const { fd } = this;
    const isIn = this.has(start, end);
    let at = start;
    return new Readable({
      read: function (this: Readable, most: number): void {
        if (!isIn) this.destroy(outside());
        else if (at >= end) this.push(null);
        else
          read(
            fd,
            Buffer.alloc(Math.min(most, end - at)),
            0,
            Math.min(most, end - at),
            at,
            (error, count, part) => {
              if (error) this.destroy(error);
              else {
                at += count;
                this.push(count === 0 ? null : part.subarray(0, count));
              }
            },
          );
      },
    });
  }

  override read(
    buffer: Buffer,
    offset: number,
    length: number,
    position: number,
    callback: (error: Error | null) => void,
  ): void {
    if (!this.has(position, position + length)) {
      setImmediate(() => callback(outside()));
      return;
    }
    read(this.fd, buffer, offset, length, position, (error, count) =>
      callback(error ?? (count < length ? outside() : null)),
    );
  }

  override close(callback: (error: Error | null) => void): void {
    // A stream that was given up may have been the last to let go of it already.
    if (this.closed) setImmediate(() => callback(null));
    else close(this.fd, (error) => callback(error ?? null));
    this.closed = true;
  }
}

/** Opens a zip on the disk. Whatever is damaged in it is an error of the call that meets it. @throws Error where it is no zip, or a damaged one */
export async function openZipFile(file: string): Promise<ZipFile> {
  const { size } = await stat(file);
  const fd = await promisify(open)(file, 'r');
  try {
    return await yauzl.fromRandomAccessReaderPromise(new PlacesOfFile(fd, size), size, { autoClose: false });
  } catch (error) {
    close(fd);
    throw new Error(`It is damaged, or no zip: ${(error as Error).message}`);
  }
}
