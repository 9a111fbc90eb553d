import type { DetailEvaluation } from '../../detail/kinds';
import type { Boat } from '../../document';
import type { ZoneEvaluation } from '../../evaluate';
import type { Resin } from '../../material';
import { pasteWork } from '../../weight';
import { batchesOf } from './batches';
import type { Hardener, Mixing } from './mixing';
import type { MixStage } from './mixingPlan';
import { potLifeAt, potLifeFrom25 } from './potLife';

interface Asked {
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  details: readonly DetailEvaluation[];
  resin: Resin;
  hardeners: readonly Hardener[];
  mixing: Mixing;
}

/**
 * Pastes in batches: adhesives of details and stiffeners by the working time of their own data sheets, fillets and
 * bedding of cores of the boat's resin, thickened. Each detail and each stiffener is mixed for by itself.
 */
export function pasteStages(boat: Boat, { evaluations, details, resin, hardeners, mixing }: Asked): MixStage[] {
  const { details: glued, stiffeners, cores: bedded } = pasteWork(boat, evaluations, details);
  const { temperature, workingShare, largestPaste, pasteRate, waste } = mixing;
  const [usual] = hardeners;
  return [...glued, ...stiffeners, ...bedded].map(({ of, name, mass, adhesive }): MixStage => {
    const own: Hardener = adhesive
      ? {
          family: resin.family,
          name: `${adhesive.name}, by its own ratio`,
          share: 0,
          density: adhesive.density.value,
          potLife: 1,
          largest: largestPaste,
        }
      : { ...usual!, largest: Math.min(largestPaste, usual!.largest) };
    const pot = adhesive
      ? potLifeFrom25(adhesive.potLife25.value, resin, temperature)
      : potLifeAt(resin, temperature) * own.potLife;
    const workingMinutes = (pot * workingShare) / 60;
    const mixed = mass * (1 + waste);
    const density = adhesive?.density.value ?? resin.density.value;
    const { batches } = batchesOf({
      resinMass: mixed / (1 + own.share),
      maximumBatch: own.largest,
      workingMinutes,
      wetOutRate: pasteRate,
      hardenerShare: own.share,
    });
    return {
      part: of,
      partId: null,
      copy: 1,
      kind: 'paste',
      name,
      layers: [],
      hardener: own,
      stays: mass,
      besides: 0,
      mixed,
      workingMinutes,
      batches: batches.map((batch) => ({
        ...batch,
        resinVolume: (1000 * batch.resin) / density,
        hardenerVolume: (1000 * batch.hardener) / own.density,
        usedUp: batch.startMinute + (batch.resin + batch.hardener) / pasteRate,
        wets: [],
      })),
      byVolume: adhesive ? 0 : (own.share * density) / own.density,
      cautions: [
        adhesive
          ? `mixed by the ratio on its own pack: the amounts are of both together`
          : 'mixed first, thickened then: the thickener is not in these amounts',
      ],
    };
  });
}
