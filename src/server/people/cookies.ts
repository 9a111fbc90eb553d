import { getIronSession, type IronSession, type SessionOptions } from 'iron-session';
import type { cookies as pageCookies } from 'next/headers';
import { sealKey } from './secrets';

/** Which session, and on which tablet, a browser holds; sealed. */
export interface Held {
  session?: string;
  tablet?: string;
}

/** A tablet stays enrolled until it is withdrawn; a session ends by its row. Both outlive no year. */
const YEAR = 365 * 24 * 3600;
const optionsOf = (secure: boolean): SessionOptions => ({
  password: sealKey(),
  cookieName: secure ? '__Host-keramos' : 'keramos',
  ttl: YEAR,
  cookieOptions: { httpOnly: true, sameSite: 'strict', secure, path: '/' },
});
/** Whether this server speaks HTTPS. */
export const isSecure = (): boolean => process.env['KERAMOS_CERT'] !== undefined;

/** Whether what is secret may go over the network: over HTTPS, of this server or of what stands before it. */
export const mayTravel = (): boolean => isSecure() || process.env['KERAMOS_PLAIN'] === '1';

/** What the browser of a request holds; to be written into the answer's headers by `save()`. */
export const heldBy = (request: Request, answer = new Response()): Promise<IronSession<Held>> =>
  getIronSession<Held>(request, answer, optionsOf(isSecure()));

/** The same for a page. */
export const heldByPage = (cookies: Awaited<ReturnType<typeof pageCookies>>): Promise<IronSession<Held>> =>
  getIronSession<Held>(cookies, optionsOf(isSecure()));
