import * as Comlink from 'comlink';
import { useEffect, useState } from 'react';
import type { Boat } from '@/core/document';
import type { Cutting, KitPieces } from '@/core/kit';
import type { KitWorker } from '@/workers/kit.worker';

export const kitWorker = () => new Worker(new URL('../../workers/kit.worker.ts', import.meta.url), { type: 'module' });

/** What was found last, for a tab that is opened again. */
let last: { boat: Boat; cutting: Cutting; result: KitPieces | string } | null = null;

/** Every piece of a boat, found aside of the page; null until it is. Why there are none, in words. */
export function usePieces(boat: Boat, cutting: Cutting): KitPieces | string | null {
  const [found, setFound] = useState(last);
  useEffect(() => {
    if (last?.boat === boat && last.cutting === cutting) return;
    let wanted = true;
    const worker = kitWorker();
    void Comlink.wrap<KitWorker>(worker)
      .pieces(boat, cutting)
      .then(
        (result) => {
          last = { boat, cutting, result: result as KitPieces | string };
          if (wanted) setFound(last);
        },
        () => wanted && setFound({ boat, cutting, result: 'The pieces could not be found: open the tab again' }),
      )
      .finally(() => worker.terminate());
    return () => {
      wanted = false;
      worker.terminate();
    };
  }, [boat, cutting]);
  return found?.boat === boat && found.cutting === cutting ? found.result : null;
}
