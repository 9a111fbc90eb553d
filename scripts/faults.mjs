/** Bundles the fault suite as the application is bundled, and runs it: `npm run faults -- --minutes 10 --seed 1`. */
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { build } from 'esbuild';
import { build as buildServer, install, ROOT } from './prepare.mjs';

install();
buildServer();
const outfile = path.join(ROOT, 'node_modules/.cache/keramos-faults/main.mjs');
await build({
  entryPoints: [path.join(ROOT, 'scripts/faults/main.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  alias: { '@': path.join(ROOT, 'src'), '@data': path.join(ROOT, 'data') },
  logLevel: 'warning',
});
process.exit(
  spawnSync(process.execPath, [outfile, ...process.argv.slice(2)], { cwd: ROOT, stdio: 'inherit' }).status ?? 1,
);
