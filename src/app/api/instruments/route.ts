import { answer, json, storeContext } from '@/server/http';
import { readInstruments } from '@/server/instruments/readInstruments';

/** Every instrument as it stands now: figure, state, age, calibration. */
export const GET = (request: Request) => answer(async () => json(await readInstruments(await storeContext(request))));
