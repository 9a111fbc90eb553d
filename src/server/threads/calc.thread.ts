import { calculate } from '@/core/calc';
import { serve } from './serve';

/** Computes what would hold the server up. */
serve(({ name, input }: { name: string; input: unknown }) => calculate(name, input));
