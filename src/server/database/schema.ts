import type { Generated } from 'kysely';

/** An item of one of a boat's lists, kept whole. */
export interface ListRow {
  boat_id: string;
  id: string;
  position: number;
  body_json: string;
}

/** Table rows; columns ending in `_json` hold value objects, everything else is relational. */
export interface Database {
  boat: {
    id: string;
    name: string;
    brief_json: string;
    hull_json: string | null;
    deck_json: string | null;
    variant_of: string | null;
    /** The parent as the variant last saw it. */
    parent_json: string | null;
    parent_version: number | null;
    archived: number;
    version: number;
    created_at: string;
    updated_at: string;
  };
  boat_material: { boat_id: string; id: string; position: number; kind: string; body_json: string };
  part: { boat_id: string; id: string; position: number; name: string; kind: string; rest_json: string | null };
  zone: {
    boat_id: string;
    id: string;
    part_id: string;
    position: number;
    name: string;
    location: string;
    geometry_json: string;
    load_json: string | null;
    region_json: string | null;
    overridden_json: string | null;
    panel_case_json: string | null;
    match_id: string | null;
    specified_id: string | null;
    hand: string | null;
    solid_edge: number | null;
  };
  boat_support: ListRow;
  boat_section: ListRow;
  boat_reference: ListRow;
  boat_pack: ListRow;
  boat_load: ListRow;
  boat_detail: ListRow;
  pack: { id: string; kind: string; body_json: string; updated_at: string };
  layer: {
    boat_id: string;
    id: string;
    part_id: string;
    position: number;
    material_id: string;
    angle_deg: number;
    thickness: number | null;
    role: string | null;
    group_id: string | null;
  };
  coverage: { boat_id: string; layer_id: string; zone_id: string };
  edit: {
    id: Generated<number>;
    boat_id: string;
    version: number;
    client_id: string;
    action: 'do' | 'undo' | 'redo';
    description: string;
    forward_json: string;
    inverse_json: string;
    at: string;
  };
  revision: {
    id: string;
    boat_id: string;
    number: number;
    label: string;
    hash: string;
    author: string;
    note: string;
    issued_at: string;
    snapshot: string;
  };
  revision_event: {
    id: string;
    boat_id: string;
    label: string;
    kind: 'floor' | 'withdrawn';
    author: string;
    note: string;
    at: string;
  };
  change_request: {
    id: string;
    boat_id: string;
    against: string;
    version: number;
    reason: string;
    changes_json: string;
    asked_by: string;
    asked_at: string;
    state: 'open' | 'approved' | 'refused' | 'issued';
    decided_by: string | null;
    decided_at: string | null;
    decision: string | null;
  };
  acceptance: {
    boat_id: string;
    id: string;
    position: number;
    rule: string;
    subject: string;
    accepted_by: string;
    note: string;
    at: string;
  };
  shelf_material: { id: string; kind: string; name: string; body_json: string; updated_at: string };
}
