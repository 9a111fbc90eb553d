import { preparation } from '../../../material';
import { z } from 'zod';
import { bounded, shortLength } from '../../../field';
import { adhesive, detailFields, metal } from '../common/schema';

export const flangeSchema = z.object({
  ...detailFields,
  kind: z.literal('flange'),
  length: bounded('Length of the joint', [0.1, 60], 'm'),
  width: shortLength('Flange width', 0.01, 0.4),
  adhesive: adhesive('Adhesive'),
  bondLine: bounded('Bond line', [1e-4, 0.03], 'm', { quantity: 'thickness' }),
  lineLoad: bounded('Load per metre', [1, 1e6], 'N/m').nullable(),
  pitch: shortLength('Fasteners every', 0.02, 2, 'empty: no fasteners').nullable(),
  boltDiameter: shortLength('Fastener diameter', 0.003, 0.02),
  boltMetal: metal('Fasteners of'),
  edgeDistance: shortLength('Hole to the edge', 0.003, 0.2),
  preparation,
});
