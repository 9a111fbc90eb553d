import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ROOT } from './prepare.mjs';

/** A rule that holds for whatever stands after a legend: with it the browser looks at everything beside what comes. */
const RULE = 'legend+*{clear:left}';
const MADE = 'node_modules/.cache/keramos-bootstrap.css';

/**
 * Bootstrap's sheet without its one rule for any element beside another. A row that came into the grid had the style of
 * all 60 × 16 cells looked through for it (15 ms). Our legends do not float, so nothing has to clear them.
 *
 * @returns where it lies, from the root. @throws Error where Bootstrap no longer has the rule.
 */
export function lightSheet() {
  const sheet = readFileSync(path.join(ROOT, 'node_modules/bootstrap/dist/css/bootstrap.min.css'), 'utf8');
  if (!sheet.includes(RULE)) throw new Error(`Bootstrap has no ${RULE} any more: import its sheet as it is`);
  mkdirSync(path.join(ROOT, path.dirname(MADE)), { recursive: true });
  writeFileSync(path.join(ROOT, MADE), sheet.replace(RULE, '').replace(/\/\*# sourceMappingURL.*/, ''));
  return `./${MADE}`;
}
