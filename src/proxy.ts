import { NextResponse, type NextRequest } from 'next/server';
import { FROM_HEADER, isOwnAddress, PATH_HEADER } from '@/server/from';

const WRITES = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);
/** Where a browser says that a request comes from another page than ours. */
const FOREIGN = new Set(['cross-site', 'same-site']);
const ALLOWED_HOSTS = new Set([
  'localhost',
  '127.0.0.1',
  '[::1]',
  ...(process.env.KERAMOS_HOSTS ?? '')
    .split(',')
    .map((host) => host.trim())
    .filter(Boolean),
]);

const refuse = (status: number, code: string, message: string) =>
  NextResponse.json({ error: { code, message, path: '' } }, { status });

/** Content that may run or load: our own files, scripts of this very response, nothing else. */
function contentPolicy(nonce: string): string {
  const development = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    `style-src 'self' ${development ? "'unsafe-inline'" : `'nonce-${nonce}'`}`,
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

const LOOPBACK_NAMES = /^(?:localhost|127\.\d+\.\d+\.\d+|\[::1\])(?::\d+)?$/i;

/** A request of another machine under a name of this one, which it can only have forged. */
function fromElsewhere(request: NextRequest, host: string): NextResponse | null {
  const from = request.headers.get(FROM_HEADER);
  if (from === null || isOwnAddress(from)) return null;
  return LOOPBACK_NAMES.test(host) ? refuse(403, 'forbidden', 'This name is for the machine itself') : null;
}

/** Before every request: known host, own origin for writes, and the security headers on what goes out. */
export function proxy(request: NextRequest) {
  const host = request.headers.get('host') ?? '';
  const elsewhere = fromElsewhere(request, host);
  if (elsewhere) return elsewhere;
  if (!ALLOWED_HOSTS.has(host.replace(/:\d+$/, '')))
    return refuse(
      403,
      'forbidden',
      `This server does not answer to the name "${host.slice(0, 80)}"; list it in KERAMOS_HOSTS`,
    );
  if (WRITES.has(request.method)) {
    const origin = request.headers.get('origin');
    const foreign =
      origin === null
        ? request.headers.get('sec-fetch-site') === 'cross-site'
        : origin !== `http://${host}` && origin !== `https://${host}`;
    if (foreign) return refuse(403, 'forbidden', 'Changes are accepted only from pages of this server');
  }

  // A page of somebody else may neither read nor start what takes long: prints, exports, lists.
  if (request.nextUrl.pathname.startsWith('/api/') && FOREIGN.has(request.headers.get('sec-fetch-site') ?? ''))
    return refuse(403, 'forbidden', 'This is answered only to pages of this server');

  const nonce = crypto.randomUUID();
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set(PATH_HEADER, request.nextUrl.pathname);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  if (process.env.KERAMOS_CERT !== undefined) response.headers.set('strict-transport-security', 'max-age=31536000');
  return response;
}

export const config = { matcher: ['/((?!_next/static|icon.svg).*)'] };
