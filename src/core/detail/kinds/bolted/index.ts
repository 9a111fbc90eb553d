import type { Kind } from '../kind';
import { boltedAdditions } from './additions';
import { drawBolted } from './drawing';
import { boltedFindings } from './findings';
import { startBolted } from './start';

export const bolted: Kind<'bolted'> = {
  name: 'Bolted fitting',
  findings: boltedFindings,
  draw: drawBolted,
  notChecked: ['what the nut, the head and their thread bear'],
  start: startBolted,
  additions: boltedAdditions,
};
