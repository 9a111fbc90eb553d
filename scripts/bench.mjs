/** The measurements: `npm run bench`. */
import { runBundled } from './bundled.mjs';

process.exit(await runBundled('bench'));
