import type { PlaceInLine } from '@blue-ledge/core';

/** Plans that are asked for and not made yet, in their order: whoever waits long is told how many come first. */

export class PlanLine {
  private readonly waiting = new Set<{ readonly key: string | undefined }>();

  /** Stands in line until the work is done. @param key of the request that it belongs to */
  async during<T>(key: string | undefined, work: () => Promise<T>): Promise<T> {
    const one = { key };
    this.waiting.add(one);
    try {
      return await work();
    } finally {
      this.waiting.delete(one);
    }
  }

  placeOf(key: string): PlaceInLine {
    const keys = [...this.waiting].map((one) => one.key);
    return { nBefore: Math.max(0, keys.indexOf(key)), nOwn: keys.filter((other) => other === key).length };
  }
}
