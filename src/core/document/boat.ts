import { z } from 'zod';
import { nameOf, noted, since } from '../field';
import { deckShapeSchema, FLUSH_DECK, hullSchema } from '../geometry';
import type { Material } from '../material';
import { acceptances } from './entities/acceptance';
import { boxes, plugs } from './entities/box';
import { curePlans, fillPlans } from './entities/fillPlan';
import { details, loads, materials, packs, references, sections, supports } from './entities/lists';
import { items } from './entities/item';
import { parts } from './entities/part';
import { jointPlacings, pieceDrawings } from './entities/pieceDrawing';
import { spaces } from './entities/space';
import { briefSchema } from './brief';

export { acceptanceSchema, type Acceptance } from './entities/acceptance';
export {
  CONDITIONS,
  ITEM_KINDS,
  ITEM_STATES,
  itemKindOf,
  itemSchema,
  STAGES,
  type Condition,
  type Item,
  type ItemKindName,
  type ItemState,
  type Stage,
} from './entities/item';
export {
  CURE_PLACES,
  curePlanSchema,
  fillPlanSchema,
  LINE_OPENS,
  LINE_ROLES,
  type CurePlan,
  type CureStep,
  type FillLine,
  type FillPlan,
  type LineRole,
} from './entities/fillPlan';
export { BOX_FACES, boxSchema, plugSchema, type Box, type BoxFace, type Plug } from './entities/box';
export { jointPlacingSchema, pieceDrawingSchema, type JointPlacing, type PieceDrawing } from './entities/pieceDrawing';
export { CLOSURES, SPACE_KINDS, spaceSchema, type Closure, type Space, type SpaceKind } from './entities/space';
export { LAYER_LIMIT, LAYER_ROLES, layerSchema, type Layer, type LayerRole } from './entities/layer';
export {
  GROUP_KINDS,
  groupSchema,
  joinSchema,
  PART_KINDS,
  partFields,
  partSchema,
  type GroupKind,
  type Join,
  type LayerGroup,
  type Part,
} from './entities/part';
export { isOneHanded, ZONE_LIMIT, zoneSchema, type Zone } from './entities/zone';

/** Everything a boat holds a list of. A new list is described in `entities/` and stands here; the rest follows. */
export const LISTS = {
  materials,
  parts,
  acceptances,
  supports,
  sections,
  references,
  packs,
  loads,
  details,
  items,
  spaces,
  pieceDrawings,
  jointPlacings,
  boxes,
  plugs,
  fillPlans,
  curePlans,
} as const;
export type ListKey = keyof typeof LISTS;
export const LIST_KEYS = Object.keys(LISTS) as ListKey[];

/** What a boat has one of. */
export const SINGLES = {
  brief: briefSchema,
  /** Shape of the hull; null where all figures are typed in. */
  hull: since(3, noted(hullSchema.nullable(), { label: 'Hull' }), null),
  deck: since(3, noted(deckShapeSchema, { label: 'Deck' }), FLUSH_DECK),
} as const;
export type SingleKey = keyof typeof SINGLES;
export const SINGLE_KEYS = Object.keys(SINGLES) as SingleKey[];

const list = <K extends ListKey>(key: K) =>
  z
    .array(LISTS[key].schema as (typeof LISTS)[K]['schema'])
    .max(LISTS[key].limit, `A boat has at most ${LISTS[key].limit} ${LISTS[key].place.toLowerCase()}`);

/** A whole boat: what it must be, the figures it stands on, and its laminate schedule. */
export const boatSchema = z.object({
  name: nameOf('Boat name'),
  brief: SINGLES.brief,
  materials: list('materials'),
  parts: list('parts'),
  acceptances: list('acceptances'),
  hull: SINGLES.hull,
  deck: SINGLES.deck,
  supports: list('supports').default(supports.empty),
  sections: list('sections').default(sections.empty),
  references: list('references').default(references.empty),
  packs: list('packs').min(1).default(packs.empty),
  loads: list('loads').default(loads.empty),
  details: list('details').default(details.empty),
  items: list('items').default(items.empty),
  spaces: list('spaces').default(spaces.empty),
  pieceDrawings: list('pieceDrawings').default(pieceDrawings.empty),
  jointPlacings: list('jointPlacings').default(jointPlacings.empty),
  boxes: list('boxes').default(boxes.empty),
  plugs: list('plugs').default(plugs.empty),
  fillPlans: list('fillPlans').default(fillPlans.empty),
  curePlans: list('curePlans').default(curePlans.empty),
});
export type Boat = z.infer<typeof boatSchema>;

/** Ids of the materials a material is made of. */
export function ingredients(material: Material): string[] {
  return material.kind === 'fabric' ? [...new Set(material.components.map((component) => component.fibre))] : [];
}
