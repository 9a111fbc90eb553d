import { preparation } from '../../../material';
import { z } from 'zod';
import { bounded, choice, flag, numberChoice, shortLength, whole } from '../../../field';
import { detailFields, fabric } from '../common/schema';

export const strapSchema = z.object({
  ...detailFields,
  kind: z.literal('strap'),
  fabric: fabric('Fabric of the strips'),
  /** Legs to one side or to both of the load's direction. */
  sides: numberChoice('Led', [1, 2], { 1: 'one way', 2: 'split to both sides' }),
  halfAngleDeg: bounded('Each leg to the load', [0, 60], '°'),
  strips: whole('Strips a side', 1, 60),
  width: shortLength('Width', 0.01, 1),
  anchor: shortLength('Anchor length', 0.02, 4),
  /** Each strip ends so far before the one under it. */
  step: shortLength('Step per strip', 0, 0.5),
  misalignDeg: bounded('Misalignment allowed for', [0, 15], '°'),
  wrap: choice('Round', { flat: 'flat on the laminate', tube: 'a tube or pin', edge: 'an edge' }),
  /** Over which it wraps: radius of the tube or of the edge. */
  radius: shortLength('Radius', 0.002, 0.2).nullable(),
  fittingStrength: bounded('Fitting breaks at', [100, 5e6], 'N').nullable(),
  sequence: choice('With the bulkhead', {
    before: 'straps first',
    after: 'bulkhead first',
    none: 'no bulkhead there',
  }),
  preparation,
  fatigue: flag('Fatigue', 'not asked', 'a million cycles'),
});
