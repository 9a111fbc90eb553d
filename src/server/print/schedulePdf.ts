import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { UnitSystem } from '@/core/quantity';
import { makeEvaluator } from '@/core/evaluate';
import type { Boat } from '@/core/document';
import { runToEnd, type Progress } from '@/core/job';
import type { Revision } from '@/core/revision';
import { detailPages } from './detailPdf';
import { printPdf, RULES } from './pdfStyle';
import { partPages } from './pages/partPages';
import { checkPages } from './pages/checkPages';
import { cautionPages } from './pages/cautionPages';
import { scheduleFrame } from './pages/scheduleFrame';
import { stiffenerPages } from './pages/stiffenerPages';
import { weightPages } from './pages/weightPages';
import { shortDefinition } from './shortPdf';
import { workingPages } from './pages/workingPages';
import { headRows } from './pages/headRows';

export interface PrintOptions {
  /** The issued revision, or null for the draft. */
  revision: Revision | null;
  units: UnitSystem;
  /** ISO 8601, UTC. */
  printedAt: string;
  /** The short edition leaves the workings out. */
  edition: Edition;
}
export type Edition = 'short' | 'full';

/**
 * The laminate schedule of a boat as the definition of a PDF: title, each part with its layers, results and sections,
 * checks, stiffeners, details, cautions, weights and workings; the short edition is a print of its own.
 */
export function* scheduleDefinition(boat: Boat, options: PrintOptions): Generator<Progress, TDocumentDefinitions> {
  if (options.edition === 'short') return yield* shortDefinition(boat, options);
  const { revision, units } = options;
  const evaluations = makeEvaluator()(boat);
  const state = revision ? `Revision ${revision.label}` : 'DRAFT, not issued';
  yield { done: 0.05, at: 'zones' };
  const content: Content[] = [
    { text: boat.name, style: 'h1' },
    { text: `Laminate schedule with workings · ${state}`, fontSize: 12, margin: [0, 0, 0, 8] },
    { layout: RULES, table: { widths: [140, '*'], body: headRows(boat, evaluations, options) } },
  ];
  for (const part of boat.parts.filter(({ zones }) => zones.length > 0)) {
    content.push(...partPages(boat, part, evaluations, { units }));
    yield { done: 0.1, at: part.name };
  }
  content.push(...checkPages(boat, evaluations, units), ...stiffenerPages(boat, units), ...detailPages(boat, units));
  yield { done: 0.2, at: 'stiffeners and details' };
  content.push(...cautionPages(boat, evaluations), ...weightPages(boat, evaluations, units));
  content.push(...(yield* workingPages(boat, evaluations)));
  yield { done: 0.7, at: 'pages' };
  return {
    ...scheduleFrame(boat, options),
    content,
  };
}

/** The laminate schedule of a boat as the bytes of a PDF, on the thread that asks. */
export function schedulePdf(
  boat: Boat,
  options: PrintOptions,
  onProgress: (step: Progress) => void = () => {},
): Promise<Buffer> {
  const definition = runToEnd(scheduleDefinition(boat, options), onProgress);
  return printPdf(definition, options.units, (share) => onProgress({ done: 0.7 + 0.3 * share, at: 'pages' }));
}
