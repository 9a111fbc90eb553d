import type { Boat, Zone } from '../document';
import type { Core } from '../material';

/** Share of the waterline from aft beyond which a bottom slams. */
const SLAMS_FROM = 0.5;
/** Elongation in shear below which a core cracks. */
const BRITTLE_CORE = 0.25;

/** Whether a zone takes the sea as a blow: the bottom, forward of the middle of the waterline. */
export const slams = ({ brief }: Boat, { location, geometry }: Zone): boolean =>
  location === 'bottom' && geometry.panelX > SLAMS_FROM * brief.waterlineLength;

/** Whether a core cracks in shear under a blow. A honeycomb gives way by its cells, which is checked apart. */
export const cracksUnderBlows = ({ shearElongation, behaviour }: Core): boolean =>
  shearElongation.value < BRITTLE_CORE && behaviour !== 'honeycomb';
