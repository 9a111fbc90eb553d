import { z } from 'zod';
import { cleanText, KeramosError, refuseBrokenText, type ErrorCode } from '@/core/error';
import { errorBody } from '@/core/calc';
import type { Right } from '@/core/people';
import { allow, contextOf, type StoreContext } from './context';
import { database } from './database/open';
import { troubleOf } from './database/trouble';
import { whoAsks } from './people/asks';
import type { AskOptions } from './threads/thread';

const STATUS: Record<ErrorCode, number> = {
  malformed: 400,
  signIn: 401,
  forbidden: 403,
  notFound: 404,
  conflict: 409,
  tooLarge: 413,
  busy: 429,
  unavailable: 503,
  invalid: 422,
};

/** Most a request may carry; a schedule of 400 layers is a tenth of it. */
export const BODY_LIMIT = 5 * 1024 * 1024;

/** The body as bytes. @throws KeramosError `tooLarge` before more than the limit has been taken in. */
export async function readBytes(request: Request, limit = BODY_LIMIT): Promise<Uint8Array> {
  const tooLarge = () =>
    new KeramosError('tooLarge', `The request is larger than the ${Math.round(limit / 1024 / 1024)} MB allowed`);
  if (Number(request.headers.get('content-length') ?? 0) > limit) throw tooLarge();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    size += chunk.byteLength;
    if (size > limit) throw tooLarge();
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

/** The body as text. @throws KeramosError `tooLarge`, `malformed`. */
export async function readText(request: Request): Promise<string> {
  const bytes = await readBytes(request);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new KeramosError('malformed', 'The request is not text in UTF-8');
  }
}

/** The body as JSON, every text in it whole. @throws KeramosError `malformed`, `tooLarge`, `invalid`. */
export async function readJson(request: Request): Promise<unknown> {
  const text = await readText(request);
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    throw new KeramosError(
      'malformed',
      text.trim() === '' ? 'The request has no body; JSON is expected' : 'The request body is not JSON',
    );
  }
  refuseBrokenText(body);
  return body;
}

/** Answer with JSON; compression is left out, it costs more than it saves over localhost. */
export function json(body: unknown, status = 200): Response {
  return new Response(typeof body === 'string' ? body : JSON.stringify(body), {
    status,
    headers: { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store, no-transform' },
  });
}

const INTERNAL = {
  error: {
    code: 'internal',
    message: 'Something went wrong on the server; nothing was saved. The server log has the details.',
    path: '',
  },
};

/** Run a handler; a refusal becomes its status and a JSON body, anything else a plain 500 without its innards. */
export async function answer(handler: () => Promise<Response>): Promise<Response> {
  try {
    return await handler();
  } catch (error) {
    if (error instanceof KeramosError) return json(errorBody(error), STATUS[error.code]);
    console.error(error);
    const trouble = troubleOf(error);
    if (trouble) return json(errorBody(trouble), STATUS.unavailable);
    return json(INTERNAL, 500);
  }
}

/**
 * How far something is that takes long: a line of JSON a step, the last one `{ready: true}` or `{error}`. Whoever
 * closes the page stops it.
 */
export function progressLines(
  { who, signal }: { who: string; signal: AbortSignal },
  work: (options: AskOptions) => Promise<unknown>,
): Response {
  const gone = new AbortController();
  const leave = () => gone.abort();
  signal.addEventListener('abort', leave, { once: true });
  const lines = new ReadableStream<Uint8Array>({
    start(stream) {
      const encoder = new TextEncoder();
      const say = (line: unknown) => {
        if (!gone.signal.aborted) stream.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
      };
      work({ who, signal: gone.signal, onProgress: say })
        .then(
          () => say({ ready: true }),
          (error: unknown) => {
            if (!(error instanceof KeramosError)) console.error(error);
            say(error instanceof KeramosError ? errorBody(error) : INTERNAL);
          },
        )
        .finally(() => {
          signal.removeEventListener('abort', leave);
          if (!gone.signal.aborted) stream.close();
        })
        .catch(() => {});
    },
    cancel: leave,
  });
  return new Response(lines, {
    headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store, no-transform' },
  });
}

/** A file to save, under a name made safe for every file system. */
export function download(body: BodyInit, type: string, name: string): Response {
  const safe = name.replace(/[^A-Za-z0-9._-]+/g, '-');
  return new Response(body, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${safe}"`,
      'cache-control': 'no-store',
    },
  });
}

export const ACTOR_HEADER = 'x-keramos-person';
const ACTOR_LENGTH = 60;

/** The name a request gives for whoever acts. */
function actorOf(request: Request | undefined): string {
  const given = request?.headers.get(ACTOR_HEADER) ?? '';
  try {
    return cleanText(decodeURIComponent(given)).trim().slice(0, ACTOR_LENGTH);
  } catch {
    return '';
  }
}

/** Who asks for something that takes long, and the sign that they have left. */
export const asking = (request: Request): { who: string; signal: AbortSignal } => ({
  who: actorOf(request),
  signal: request.signal,
});

/**
 * The context of a request, or of the server itself.
 * @param right refused before the body is read to whoever may not; the store looks again.
 * @throws KeramosError `signIn` for a request of nobody who is signed in, where there are accounts; `forbidden` for one
 * of another machine, where there are none.
 */
export async function storeContext(request?: Request, right?: Right): Promise<StoreContext> {
  const db = await database();
  if (!request) return contextOf(db);
  const who = await whoAsks(db, request);
  const context = contextOf(db, who ? who.name : actorOf(request), who);
  if (right !== undefined) allow(context, right);
  return context;
}

/** Boats that a request names, each with the version that was looked at. */
export const boatsChosen = z.strictObject({
  boats: z
    .array(z.strictObject({ boatId: z.string().max(40), version: z.int().min(1) }))
    .min(1, 'Choose at least one boat')
    .max(200, 'At most 200 boats at a time'),
});
