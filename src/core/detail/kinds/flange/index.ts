import type { Kind } from '../kind';
import { drawFlange } from './drawing';
import { flangeFindings } from './findings';
import { startFlange } from './start';

export const flange: Kind<'flange'> = {
  name: 'Hull-to-deck joint',
  findings: flangeFindings,
  draw: drawFlange,
  start: startFlange,
};
