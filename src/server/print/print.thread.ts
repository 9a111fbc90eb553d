import type { Boat } from '@/core/document';
import { serve } from '../threads/serve';
import { schedulePdf, type PrintOptions } from './schedulePdf';

/** Prints one schedule after the other, and answers with its bytes. */
serve(
  async ({ boat, options }: { boat: Boat; options: PrintOptions }, tell) =>
    new Uint8Array(await schedulePdf(boat, options, tell)),
);
