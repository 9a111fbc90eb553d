/** Bundles the measurements as the application is bundled, and runs them: `npm run bench`. */
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { build } from 'esbuild';
import { ROOT } from './prepare.mjs';

const outfile = path.join(ROOT, 'node_modules/.cache/bench.mjs');
await build({
  entryPoints: [path.join(ROOT, 'scripts/bench/main.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  tsconfig: path.join(ROOT, 'tsconfig.json'),
  logLevel: 'error',
});
process.exit(spawnSync(process.execPath, [outfile], { cwd: ROOT, stdio: 'inherit' }).status ?? 1);
