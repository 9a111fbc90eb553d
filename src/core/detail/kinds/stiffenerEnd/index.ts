import type { Kind } from '../kind';
import { drawStiffenerEnd } from './drawing';
import { stiffenerEndFindings } from './findings';
import { startStiffenerEnd } from './start';

export const stiffenerEnd: Kind<'stiffenerEnd'> = {
  name: 'Stiffener end and intersection',
  findings: stiffenerEndFindings,
  draw: drawStiffenerEnd,
  notChecked: ['peel at the end of the flanges, the hard spot in the plating'],
  start: startStiffenerEnd,
};
