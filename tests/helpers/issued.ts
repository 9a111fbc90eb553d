import type { Revision } from '@/core/revision';

/** A revision as it was issued, with nothing open and nothing done with it since. */
export const issued: Revision = {
  id: 'r-a',
  number: 1,
  label: 'A',
  hash: 'c0ffee'.repeat(10),
  author: 'I. Hallin',
  note: 'For the plug',
  issuedAt: '2026-11-20T08:00:00.000Z',
  engine: '9',
  state: 'stands',
  onFloor: false,
  events: [],
  open: null,
};
