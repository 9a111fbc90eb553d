import { CALCULATIONS } from '@/core/calc';
import { answer, json } from '@/server/http';

export const GET = () => answer(async () => json(CALCULATIONS.map(({ name, summary }) => ({ name, summary }))));
