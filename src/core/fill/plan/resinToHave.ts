import type { FillResult } from '../simulate/simulate';
import type { FillCase } from './fillCase';
import { lengthOfLines } from './lineLengths';

export interface ResinToHave {
  /** kg for all hands: what stays in the part, in mesh, peel ply and film, in the lines; left in pots and hoses. */
  inPart: number;
  inMedia: number;
  inLines: number;
  waste: number;
  total: number;
  /** Hands that are drawn besides the one that is shown. */
  hands: 1 | 2;
  /** kg through each feed line, by its id, both hands; none where it was not simulated. */
  byLine: ReadonlyMap<string, number>;
  /** Buckets: kg of each, and from when to when it is drawn (s). */
  buckets: { mass: number; from: number; to: number }[];
}

/**
 * Resin to have ready for a plan, both hands, and when each bucket is emptied as the simulation draws it.
 *
 * @param result null where it was not simulated: no buckets then.
 */
export function resinToHave(
  { plan, part, skin, stacks, resin, filling, inLaps }: FillCase,
  result: Pick<FillResult, 'course' | 'resinVolume' | 'fillTime'> | null,
): ResinToHave {
  const density = resin.density.value;
  const hands = skin.half ? 2 : 1;
  const area = (id: string) => part.zones.find((zone) => zone.id === id)!.geometry.area;
  const sum = (pick: 'inPart' | 'inMedia') =>
    skin.zones.reduce((total, { id }) => total + stacks.get(id)![pick] * area(id), 0);
  const inLines = lengthOfLines(plan, skin, 'feed') * filling.spiral * density;
  const [inPart, inMedia] = [sum('inPart') + inLaps, sum('inMedia')];
  const drawn = inPart + inMedia + inLines;
  const buckets: ResinToHave['buckets'] = [];
  if (result && result.course.length > 0) {
    const end = result.course.at(-1)!.volume;
    /** When so much of all is drawn. */
    const when = (share: number): number => {
      const k = result.course.findIndex(({ volume }) => volume >= share * end - 1e-15);
      const to = result.course[k < 0 ? result.course.length - 1 : k]!;
      const from = result.course[k - 1] ?? { time: 0, volume: 0 };
      const span = to.volume - from.volume;
      return from.time + (span > 0 ? (share * end - from.volume) / span : 1) * (to.time - from.time);
    };
    const count = Math.max(1, Math.ceil(drawn / filling.bucket));
    for (let i = 0; i < count; i++)
      buckets.push({ mass: drawn / count, from: i === 0 ? 0 : when(i / count), to: when((i + 1) / count) });
  }
  const waste = drawn * filling.waste;
  const through = result?.course.at(-1)?.through ?? [];
  const all = through.reduce((total, one) => total + one, 0);
  const feeds = plan.lines.filter(({ role }) => role === 'feed');
  const byLine = new Map(
    all > 0 ? feeds.map(({ id }, i) => [id, ((through[i] ?? 0) / all) * (inPart + inMedia)] as const) : [],
  );
  return { inPart, inMedia, inLines, waste, total: drawn + waste, hands, byLine, buckets };
}
