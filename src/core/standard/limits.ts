import { said } from '../quantity';
import { type Craft, isPlaning, type SmallCraftPack } from './smallCraft';

/** Where a boat stands outside what a pack was made for: refused, or computed with a warning. */
export interface PackLimit {
  severity: 'refuse' | 'warn';
  text: string;
}

/**
 * Limits of the small-craft method for a boat, each with its reason.
 * Source: ISO 12215-5:2008 method, applicability and the clamps of its formulas.
 */
export function packLimits(pack: SmallCraftPack, craft: Craft): PackLimit[] {
  const [shortest, longest] = pack.applicability.hullLength;
  const [, fastest] = pack.applicability.maxSpeedKnots;
  const limits: PackLimit[] = [];
  const add = (severity: PackLimit['severity'], when: boolean, text: string) => when && limits.push({ severity, text });
  add(
    'refuse',
    craft.hullLength < shortest || craft.hullLength > longest,
    `The method covers hulls of ${said(shortest, 'length', longest)}; this one is ${said(craft.hullLength, 'length')}`,
  );
  add(
    'refuse',
    (craft.maxSpeedKnots ?? 0) > fastest,
    `The method ends at ${fastest} kn; this boat reaches ${craft.maxSpeedKnots} kn`,
  );
  const light =
    craft.loadedMass <= 5 * craft.waterlineLength ** 3 &&
    (craft.designCategory === 'A' || craft.designCategory === 'B');
  add(
    'refuse',
    craft.kind === 'sail' && light && craft.rightingLever60 === undefined,
    'A light sailing craft of category A or B needs its righting lever ' +
      'up to 60° (Brief): the slamming factor depends on it',
  );
  const deadrise = craft.deadriseDeg ?? 10;
  add(
    'warn',
    isPlaning(craft, pack) && (deadrise < 10 || deadrise > 30),
    `Deadrise counts as 10° to 30° in the planing pressures; ${deadrise}° ` +
      `is taken as ${Math.min(30, Math.max(10, deadrise))}°`,
  );
  add(
    'warn',
    craft.kind === 'motor' && (craft.maxSpeedKnots ?? 0) < 2.36 * Math.sqrt(craft.waterlineLength),
    `Speed counts as at least 2.36 √waterline, ${(2.36 * Math.sqrt(craft.waterlineLength)).toFixed(1)} kn`,
  );
  add(
    'warn',
    craft.kind === 'sail',
    'Keel, chainplates, mast step and rudder have load cases of their own, which this method does not hold',
  );
  add('warn', true, 'Intact monohulls in normal use; not for craft meant for racing only, not for multihulls');
  return limits;
}
