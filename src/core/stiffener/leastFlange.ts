/** Least bonding flange on each side (m), and as a share of the height of the stiffener; the greater counts. */
const [LEAST, SHARE] = [0.025, 0.2];

/**
 * Width that the bonding flanges of a stiffener need on each side (m).
 *
 * @param height m. @example leastFlange(0.14) // 0.028
 * Source: ISO 12215-5:2008 method, F50, proportions.
 */
export const leastFlange = (height: number): number => Math.max(LEAST, SHARE * height);
