import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Boat } from '@/core/document';
import type { PrintOptions } from '../schedulePdf';
import { pageStyle } from '../pdfStyle';

/** Title, foot, and the mark of a draft, that every edition of the schedule has. */
export function scheduleFrame({ name }: Pick<Boat, 'name'>, { revision, printedAt }: PrintOptions) {
  const state = revision ? `Revision ${revision.label}` : 'DRAFT, not issued';
  return {
    info: {
      title: `${name} laminate schedule, ${state}`,
      producer: 'Keramos',
      creationDate: new Date(printedAt),
    },
    ...(revision ? {} : { watermark: { text: 'DRAFT', color: '#9a4527', opacity: 0.07, bold: true } }),
    ...pageStyle(`${name} · ${state}${revision ? ` · ${revision.hash.slice(0, 12)}` : ''}`),
    pageOrientation: 'landscape',
  } satisfies Partial<TDocumentDefinitions>;
}
