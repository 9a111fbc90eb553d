import type { Kind } from '../kind';
import { drawStrap } from './drawing';
import { strapFindings } from './findings';
import { startStrap } from './start';

export const strap: Kind<'strap'> = {
  name: 'Straps',
  findings: strapFindings,
  draw: drawStrap,
  start: startStrap,
  notChecked: ['what is behind the anchor, bending of the panel by what stands square to it'],
};
