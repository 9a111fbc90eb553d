import { NextRequest } from 'next/server';
import { describe, expect, it } from 'vitest';
import { proxy } from './proxy';

const ask = (method: string, headers: Record<string, string>, path = '/api/boats') =>
  proxy(new NextRequest(`http://127.0.0.1:3270${path}`, { method, headers: { host: '127.0.0.1:3270', ...headers } }));

describe('before every request', () => {
  it.each(['evil.example', 'localhost.evil.example', '10.0.0.7', ''])(
    'a host that is not ours is refused: %s',
    (host) => expect(ask('GET', { host }).status).toBe(403),
  );
  it.each(['localhost', 'localhost:3270', '127.0.0.1:9999', '[::1]:3270'])('%s is ours', (host) =>
    expect(ask('GET', { host }).status).toBe(200),
  );
  it.each(['POST', 'PUT', 'PATCH', 'DELETE'])(
    '%s from a foreign page is refused, from our own or a program it is not',
    (method) => {
      expect(ask(method, { origin: 'https://evil.example' }).status).toBe(403);
      expect(ask(method, { origin: 'null' }).status).toBe(403);
      expect(ask(method, { 'sec-fetch-site': 'cross-site' }).status).toBe(403);
      expect(ask(method, { origin: 'http://127.0.0.1:3270' }).status).toBe(200);
      expect(ask(method, {}).status).toBe(200);
    },
  );
  it.each(['10.0.0.7', '192.168.1.20', '::ffff:10.1.2.3', 'fe80::1', 'unknown'])(
    'another machine (%s) is never answered under a name of this one, nor under one that was not listed',
    (from) => {
      const there = { 'x-keramos-from': from };
      expect(ask('GET', there).status).toBe(403);
      expect(ask('POST', { ...there, host: 'localhost:3270', origin: 'http://localhost:3270' }).status).toBe(403);
      expect(ask('GET', { ...there, host: 'yard.example' }).status).toBe(403);
    },
  );
  it.each(['127.0.0.1', '::1', '::ffff:127.0.0.1', '127.8.8.8'])('this machine (%s) is answered', (from) =>
    expect(ask('GET', { 'x-keramos-from': from }).status).toBe(200),
  );
  it.each(['cross-site', 'same-site'])('a page of somebody else (%s) starts no print and reads no list', (from) => {
    for (const path of ['/api/boats', '/api/boats/x/export?format=pdf', '/api/calc', '/api/shelf/export'])
      expect(ask('GET', { 'sec-fetch-site': from }, path).status).toBe(403);
    // A link to a screen may stand anywhere.
    expect(ask('GET', { 'sec-fetch-site': from }, '/boats/x/brief').status).toBe(200);
  });
  it.each(['same-origin', 'none'])('our own page, or an address that was typed (%s), is answered', (from) =>
    expect(ask('GET', { 'sec-fetch-site': from }, '/api/boats/x/export?format=pdf').status).toBe(200),
  );
  it('a policy goes out that lets nothing foreign run, new for every answer', () => {
    const [a, b] = [ask('GET', {}), ask('GET', {})].map((answer) => answer.headers.get('content-security-policy')!);
    expect(a).not.toBe(b);
    for (const rule of ["default-src 'self'", "object-src 'none'", "base-uri 'none'", "frame-ancestors 'none'"])
      expect(a).toContain(rule);
    expect(a).not.toContain('unsafe-inline');
    expect(a).not.toContain('unsafe-eval');
  });
});
