import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { build } from 'esbuild';
import { ROOT } from './prepare.mjs';
import './scratch.mjs';

/** Bundles a program of `scripts` as the application is bundled, and runs it with what this one was given. */
export async function runBundled(name) {
  const outfile = path.join(ROOT, `node_modules/.cache/keramos-${name}/main.mjs`);
  await build({
    entryPoints: [path.join(ROOT, 'scripts', name, 'main.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    tsconfig: path.join(ROOT, 'tsconfig.json'),
    logLevel: 'warning',
  });
  const given = process.argv.slice(2);
  return spawnSync(process.execPath, [outfile, ...given], { cwd: ROOT, stdio: 'inherit' }).status ?? 1;
}
