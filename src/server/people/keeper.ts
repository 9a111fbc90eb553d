import { KeramosError } from '@/core/error';
import type { StoreContext } from '../context';
import { storeContext } from '../http';
import { isFromHere } from './asks';

/**
 * Whoever keeps the copies. While the database cannot be read, nobody can sign in: the machine itself then stands for
 * them, and there is no store to work with.
 * @throws KeramosError `signIn`, `forbidden`.
 */
export async function keeperOf(request: Request): Promise<{ name: string; context: StoreContext | null }> {
  try {
    const context = await storeContext(request, 'keep');
    return { name: context.actor || 'at the machine itself', context };
  } catch (error) {
    if (!(error instanceof KeramosError) || error.code !== 'unavailable') throw error;
    if (!isFromHere(request.headers))
      throw new KeramosError(
        'forbidden',
        'The database cannot be read, so nobody can sign in: a copy is restored at the machine itself',
      );
    return { name: 'at the machine itself, the database unreadable', context: null };
  }
}
