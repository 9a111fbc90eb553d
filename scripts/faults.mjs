/** The fault suite: `npm run faults -- --minutes 10 --seed 1`. */
import { build, install } from './prepare.mjs';

install();
build();
const { runBundled } = await import('./bundled.mjs');
process.exit(await runBundled('faults'));
