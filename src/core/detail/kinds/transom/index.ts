import type { Kind } from '../kind';
import { drawTransom } from './drawing';
import { transomFindings } from './findings';
import { startTransom } from './start';

export const transom: Kind<'transom'> = {
  name: 'Transom for an outboard or rudder',
  findings: transomFindings,
  draw: drawTransom,
  notChecked: [
    'pull of the bolts by the lever of the motor, reverse thrust and impact',
    'core in shear and the skins in the other sense',
    'the knees and their bonds',
  ],
  start: startTransom,
};
