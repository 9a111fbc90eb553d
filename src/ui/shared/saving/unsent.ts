import { editsSchema } from '@/core/edit';
import type { Pending } from './machine';

/** Where unsent edits outlive a reload: the browser's storage, or a stand-in for it. */
export interface UnsentStorage {
  keys: () => string[];
  get: (key: string) => string | null;
  set: (key: string, value: string) => void;
  remove: (key: string) => void;
}

interface Kept {
  version: number;
  queue: Pending[];
  /** Milliseconds; a page that lives writes it anew now and then. */
  alive: number;
  /** The page said goodbye: whoever comes next may take its edits at once. */
  released: boolean;
}

/** A page that has not written for so long is gone (milliseconds). */
export const GONE_AFTER = 15_000;
const PREFIX = 'keramos.unsent.';

/**
 * Edits that one page could not send yet. Each page has a place of its own; those of pages that are gone are taken
 * over.
 */
export class Unsent {
  private key: string;

  constructor(
    private storage: UnsentStorage,
    private boatId: string,
    pageId: string,
    private clock: () => number,
  ) {
    this.key = `${PREFIX}${boatId}.${pageId}`;
  }

  keep(version: number, queue: readonly Pending[], released = false): void {
    try {
      if (queue.length === 0) this.storage.remove(this.key);
      else
        this.storage.set(
          this.key,
          JSON.stringify({ version, queue, alive: this.clock(), released } as unknown as Kept),
        );
    } catch {
      // Storage may be full or forbidden: saving goes on, only the net under a reload is missing.
    }
  }

  private read(key: string): Kept | null {
    try {
      const kept = JSON.parse(this.storage.get(key) ?? 'null') as Kept | null;
      const queue = kept?.queue.filter(({ edits }) => editsSchema.safeParse(edits).success) ?? [];
      return kept && queue.length > 0 ? { ...kept, queue } : null;
    } catch {
      return null;
    }
  }

  /**
   * The edits of a page that is gone, taken over into this page's place.
   * @returns the oldest of them; null where there are none. Those of pages that live are left to them.
   */
  takeOver(): { version: number; queue: Pending[] } | null {
    const others = this.storage
      .keys()
      .filter((key) => key.startsWith(`${PREFIX}${this.boatId}.`) && key !== this.key)
      .flatMap((key) => {
        const kept = this.read(key);
        const gone = kept !== null && (kept.released || this.clock() - kept.alive > GONE_AFTER);
        return gone ? [{ key, kept }] : [];
      })
      .sort((a, b) => a.kept.alive - b.kept.alive);
    const [first] = others;
    if (!first) return null;
    this.keep(first.kept.version, first.kept.queue);
    this.storage.remove(first.key);
    return { version: first.kept.version, queue: first.kept.queue };
  }
}

/** The storage of the browser; one that is forbidden holds nothing. */
export const browserStorage: UnsentStorage = {
  keys: () => {
    try {
      return Object.keys(localStorage);
    } catch {
      return [];
    }
  },
  get: (key) => localStorage.getItem(key),
  set: (key, value) => localStorage.setItem(key, value),
  remove: (key) => localStorage.removeItem(key),
};
