import { formatNumber } from '@/core/quantity';

export type Word = 'fails' | 'thin' | 'meets';
export const MARKS: Record<Word, string> = { fails: '✕', thin: '△', meets: '✓' };

/** How a pot life over a fill time stands. */
export function marginWord(margin: number, wanted: number): Word {
  if (margin < 1) return 'fails';
  return margin < wanted ? 'thin' : 'meets';
}

/** Within this of a limit it is thin (K). */
const NEAR = 10;
/** How far from a limit stands what came so near it (K). */
export function limitWord(left: number): Word {
  if (left < 0) return 'fails';
  return left < NEAR ? 'thin' : 'meets';
}

/** Below this an area is told by the square of a hand, for it would round to nothing (m²). */
const SMALL = 0.1;
/** In which unit what stays dry is told. */
export const dryKind = (area: number): 'area' | 'smallArea' => (area < SMALL ? 'smallArea' : 'area');

/** Seconds as minutes, or hours where they are many; a dash where there are none. */
export function minutes(seconds: number | null): string {
  if (seconds === null || !Number.isFinite(seconds)) return '–';
  if (seconds < 600) return `${formatNumber(seconds / 60, 1)} min`;
  return seconds < 5 * 3600 ? `${formatNumber(seconds / 60, 0)} min` : `${formatNumber(seconds / 3600, 1)} h`;
}
