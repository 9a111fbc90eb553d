import type { NextConfig } from 'next';
import { PHASE_PRODUCTION_SERVER } from 'next/constants';
import { lightSheet } from './scripts/lightSheet.mjs';

const config: NextConfig = {
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

export default function configOf(phase: string): NextConfig {
  if (phase === PHASE_PRODUCTION_SERVER) return config;
  // The modules of ml-matrix instead of its one bundle, so that a page carries only what it takes of it.
  const resolveAlias = {
    'ml-matrix': './node_modules/ml-matrix/src/index.js',
    'bootstrap/dist/css/bootstrap.min.css': lightSheet(),
  };
  return { ...config, turbopack: { resolveAlias } };
}
