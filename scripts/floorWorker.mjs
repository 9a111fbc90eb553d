/** Bundle the worker that lets the floor open while the server is away, into public/. */
import path from 'node:path';
import { build } from 'esbuild';
import { ROOT } from './prepare.mjs';

await build({
  entryPoints: [path.join(ROOT, 'src/workers/floor.sw.ts')],
  outfile: path.join(ROOT, 'public/floor-worker.js'),
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  define: { 'process.env.NODE_ENV': '"production"' },
  logLevel: 'warning',
});
