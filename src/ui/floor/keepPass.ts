import type { SessionState } from '../shared/who';
import { idbKeeper } from './idbKeeper';
import { verifierOf } from './verifier';

/** Keep what shows that somebody signed in on this tablet, for while the server is away. */
export async function keepPass({ who, pass, endsAt }: SessionState, pin: string | null): Promise<void> {
  if (!who || pass === null || endsAt === null) return;
  const verifier = pin === null ? null : await verifierOf(pin);
  await idbKeeper.keepPass({ name: who.name, id: who.id, pass, endsAt, verifier });
}
