import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { boatSchema, newBoat } from '@/core/document';
import { database } from '@/server/database/open';
import { answer, json, readJson } from '@/server/http';
import { createBoat, duplicateBoat, listBoats } from '@/server/stores/boats';

const creation = z.strictObject({ name: boatSchema.shape.name, variantOf: z.string().max(40).optional() });

export const GET = () => answer(async () => json(await listBoats(await database())));

export const POST = (request: Request) =>
  answer(async () => {
    const { name, variantOf } = parseOrThrow(creation, await readJson(request));
    const db = await database();
    const { id, version } =
      variantOf === undefined ? await createBoat(db, newBoat(name)) : await duplicateBoat(db, variantOf, name);
    return json({ id, version }, 201);
  });
