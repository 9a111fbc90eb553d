import type { Content, TableCell } from 'pdfmake/interfaces';
import { formatReserve } from '@/core/quantity';
import { verdictOf } from '@/core/evaluate';
import { head, RULES } from '../pdfStyle';
import { VERDICT_WORDS } from './verdictWords';

/** Hairlines close together: the short edition is to fill few pages. */
export const CLOSE = { ...RULES, paddingTop: () => 0.6, paddingBottom: () => 0.6 };
export const table = (heads: string[], rows: TableCell[][], widths: (string | number)[]): Content => ({
  table: { headerRows: 1, dontBreakRows: true, widths, body: [heads.map(head), ...rows] },
  layout: CLOSE,
});
export const heading = (text: string): Content => ({ text, style: 'h3', margin: [0, 7, 0, 2] });
export const reserveWords = (reserveFactor: number, target: number) =>
  `${formatReserve(reserveFactor)} ${VERDICT_WORDS[verdictOf(reserveFactor, target)]}`;
