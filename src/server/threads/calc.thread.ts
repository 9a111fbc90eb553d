import { calculate, toolsFor } from '@/core/calc';
import { serve } from './serve';

/** Computes what would hold the server up. */
serve(async ({ name, input }: { name: string; input: unknown }) => calculate(name, input, await toolsFor(name)));
