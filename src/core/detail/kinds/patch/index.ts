import type { Kind } from '../kind';
import { drawPatch } from './drawing';
import { patchFindings } from './findings';
import { startPatch } from './start';

export const patch: Kind<'patch'> = {
  name: 'Patch, doubler, wrapped edge or web',
  findings: patchFindings,
  draw: drawPatch,
  notChecked: ['the panel as a whole, peel at the edge under bending'],
  start: startPatch,
};
