/** A refusal from the server, with what it said. */
export class ApiError extends Error {
  readonly code: string;
  readonly path: string;
  /** What was given and what is allowed. */
  readonly details: Record<string, unknown>;

  constructor(
    readonly status: number,
    { code, message, path, ...details }: { code: string; message: string; path: string },
  ) {
    super(message);
    this.code = code;
    this.path = path;
    this.details = details;
  }

  /** The words with their quantities left open for the reader's units. */
  get text(): string {
    return typeof this.details['text'] === 'string' ? this.details['text'] : this.message;
  }
}

/** Send a file for the server to read. */
export const readFile = async <T>(url: string, file: File): Promise<T> =>
  answerOf<T>(await fetch(url, { method: 'POST', body: file }));

/** Talk JSON to our own server. @throws ApiError with the server's words; a TypeError means it could not be reached. */
export async function api<T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  url: string,
  body?: unknown,
): Promise<T> {
  const person = personHeader();
  const response = await fetch(url, {
    method,
    ...(body === undefined
      ? { headers: person }
      : {
          headers: { 'content-type': 'application/json', ...person },
          body: typeof body === 'string' ? body : JSON.stringify(body),
        }),
  });
  return answerOf<T>(response);
}

interface ErrorBody {
  error: { code: string; message: string; path: string };
}
async function answerOf<T>(response: Response): Promise<T> {
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) return answer as T;
  const error = errorOfBody(answer as ErrorBody | null, response.status);
  if (error.code === 'signIn') signedOut.forEach((listener) => listener());
  throw error;
}

const signedOut = new Set<() => void>();
/** Called when the server says that nobody is signed in here any more. */
export function onSignedOut(listener: () => void): () => void {
  signedOut.add(listener);
  return () => signedOut.delete(listener);
}

/** The refusal that a body of the server holds. */
export const errorOfBody = (body: ErrorBody | null, status = 0): ApiError =>
  new ApiError(status, {
    code: 'internal',
    message: `The server answered ${status}`,
    path: '',
    ...body?.error,
  });

/**
 * Follow an answer that comes in lines of JSON, each as it comes, to its end.
 * @throws ApiError what was refused before the first line; whatever `onLine` throws ends it.
 */
export async function followLines<Line>(url: string, signal: AbortSignal, onLine: (line: Line) => void): Promise<void> {
  const response = await fetch(url, { headers: personHeader(), signal });
  if (!response.ok || !response.body) return answerOf<void>(response);
  const decoder = new TextDecoder();
  const reader = response.body.getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + decoder.decode(value, { stream: !done })).split('\n');
    rest = done ? '' : lines.pop()!;
    for (const line of lines) if (line.trim() !== '') onLine(JSON.parse(line) as Line);
    if (done) return;
  }
}

/** Words for an error that reached the page. */
export function wordsOf(error: unknown): string {
  if (error instanceof ApiError) return error.message;
  if (error instanceof TypeError) return 'The server cannot be reached. Nothing was lost; try again.';
  return String((error as Error).message ?? error);
}

/** The same with its quantities left open for the reader's units, to be shown by what knows them. */
export const textOf = (error: unknown): string => (error instanceof ApiError ? error.text : wordsOf(error));

const PERSON_KEY = 'keramos.person';
const listeners = new Set<() => void>();
/** Called when the name changes here. */
export function onPersonHere(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
let signedIn: string | null = null;
/** Whoever is signed in here signs with their own name; null where there are no accounts. */
export function setSignedIn(name: string | null): void {
  signedIn = name;
  listeners.forEach((listener) => listener());
}
/** The name of whoever is signed in, or that whoever sits here gave; empty until there is one. */
export function personHere(): string {
  if (signedIn !== null) return signedIn;
  try {
    return localStorage.getItem(PERSON_KEY) ?? '';
  } catch {
    return '';
  }
}
/** Remember who sits here, for the edits of this browser. */
export function setPersonHere(name: string): void {
  try {
    localStorage.setItem(PERSON_KEY, name.slice(0, 60));
    listeners.forEach((listener) => listener());
  } catch {
    // A browser that keeps nothing edits without a name.
  }
}
function personHeader(): Record<string, string> {
  const name = personHere().trim();
  return name === '' ? {} : { 'x-keramos-person': encodeURIComponent(name) };
}
