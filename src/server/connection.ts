import http from 'node:http';
import { FROM_HEADER } from './from';

const patched = globalThis as { keramosConnections?: true };

/** From now on every request says from which address it truly comes: of the connection, not of its headers. */
export function markConnections(): void {
  if (patched.keramosConnections) return;
  patched.keramosConnections = true;
  const emit = http.Server.prototype.emit;
  http.Server.prototype.emit = function (this: http.Server, event: string | symbol, ...rest: unknown[]): boolean {
    if (event === 'request') {
      const [request] = rest as [http.IncomingMessage];
      request.headers[FROM_HEADER] = request.socket.remoteAddress ?? 'unknown';
    }
    return (emit as (event: string | symbol, ...rest: unknown[]) => boolean).call(this, event, ...rest);
  } as typeof emit;
}
