import http from 'node:http';
import https from 'node:https';
import { FROM_HEADER } from './from';

const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];
const OF_PAGES = ['GET', 'HEAD'];
const patched = globalThis as { keramosConnections?: true };

interface Refusal {
  status: 400 | 405;
  code: 'malformed' | 'forbidden';
  message: string;
  allow?: readonly string[];
}

/**
 * What is refused of a request before anything looks at it: an address that cannot be read, a method that nothing here
 * answers to. Null for any other.
 * @example refusalOf('GET', '/boats/%ZZ')?.status // 400
 */
export function refusalOf(method: string, url: string): Refusal | null {
  const [address = ''] = url.split('?');
  try {
    decodeURIComponent(address);
  } catch {
    return { status: 400, code: 'malformed', message: 'The address holds a % that stands for nothing' };
  }
  const allow = address.startsWith('/api/') ? METHODS : OF_PAGES;
  if (allow.includes(method)) return null;
  return { status: 405, code: 'forbidden', message: `Nothing here answers to ${method.slice(0, 20)}`, allow };
}

function refuse(response: http.ServerResponse, { status, code, message, allow }: Refusal): void {
  response.writeHead(status, {
    'content-type': 'application/json; charset=utf-8',
    'cache-control': 'no-store',
    ...(allow && { allow: allow.join(', ') }),
    connection: 'close',
  });
  response.end(JSON.stringify({ error: { code, message, path: '' } }));
}

/**
 * From now on every request says from which address it truly comes: of the connection, not of its headers. Those that
 * nothing could answer are refused here.
 */
export function markConnections(): void {
  if (patched.keramosConnections) return;
  patched.keramosConnections = true;
  for (const server of [http.Server, https.Server]) mark(server.prototype as unknown as { emit: Emit });
}

type Emit = (this: unknown, event: string | symbol, ...rest: unknown[]) => boolean;
function mark(server: { emit: Emit }): void {
  const emit = server.emit;
  server.emit = function (event, ...rest) {
    if (event === 'request') {
      const [request, response] = rest as [http.IncomingMessage, http.ServerResponse];
      request.headers[FROM_HEADER] = request.socket.remoteAddress ?? 'unknown';
      const refusal = refusalOf(request.method ?? '', request.url ?? '');
      if (refusal) {
        refuse(response, refusal);
        return true;
      }
    }
    return emit.call(this, event, ...rest);
  };
}
