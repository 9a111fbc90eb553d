import { createHash, randomBytes } from 'node:crypto';
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { hash, verify } from '@node-rs/argon2';
import { dataFolder } from '../database/open';

/** A password or PIN as it is kept: argon2id with a salt of its own. */
export const hashSecret = (secret: string): Promise<string> => hash(secret);

/** What nobody's password hashes to: looked at where there is no account, so that both take alike long. */
const NOBODY = hashSecret(randomBytes(16).toString('hex'));

/** Whether a secret is the one that was kept; without one it takes as long, and is not. */
export async function isSecret(secret: string, kept: string | null): Promise<boolean> {
  const matches = await verify(kept ?? (await NOBODY), secret);
  return kept !== null && matches;
}

/** A secret that is handed out once and found again by its digest: badges and links. */
export const newToken = (): string => randomBytes(18).toString('base64url');
export const digest = (token: string): string => createHash('sha256').update(token).digest('hex');

const SEAL = 'seal.key';
const kept = globalThis as { keramosSeal?: { folder: string; key: string } };
/** A shorter one seals nothing: its file was cut off while it was written. */
const SHORTEST = 32;
/** What cookies are sealed with: made once, kept beside the database and in none of its copies. */
export function sealKey(folder = dataFolder()): string {
  if (kept.keramosSeal?.folder === folder) return kept.keramosSeal.key;
  const file = path.join(folder, SEAL);
  const found = existsSync(file) ? readFileSync(file, 'utf8').trim() : '';
  const key = found.length >= SHORTEST ? found : randomBytes(36).toString('base64url');
  if (key !== found) {
    writeFileSync(`${file}.part`, key, { mode: 0o600 });
    renameSync(`${file}.part`, file);
  }
  kept.keramosSeal = { folder, key };
  return key;
}
