/** Where things are on the boat and how large they are. */
export { bounded, waterlinePosition, zoneGeometrySchema, type ZoneGeometry } from './zoneGeometry';
