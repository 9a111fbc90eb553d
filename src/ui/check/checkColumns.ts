import type { Boat } from '@/core/document';
import { OWN_PROOFS, type ZoneCheck, type ZoneEvaluation } from '@/core/evaluate';
import { CHECKS } from '@/core/standard';

/** A column of the sheet: the checks of one pack that share it. */
export interface CheckColumn {
  key: string;
  pack: string;
  ids: readonly ZoneCheck['id'][];
  head: string;
}

/** What a single skin and a sandwich have in its place share one column. */
const SHARED: readonly Pick<CheckColumn, 'ids' | 'head'>[] = [
  { ids: ['skinFlexure', 'outerSkin'], head: 'Skin in bending or outer skin' },
  { ids: ['plyByPly', 'innerSkin'], head: 'Ply by ply or inner skin' },
  { ids: ['midSpan', 'alongSide'], head: 'Middle, and along the long side' },
  { ids: ['woodShear'], head: CHECKS.woodShear },
  { ids: ['stiffness'], head: CHECKS.stiffness },
  { ids: ['coreShear', 'coreShearAlong'], head: CHECKS.coreShear },
  { ids: ['minimumFibre', 'outerMinimum'], head: 'Least fibre or outer skin' },
  { ids: ['minimumWood'], head: CHECKS.minimumWood },
  { ids: ['innerMinimum'], head: CHECKS.innerMinimum },
  { ids: ['coreMinimum'], head: CHECKS.coreMinimum },
  { ids: ['yardFibre'], head: CHECKS.yardFibre },
  { ids: ['yardThickness'], head: CHECKS.yardThickness },
  { ids: ['specifiedLayers'], head: CHECKS.specifiedLayers },
];

/** Of no pack. */
const TYPED: Pick<CheckColumn, 'ids' | 'head'> = { ids: ['typedLoad'], head: CHECKS.typedLoad };

/** The columns that some zone fills, pack after pack; match and analysis have columns of their own. */
export function checkColumns(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): CheckColumn[] {
  const filled = new Set([...evaluations.values()].flatMap((e) => e.checks.map(({ pack, id }) => `${pack}|${id}`)));
  const columnsOf = (pack: string, columns: typeof SHARED): CheckColumn[] =>
    columns
      .filter(({ ids }) => ids.some((id) => filled.has(`${pack}|${id}`)))
      .map((column) => ({ key: `${pack}|${column.ids[0]}`, pack, ...column }));
  return [...boat.packs.flatMap(({ id }) => columnsOf(id, SHARED)), ...columnsOf(OWN_PROOFS, [TYPED])];
}

/** The least check of a zone in a column; none where it does not apply to the construction. */
export const checkIn = (evaluation: ZoneEvaluation, { ids, pack }: CheckColumn): ZoneCheck | undefined =>
  evaluation.checks
    .filter((check) => ids.includes(check.id) && check.pack === pack)
    .reduce<ZoneCheck | undefined>(
      (low, one) => (low && low.reserveFactor <= one.reserveFactor ? low : one),
      undefined,
    );
