import type { Boat } from '@/core/document';
import { standingOf } from '@/core/option';
import { serve } from '../threads/serve';

/** Says of one boat after the other what it comes to. */
serve(async ({ boat }: { boat: Boat }) => standingOf(boat));
