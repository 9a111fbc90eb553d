import { templateFromJson } from '@/core/document';
import { answer, json, readText, storeContext } from '@/server/http';
import { keepTemplate } from '@/server/stores/templates';

/** Takes a template document; it gets a new identity here. */
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { name, note, boat } = templateFromJson(await readText(request));
    return json(await keepTemplate(context, { name, note }, boat), 201);
  });
