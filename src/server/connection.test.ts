import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { markConnections, refusalOf } from './connection';
import { FROM_HEADER, isOwnAddress } from './from';

describe('before anything looks at a request', () => {
  it.each(['/boats/%E0%A4%A', '/api/boats/%ZZ', '/%', '/shelf/%c3%28'])('%s is an address that cannot be read', (url) =>
    expect(refusalOf('GET', url)).toMatchObject({ status: 400, code: 'malformed' }),
  );
  it.each(['/boats/%C3%A5', '/api/boats/a%2Fb?x=%', '/', '/api/calc/ply.fractions'])('%s can be read', (url) =>
    expect(refusalOf('GET', url)).toBeNull(),
  );
  it.each(['PROPFIND', 'TRACE', 'LOCK', 'CONNECT', 'FOO', ''])('nothing answers to %s', (method) =>
    expect(refusalOf(method, '/api/boats')).toMatchObject({ status: 405 }),
  );
  it.each(['POST', 'PUT', 'PATCH', 'DELETE'])('a page is only read, never %s', (method) => {
    expect(refusalOf(method, '/shelf')).toMatchObject({ status: 405, allow: ['GET', 'HEAD'] });
    expect(refusalOf(method, '/api/shelf')).toBeNull();
  });
});

describe('a server', () => {
  let server: http.Server;
  let seen: http.IncomingHttpHeaders[] = [];
  beforeAll(async () => {
    markConnections();
    markConnections();
    server = http.createServer((request, response) => {
      seen.push(request.headers);
      response.end('answered');
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  });
  afterAll(() => new Promise<void>((resolve) => void server.close(() => resolve())));

  const ask = (path: string, { method = 'GET', headers = {} }: http.RequestOptions = {}) =>
    new Promise<{ status: number; text: string; allow: string | undefined }>((resolve, reject) => {
      const { port } = server.address() as AddressInfo;
      http
        .request({ host: '127.0.0.1', port, path, method, headers }, (response) => {
          let text = '';
          response.on('data', (chunk) => (text += String(chunk)));
          response.on('end', () => resolve({ status: response.statusCode!, text, allow: response.headers.allow }));
        })
        .on('error', reject)
        .end();
    });

  it('is told the address of the connection, whatever the request says of itself', async () => {
    seen = [];
    expect((await ask('/', { headers: { [FROM_HEADER]: '10.0.0.7', 'x-forwarded-for': '10.0.0.7' } })).text).toBe(
      'answered',
    );
    expect(isOwnAddress(String(seen[0]![FROM_HEADER]))).toBe(true);
  });
  it('never sees what cannot be answered, and the asker gets words', async () => {
    seen = [];
    expect(await ask('/boats/%ZZ')).toMatchObject({
      status: 400,
      text: expect.stringContaining('stands for nothing') as string,
    });
    expect(await ask('/shelf', { method: 'DELETE' })).toMatchObject({ status: 405, allow: 'GET, HEAD' });
    expect(seen).toEqual([]);
  });
});
