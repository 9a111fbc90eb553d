import { signedArea, type FlatPoint } from '../../geometry';
import type { FillCase } from '../plan/fillCase';
import { lengthOfLines } from '../plan/lineLengths';

export interface BagSheet {
  name: string;
  /** m², all hands. */
  area: number;
}

export interface Bag {
  /** From the part to the bag. */
  sheets: BagSheet[];
  /** By zone: the sheets that lie over it, from the part on. */
  zones: { id: string; name: string; sheets: string[] }[];
  /** m of sealing tape round it, pleats with it; of feed line and of vacuum line. */
  tape: number;
  feed: number;
  vacuum: number;
  /** m³ of air under the bag: in cloth, mesh and lines. */
  volume: number;
  /** Whether that volume was measured, not reckoned. */
  measured: boolean;
}

/** What lies between part and bag, how long its seal is, and how much air is under it. */
export function bagOf({ plan, part, skin, stacks, filling }: FillCase): Bag {
  const hands = skin.half ? 2 : 1;
  const area = (id: string) => part.zones.find((zone) => zone.id === id)!.geometry.area;
  const meshed = (id: string) => !plan.bare.some(({ zone }) => zone === id);
  const all = skin.zones.reduce((sum, { id }) => sum + area(id), 0);
  const mesh = skin.zones.filter(({ id }) => meshed(id)).reduce((sum, { id }) => sum + area(id), 0);
  const rim = rimOf(skin.outline, skin.mirrored);
  const flange = hands * rim * filling.flange;
  const sheets = filling.stack.map(({ name, covers, extra }): BagSheet => {
    const own = covers === 'part' ? all + flange : mesh;
    return { name, area: own * (1 + extra) };
  });
  const [feed, vacuum] = (['feed', 'vent'] as const).map((role) => lengthOfLines(plan, skin, role)) as [number, number];
  const pores = skin.zones.reduce((sum, { id }) => {
    const { thickness, porosity } = stacks.get(id)!;
    return sum + area(id) * thickness * porosity;
  }, 0);
  return {
    sheets,
    zones: skin.zones.map(({ id, name }) => ({
      id,
      name,
      sheets: filling.stack.filter(({ covers }) => covers === 'part' || meshed(id)).map((one) => one.name),
    })),
    tape: hands * rim * (1 + filling.pleats),
    feed,
    vacuum,
    volume: plan.volume ?? pores + (feed + vacuum) * filling.spiral,
    measured: plan.volume !== null,
  };
}

const distance = (a: FlatPoint, b: FlatPoint) => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** m round a skin; of a half that hangs on the centreline without what lies there. */
function rimOf(outline: readonly FlatPoint[], mirrored: boolean): number {
  const ring = signedArea(outline) < 0 ? [...outline].reverse() : outline;
  return ring.reduce((sum, a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    const centre = mirrored && Math.abs(a[1]) < 0.01 && Math.abs(b[1]) < 0.01;
    return centre ? sum : sum + distance(a, b);
  }, 0);
}
