import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  devIndicators: false,
  // Answer first: each page loads what it needs when it is first asked for.
  experimental: { preloadEntriesOnStart: false },
  // The modules of ml-matrix instead of its one bundle, so that a page carries only what it takes of it.
  turbopack: { resolveAlias: { 'ml-matrix': './node_modules/ml-matrix/src/index.js' } },
  serverExternalPackages: [
    'libsql',
    '@node-rs/argon2',
    'iron-session',
    'pdfmake',
    'kysely',
    'read-excel-file',
    'write-excel-file',
    '@tarikjabiri/dxf',
    'highs',
  ],
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'X-Frame-Options', value: 'DENY' },
        { key: 'Referrer-Policy', value: 'same-origin' },
        { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
        { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
        { key: 'Permissions-Policy', value: 'camera=(self), microphone=(), geolocation=(), payment=()' },
      ],
    },
  ],
};
export default config;
