import type { Kind } from '../kind';
import { drawFlange } from './drawing';
import { flangeFindings } from './findings';
import { startFlange } from './start';

export const flange: Kind<'flange'> = {
  name: 'Hull-to-deck joint',
  findings: flangeFindings,
  draw: drawFlange,
  notChecked: ["opening of the joint, the pull of one skin past the other's middle, fasteners in shear themselves"],
  start: startFlange,
};
