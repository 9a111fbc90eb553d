import { CALCULATIONS } from '@/core/calc';
import { answer, json, storeContext } from '@/server/http';

export const GET = (request: Request) =>
  answer(async () => {
    await storeContext(request);
    return json(CALCULATIONS.map(({ name, summary }) => ({ name, summary })));
  });
