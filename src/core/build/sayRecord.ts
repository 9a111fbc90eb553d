import { said } from '../quantity';
import { DEFECT_KINDS, DISPOSITIONS, PREPARATIONS, type BuildRecord } from './record';
import { proofFound } from './proofDoubt';
import { READINGS } from './reading';
import type { BuildState } from './state';

/** What is in a pot; hardener that nobody weighed is not told. */
const mixedOf = ({ resin, hardener }: { resin: number; hardener: number }): string =>
  hardener > 0
    ? `${said(resin, 'batchMass')} of resin with ${said(hardener, 'smallMass')} of hardener`
    : said(resin, 'batchMass');

/** What a record says of whoever made it, in words that follow the name; quantities are left open for the reader. */
export function sayRecord(state: BuildState, record: BuildRecord): string {
  const stepName = (id: string) => state.steps.get(id)?.step.name ?? id;
  switch (record.kind) {
    case 'begun':
      return `began “${stepName(record.body.step)}”`;
    case 'done':
      return `ended “${stepName(record.body.step)}”${record.body.note && `: ${record.body.note}`}`;
    case 'signed':
      return `signed “${stepName(record.body.step)}”${record.body.note && `: ${record.body.note}`}`;
    case 'coat':
      return 'put a coat on';
    case 'piece': {
      const piece = state.pieces.get(record.body.code);
      const how = record.body.how === 'scanned' ? 'label read' : 'ticked';
      return `laid ${piece?.name ?? record.body.code} (${how}${record.body.lot && `, lot ${record.body.lot}`})`;
    }
    case 'batch':
      return `mixed ${mixedOf(record.body)}, ${record.body.life} min in the pot`;
    case 'potEmpty':
      return record.body.how === 'used' ? 'emptied a pot' : 'threw a pot away';
    case 'air':
      return `read ${said(record.body.celsius, 'temperature')}, ${record.body.humidity} %`;
    case 'drop':
      return `tested the bag: ${said(record.body.start, 'pressure')} to ${said(record.body.end, 'pressure')}`;
    case 'clamp':
      return `opened ${record.body.name}`;
    case 'prepared':
      return `prepared the bond: ${PREPARATIONS[record.body.how]}`;
    case 'caution':
      return `read the caution of “${stepName(record.body.step)}”`;
    case 'released':
      return `let “${stepName(record.body.step)}” go on: ${record.body.reason}`;
    case 'defect':
      return `found ${DEFECT_KINDS[record.body.kind]}, ${said(record.body.size, 'shortLength')}`;
    case 'disposed':
      return `decided: ${DISPOSITIONS[record.body.what]}, ${record.body.reason}`;
    case 'repaired':
      return 'signed a repair';
    case 'lesson':
      return `learned: ${record.body.text}`;
    case 'alignment':
      return `measured how “${record.body.name}” stands`;
    case 'reading':
      return `read ${READINGS[record.body.what].name}`;
    case 'proof':
      return `pulled ${record.body.name}: ${proofFound(record.body).passed ? 'passed' : 'not passed'}`;
    case 'undone':
      return `took a record back: ${record.body.reason}`;
  }
}
