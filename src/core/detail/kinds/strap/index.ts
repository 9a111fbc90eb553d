import type { Kind } from '../kind';
import { drawStrap } from './drawing';
import { strapFindings } from './findings';
import { startStrap } from './start';

export const strap: Kind<'strap'> = { name: 'Straps', findings: strapFindings, draw: drawStrap, start: startStrap };
