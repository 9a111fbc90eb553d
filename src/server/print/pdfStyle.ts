import path from 'node:path';
import pdfmake from 'pdfmake';
import type { TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import { wordsIn, type UnitSystem } from '@/core/quantity';

const FONTS = path.join(/* turbopackIgnore: true */ process.cwd(), 'node_modules/@expo-google-fonts/ibm-plex-sans');
pdfmake.setFonts({
  Plex: {
    normal: `${FONTS}/400Regular/IBMPlexSans_400Regular.ttf`,
    bold: `${FONTS}/600SemiBold/IBMPlexSans_600SemiBold.ttf`,
    italics: `${FONTS}/400Regular_Italic/IBMPlexSans_400Regular_Italic.ttf`,
    bolditalics: `${FONTS}/600SemiBold_Italic/IBMPlexSans_600SemiBold_Italic.ttf`,
  },
});
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((file: string) => file.startsWith(FONTS));

/** A number in a cell. */
export const right = (text: string): TableCell => ({ text, alignment: 'right' });
/** A head of a column. */
export const head = (text: string): TableCell => ({ text, bold: true, noWrap: true });
/** Hairlines of every table. */
export const RULES = {
  hLineWidth: () => 0.4,
  vLineWidth: () => 0.2,
  hLineColor: () => '#8a8278',
  vLineColor: () => '#c9c2b6',
  paddingTop: () => 1.5,
  paddingBottom: () => 1.5,
  paddingLeft: () => 3,
  paddingRight: () => 3,
};

/** Page, fonts and foot that every print has. */
export const pageStyle = (
  foot: string,
): Pick<TDocumentDefinitions, 'pageSize' | 'pageMargins' | 'defaultStyle' | 'styles' | 'footer'> => ({
  pageSize: 'A4',
  pageMargins: [28, 30, 28, 40],
  defaultStyle: { font: 'Plex', fontSize: 7.5, color: '#2b2622' },
  styles: {
    h1: { fontSize: 20, bold: true },
    h2: { fontSize: 13, bold: true, margin: [0, 0, 0, 2] },
    h3: { fontSize: 10, bold: true, margin: [0, 8, 0, 0] },
    small: { fontSize: 6.5, color: '#5b544b' },
  },
  footer: (page, pages) => ({
    margin: [28, 6, 28, 0],
    fontSize: 6,
    color: '#5b544b',
    columns: [
      {
        width: '*',
        text:
          `${foot} · Decision support: the standard's own text, local codes, ` +
          'survey and a licensed naval architect or engineer decide.',
      },
      { width: 'auto', text: `${page} / ${pages}` },
    ],
  }),
});

/** Every sentence in the units of the print. */
export function inUnits<T>(content: T, units: UnitSystem): T {
  if (typeof content === 'string') return wordsIn(content, units) as T;
  if (Array.isArray(content)) return content.map((one: unknown) => inUnits(one, units)) as T;
  if (content === null || typeof content !== 'object' || content instanceof Date) return content;
  return Object.fromEntries(
    Object.entries(content).map(([key, value]) => [key, inUnits(value as unknown, units)]),
  ) as T;
}

/** The bytes of a print; told the share of it that is drawn, a twentieth at a time. */
export function printPdf(
  definition: TDocumentDefinitions,
  units: UnitSystem,
  onDrawn: (share: number) => void = () => {},
): Promise<Buffer> {
  let told = 0;
  pdfmake.setProgressCallback((share) => {
    if (share - told < 0.05) return;
    told = share;
    onDrawn(share);
  });
  return pdfmake.createPdf(inUnits(definition, units)).getBuffer();
}
