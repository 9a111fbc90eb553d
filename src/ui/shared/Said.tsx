'use client';
import { useUnits } from './units';

/** A sentence of core in the reader's units. */
export function Said({ text }: { text: string }) {
  return useUnits().words(text);
}
