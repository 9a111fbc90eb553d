import type { Kind } from '../kind';
import { drawTabbing } from './drawing';
import { tabbingFindings } from './findings';
import { startTabbing } from './start';

export const tabbing: Kind<'tabbing'> = {
  name: 'Bulkhead or frame bonding',
  findings: tabbingFindings,
  draw: drawTabbing,
  notChecked: ["the tab where nothing backs it, the bulkhead's own edge"],
  start: startTabbing,
};
