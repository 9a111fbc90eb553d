import { evaluateDetails } from '@/core/detail/kinds';
import { answer, json, storeContext } from '@/server/http';
import { readBuild } from '@/server/stores/builds';
import { readRevision } from '@/server/stores/revisions';

/** What is expected of a pull on each detail of the revision that is built. */
export const GET = (request: Request, { params }: { params: Promise<{ buildId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request);
    const { boatId, revision } = await readBuild(context, (await params).buildId);
    const { boat } = await readRevision(context, boatId, revision);
    const cases = evaluateDetails(boat).flatMap(({ detail, proof, governing }) =>
      proof ? [{ id: detail.id, name: detail.name, number: detail.number, proof, governs: governing?.name ?? '' }] : [],
    );
    return json(cases);
  });
