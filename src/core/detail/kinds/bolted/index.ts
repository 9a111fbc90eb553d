import type { Kind } from '../kind';
import { boltedAdditions } from './additions';
import { drawBolted } from './drawing';
import { boltedFindings } from './findings';
import { startBolted } from './start';

export const bolted: Kind<'bolted'> = {
  name: 'Bolted fitting',
  findings: boltedFindings,
  draw: drawBolted,
  notChecked: ['bending of bolts and backing plate, the head of a bolt, tearing out of the group as a whole'],
  start: startBolted,
  additions: boltedAdditions,
};
