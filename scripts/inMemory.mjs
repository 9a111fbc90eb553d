/**
 * Tests write thousands of small databases, each write to the disk: where there is a disk in memory with room enough,
 * they go there. Used by importing it before scratch.mjs.
 */
import { existsSync, statfsSync } from 'node:fs';

const MEMORY = '/dev/shm';
const ROOM = 8e9;

if (!process.env.KERAMOS_SCRATCH && existsSync(MEMORY)) {
  const { bavail, bsize } = statfsSync(MEMORY);
  if (bavail * bsize > ROOM) process.env.TMPDIR = MEMORY;
}
