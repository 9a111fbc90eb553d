import type { Kind } from '../kind';
import { transomAdditions } from './additions';
import { drawTransom } from './drawing';
import { transomFindings } from './findings';
import { startTransom } from './start';

export const transom: Kind<'transom'> = {
  name: 'Transom for an outboard or rudder',
  findings: transomFindings,
  draw: drawTransom,
  notChecked: ['the board between hull and bracket, up and down'],
  additions: transomAdditions,
  start: startTransom,
};
