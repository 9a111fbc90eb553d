/** Measures each budget and writes docs/bench.md: `npm run bench`, after a build; needs Chromium for the pages. */
import { existsSync } from 'node:fs';
import { benchCore } from './core';
import { benchPages } from './pages';
import { writeReport } from './report';
import { benchServer, newData, startServer } from './server';

if (!existsSync('.next/BUILD_ID')) throw new Error('Build first: npm run build');
await benchCore();
const data = newData();
const running = await startServer(data);
try {
  await benchPages(running.base);
  await benchServer(data, running);
} finally {
  await running.stop().catch(() => undefined);
}
process.exit((await writeReport()) ? 0 : 1);
