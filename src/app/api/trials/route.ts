import { invalid } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { expectTrial, readTrials } from '@/server/log/readTrials';
import { keepYardFact } from '@/server/stores/yardFacts';

/** Every series of trials; with `?asked=` (JSON) what a sample should do instead. */
export const GET = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request);
    const asked = new URL(request.url).searchParams.get('asked');
    return json(asked === null ? await readTrials(context) : await expectTrial(context, parsed(asked)));
  });

function parsed(text: string): unknown {
  try {
    return JSON.parse(text.slice(0, 20_000));
  } catch {
    throw invalid('asked', 'What the sample is like is no JSON');
  }
}

/** Keep a sample with its readings; the same again is the same. */
export const POST = (request: Request) =>
  answer(async () => json(await keepYardFact(await storeContext(request, 'measure'), await readJson(request))));
