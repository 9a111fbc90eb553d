import type { Kind } from '../kind';
import { drawExtension } from './drawing';
import { extensionFindings } from './findings';
import { startExtension } from './start';

export const extension: Kind<'extension'> = {
  name: 'Extension or repair joint',
  findings: extensionFindings,
  draw: drawExtension,
  notChecked: ['bending of the joint'],
  start: startExtension,
};
