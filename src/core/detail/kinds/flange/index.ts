import type { Kind } from '../kind';
import { drawFlange } from './drawing';
import { flangeFindings } from './findings';
import { startFlange } from './start';

export const flange: Kind<'flange'> = {
  name: 'Hull-to-deck joint',
  findings: flangeFindings,
  draw: drawFlange,
  notChecked: [
    "the laminate of the part it is joined to, opening of the joint, the pull of one skin past the other's middle",
  ],
  start: startFlange,
};
