import Papa from 'papaparse';
import type { Boat } from '@/core/document';
import type { Revision } from '@/core/revision';
import { plain } from '../table/plain';
import { scheduleSheets, type Cell } from './scheduleSheets';

/**
 * The laminate schedule as one CSV table: what it is, then a block for each part with layers by zones in laying order
 * and the results of each zone, stiffeners, details and materials.
 */
export function scheduleCsv(boat: Boat, revision: Revision | null = null): string {
  const [about, ...blocks] = scheduleSheets(boat, revision);
  const rows: Cell[][] = [
    ...about!.rows,
    ...blocks.flatMap(({ name, rows: own }, i) => [
      [],
      [i < boat.parts.length ? 'Part' : 'Table', plain(name)],
      ...own,
    ]),
  ];
  return Papa.unparse(rows, { newline: '\r\n' });
}
