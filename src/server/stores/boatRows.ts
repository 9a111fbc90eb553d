import type { Transaction } from 'kysely';
import { partRestSchema, type Boat } from '@/core/document';
import type { Database } from '../database/schema';

/** The boat's lists whose items are kept whole, and their tables. */
export const LIST_TABLES = {
  supports: 'boat_support',
  sections: 'boat_section',
  references: 'boat_reference',
  packs: 'boat_pack',
  loads: 'boat_load',
  details: 'boat_detail',
} as const;

/** Write the rows in which two states of a boat differ. Objects that kept their identity are left alone. */
export async function writeBoat(
  trx: Transaction<Database>,
  id: string,
  before: Boat | null,
  after: Boat,
): Promise<void> {
  const old = before ?? {
    name: '',
    brief: null,
    materials: [],
    parts: [],
    acceptances: [],
    supports: [],
    sections: [],
    references: [],
    packs: [],
    loads: [],
    details: [],
  };
  for (const [key, table] of Object.entries(LIST_TABLES) as [
    keyof typeof LIST_TABLES,
    (typeof LIST_TABLES)[keyof typeof LIST_TABLES],
  ][]) {
    if (old[key] === after[key]) continue;
    await trx.deleteFrom(table).where('boat_id', '=', id).execute();
    const rows = after[key].map((item, position) => ({
      boat_id: id,
      id: item.id,
      position,
      body_json: JSON.stringify(item),
    }));
    if (rows.length) await trx.insertInto(table).values(rows).execute();
  }
  if (old.materials !== after.materials) {
    const kept = new Map(old.materials.map((material, position) => [material.id, { material, position }]));
    for (const [position, material] of after.materials.entries()) {
      const known = kept.get(material.id);
      kept.delete(material.id);
      if (known?.material === material && known.position === position) continue;
      const values = { position, kind: material.kind, body_json: JSON.stringify(material) };
      await trx
        .insertInto('boat_material')
        .values({ boat_id: id, id: material.id, ...values })
        .onConflict((c) => c.columns(['boat_id', 'id']).doUpdateSet(values))
        .execute();
    }
    for (const gone of kept.keys())
      await trx.deleteFrom('boat_material').where('boat_id', '=', id).where('id', '=', gone).execute();
  }
  if (old.acceptances !== after.acceptances) {
    await trx.deleteFrom('acceptance').where('boat_id', '=', id).execute();
    for (const [position, { by, ...acceptance }] of after.acceptances.entries())
      await trx
        .insertInto('acceptance')
        .values({ boat_id: id, position, accepted_by: by, ...acceptance })
        .execute();
  }
  if (old.parts === after.parts) return;

  const oldParts = new Map(old.parts.map((part, position) => [part.id, { part, position }]));
  for (const [position, part] of after.parts.entries()) {
    const known = oldParts.get(part.id);
    oldParts.delete(part.id);
    if (known?.part === part && known.position === position) continue;
    const values = {
      position,
      name: part.name,
      kind: part.kind,
      rest_json: JSON.stringify(partRestSchema.parse(part)),
    };
    await trx
      .insertInto('part')
      .values({ boat_id: id, id: part.id, ...values })
      .onConflict((c) => c.columns(['boat_id', 'id']).doUpdateSet(values))
      .execute();

    const zones = new Map(known?.part.zones.map((zone, at) => [zone.id, { zone, at }]));
    for (const [at, zone] of part.zones.entries()) {
      const was = zones.get(zone.id);
      zones.delete(zone.id);
      if (was?.zone === zone && was.at === at) continue;
      const columns = {
        part_id: part.id,
        position: at,
        name: zone.name,
        location: zone.location,
        geometry_json: JSON.stringify(zone.geometry),
        load_json: zone.load && JSON.stringify(zone.load),
        region_json: zone.region && JSON.stringify(zone.region),
        overridden_json: zone.overridden.length ? JSON.stringify(zone.overridden) : null,
        panel_case_json: zone.panelCase && JSON.stringify(zone.panelCase),
        match_id: zone.match,
        specified_id: zone.specified,
        hand: zone.hand,
        solid_edge: zone.solidEdge,
      };
      await trx
        .insertInto('zone')
        .values({ boat_id: id, id: zone.id, ...columns })
        .onConflict((c) => c.columns(['boat_id', 'id']).doUpdateSet(columns))
        .execute();
    }
    for (const gone of zones.keys())
      await trx.deleteFrom('zone').where('boat_id', '=', id).where('id', '=', gone).execute();

    const layers = new Map(known?.part.layers.map((layer, at) => [layer.id, { layer, at }]));
    for (const [at, layer] of part.layers.entries()) {
      const was = layers.get(layer.id);
      layers.delete(layer.id);
      if (was?.layer === layer && was.at === at) continue;
      const columns = {
        part_id: part.id,
        position: at,
        material_id: layer.material,
        angle_deg: layer.angleDeg,
        thickness: layer.thickness,
        role: layer.role,
        group_id: layer.group,
      };
      await trx
        .insertInto('layer')
        .values({ boat_id: id, id: layer.id, ...columns })
        .onConflict((c) => c.columns(['boat_id', 'id']).doUpdateSet(columns))
        .execute();
      const had = new Set(was?.layer.zones);
      const added = layer.zones.filter((zone) => !had.delete(zone));
      if (added.length)
        await trx
          .insertInto('coverage')
          .values(added.map((zone) => ({ boat_id: id, layer_id: layer.id, zone_id: zone })))
          .execute();
      if (had.size)
        await trx
          .deleteFrom('coverage')
          .where('boat_id', '=', id)
          .where('layer_id', '=', layer.id)
          .where('zone_id', 'in', [...had])
          .execute();
    }
    for (const gone of layers.keys())
      await trx.deleteFrom('layer').where('boat_id', '=', id).where('id', '=', gone).execute();
  }
  for (const gone of oldParts.keys())
    await trx.deleteFrom('part').where('boat_id', '=', id).where('id', '=', gone).execute();
}
