import { closeSync, existsSync, fstatSync, openSync, renameSync, writeSync } from 'node:fs';

const FILE_MODE = 0o600;

/**
 * A file that lines are appended to. Over its size it is put aside, in the place of the one before. A line that cannot be
 * written is dropped and counted, and the number is said once writing works again: logging stops nothing.
 */
export class LogFile {
  private descriptor: number;
  private bytes: number;
  private nDropped = 0;

  /** @throws {Error} of the system where the file cannot be opened: a person can mend that before the start */
  constructor(
    private readonly path: string,
    private readonly mostBytes: number,
  ) {
    this.descriptor = openSync(path, 'a', FILE_MODE);
    this.bytes = fstatSync(this.descriptor).size;
  }

  write(line: string): void {
    try {
      if (this.bytes >= this.mostBytes) this.putAside();
      if (this.nDropped > 0) {
        this.append(
          `\n${JSON.stringify({ level: 50, time: Date.now(), msg: 'lines were dropped', nDropped: this.nDropped })}\n`,
        );
        this.nDropped = 0;
      }
      this.append(line);
    } catch {
      this.nDropped += 1;
    }
  }

  private append(text: string): void {
    writeSync(this.descriptor, text);
    this.bytes += Buffer.byteLength(text);
  }

  /** What is open stays open until the next one is. */
  private putAside(): void {
    if (existsSync(this.path)) renameSync(this.path, `${this.path}.1`);
    const next = openSync(this.path, 'a', FILE_MODE);
    closeSync(this.descriptor);
    this.descriptor = next;
    this.bytes = fstatSync(next).size;
  }
}
