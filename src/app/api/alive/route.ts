import { answer, json } from '@/server/http';

/** Whether the server can be reached: asked before a page is left for another. */
export const GET = () => answer(() => Promise.resolve(json({ alive: true })));
