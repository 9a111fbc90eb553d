import { templateToJson } from '@/core/document';
import { answer, json, storeContext } from '@/server/http';
import { dropTemplate, readTemplate } from '@/server/stores/templates';

type Context = { params: Promise<{ templateId: string }> };

/** The template whole, as the document that another yard takes in. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const { templateId } = await params;
    return json(templateToJson(await readTemplate(await storeContext(request), templateId)));
  });

export const DELETE = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { templateId } = await params;
    await dropTemplate(context, templateId);
    return json({ dropped: templateId });
  });
