import type { Kind } from '../kind';
import { drawTransom } from './drawing';
import { transomFindings } from './findings';
import { startTransom } from './start';

export const transom: Kind<'transom'> = {
  name: 'Transom for an outboard or rudder',
  findings: transomFindings,
  draw: drawTransom,
  start: startTransom,
};
