import type { Kind } from '../kind';
import { drawLiner } from './drawing';
import { linerFindings } from './findings';
import { startLiner } from './start';

export const liner: Kind<'liner'> = {
  name: 'Bonded liner',
  findings: linerFindings,
  draw: drawLiner,
  notChecked: ['peel at the ends of the bond, the liner itself as a stiffener'],
  start: startLiner,
};
