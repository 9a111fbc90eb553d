import katex from 'katex';
import { FORMULAS } from '@/core/standard';

/** Formulas and symbols of all packs as HTML, by their TeX: set on the server, the page carries no typesetter. */
export function formulasSet(): Record<string, string> {
  const set: Record<string, string> = {};
  const put = (tex: string, displayMode: boolean) =>
    (set[tex] ??= katex.renderToString(tex, { displayMode, output: 'html', throwOnError: false }));
  for (const group of Object.values(FORMULAS).flat()) {
    put(group.tex, true);
    for (const { symbol } of group.coefficients) put(symbol, false);
  }
  return set;
}
