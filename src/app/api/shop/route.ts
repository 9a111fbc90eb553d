import { invalid } from '@/core/error';
import { readShop } from '@/server/floor/readShop';
import { answer, json, readJson, storeContext } from '@/server/http';
import { keepYardFact } from '@/server/stores/yardFacts';

/** Moulds, tools, consumables, messy work and series as they stand. */
export const GET = (request: Request) => answer(async () => json(await readShop(await storeContext(request))));

/** Keep what happened in the shop; the same again is the same. */
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'record');
    const fact = await readJson(request);
    const { kind } = (fact ?? {}) as { kind?: unknown };
    if (kind === 'learned' || kind === 'learnedRate')
      throw invalid('kind', 'What was learned is put to use under Learning');
    return json(await keepYardFact(context, fact));
  });
