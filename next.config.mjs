import { PHASE_PRODUCTION_SERVER } from 'next/constants.js';

/** Plain script: a start does not wait for it to be translated. @type {import('next').NextConfig} */
const config = {
  poweredByHeader: false,
  devIndicators: false,
  // Answer first: each page loads what it needs when it is first asked for.
  experimental: { preloadEntriesOnStart: false },
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

/** @param {string} phase */
export default async function configOf(phase) {
  if (phase === PHASE_PRODUCTION_SERVER) return config;
  const { lightSheet } = await import('./scripts/lightSheet.mjs');
  const resolveAlias = {
    // Its modules instead of its one bundle, so that a page carries only what it takes of it.
    'ml-matrix': './node_modules/ml-matrix/src/index.js',
    'bootstrap/dist/css/bootstrap.min.css': lightSheet(),
  };
  return { ...config, turbopack: { resolveAlias } };
}
