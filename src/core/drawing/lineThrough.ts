import { curveLinearClosed, line } from 'd3-shape';

type Place = readonly [number, number];

const open = line<Place>().digits(1);
const closed = line<Place>().curve(curveLinearClosed).digits(1);

/** The path of a line through points of a drawing, to a tenth of a dot. */
export const lineThrough = (points: Iterable<Place>): string => open(points) ?? '';
/** The same, back to where it began. */
export const ringThrough = (points: Iterable<Place>): string => closed(points) ?? '';
