import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { KeramosError } from '@/core/error';

const MINUTE = 60;
/**
 * How many wrong answers are taken before one has to wait: of an account from one address, of an address, and of an
 * account in a day.
 */
const LIMITS = {
  account: { points: 6, duration: 15 * MINUTE },
  address: { points: 40, duration: 15 * MINUTE },
  day: { points: 40, duration: 24 * 60 * MINUTE },
};
type Kind = keyof typeof LIMITS;

const shared = globalThis as { keramosThrottles?: Record<Kind, RateLimiterMemory> };
const throttles = (): Record<Kind, RateLimiterMemory> =>
  (shared.keramosThrottles ??= {
    account: new RateLimiterMemory({ keyPrefix: 'account', ...LIMITS.account }),
    address: new RateLimiterMemory({ keyPrefix: 'address', ...LIMITS.address }),
    day: new RateLimiterMemory({ keyPrefix: 'day', ...LIMITS.day }),
  });

/** Whoever tries: under which name, from where. */
export interface Trier {
  account: string;
  address: string;
}

/** @throws KeramosError `busy` with the minutes to wait. */
export async function countTry(trier: Trier): Promise<void> {
  try {
    await throttles().address.consume(trier.address);
    await throttles().account.consume(`${trier.account} ${trier.address}`);
    await throttles().day.consume(trier.account);
  } catch (held) {
    if (!(held instanceof RateLimiterRes)) throw held;
    const minutes = Math.max(1, Math.ceil(held.msBeforeNext / 60_000));
    throw new KeramosError('busy', `Too many tries: wait ${minutes} min, or ask the yard manager for a new password`);
  }
}

/** Whoever got in begins anew. */
export const forgetTries = async ({ account, address }: Trier): Promise<void> => {
  await throttles().account.delete(`${account} ${address}`);
  await throttles().day.delete(account);
};
