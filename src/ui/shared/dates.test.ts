import { expect, it } from 'vitest';
import { day, moment } from './dates';

it('moments are read in the zone of the reader, days by their name', () => {
  const at = new Date(2026, 10, 27, 14, 5).toISOString();
  expect(moment(at)).toBe('27 Nov 2026, 14:05');
  expect(day(at)).toBe('27 Nov 2026');
  expect(moment('')).toBe('');
});
