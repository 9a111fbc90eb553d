import { HOLDS_ONLY } from '@/core/geometry';
import { DETAIL_KINDS, newDetail, type DetailKind } from '../../src/core/detail/kinds';
import { newLayer, newZone, type Boat } from '../../src/core/document';
import type { Edit } from '../../src/core/edit';

const pick = <T>(items: readonly T[], n: number): T | undefined => (items.length ? items[n % items.length] : undefined);

/** An edit made of three numbers: now and then of things that are not there, as a page behind another may send. */
export function editOf(boat: Boat, kind: number, n: number, m: number): Edit | null {
  const part = pick(boat.parts, n);
  const layer = part && pick(part.layers, m);
  const zone = part && pick(part.zones, m);
  const other = part && pick(part.zones, m + 1);
  const detail = pick(boat.details, n);
  const fabric = pick(
    boat.materials.filter((material) => material.kind === 'fabric'),
    n,
  );
  const makers: (() => Edit | null)[] = [
    () => (layer ? { type: 'layer.remove', layerId: layer.id } : null),
    () =>
      part && fabric
        ? {
            type: 'layer.add',
            partId: part.id,
            layer: newLayer({ id: `new-${n}-${m}`, material: fabric.id, zones: zone ? [zone.id] : [] }),
            index: m,
          }
        : null,
    () =>
      layer
        ? {
            type: 'layer.set',
            layerId: layer.id,
            patch: { group: m % 2 ? 'no-such-group' : (part!.groups[0]?.id ?? null) },
          }
        : null,
    () => (layer ? { type: 'layer.move', layerId: layer.id, index: n % 50 } : null),
    () => (layer && other ? { type: 'layer.cover', layerId: layer.id, zoneId: other.id, covered: m % 2 === 0 } : null),
    () => (zone ? { type: 'zone.remove', zoneId: zone.id } : null),
    () =>
      part
        ? {
            type: 'zone.add',
            partId: part.id,
            zone: newZone(`zone-${n}-${m}`, 'Another', 'deck'),
            index: m % 9,
            coveredBy: layer ? [layer.id] : [],
          }
        : null,
    () =>
      zone
        ? {
            type: 'zone.set',
            zoneId: zone.id,
            patch: { match: m % 3 ? (boat.references[0]?.id ?? null) : 'no-such-laminate' },
          }
        : null,
    () =>
      part && zone && other
        ? {
            type: 'part.set',
            partId: part.id,
            patch: {
              joins: [
                {
                  a: m % 5 ? zone.id : 'gone',
                  b: other.id,
                  lap: 0.05,
                  laps: layer ? [{ layer: m % 7 ? layer.id : 'gone', lap: null }] : [],
                  ends: [],
                  bevel: null,
                  length: null,
                },
              ],
            },
          }
        : null,
    () =>
      part
        ? {
            type: 'part.set',
            partId: part.id,
            patch: { groups: m % 2 ? [] : [{ id: 'g', name: 'Group', kind: 'local', laminate: null }] },
          }
        : null,
    () => (part && n % 4 === 0 ? { type: 'part.remove', partId: part.id } : null),
    () => (part ? { type: 'part.move', partId: part.id, index: m % 6 } : null),
    () => (zone ? { type: 'zone.move', zoneId: zone.id, index: n % 12 } : null),
    () =>
      detail ? { type: 'detail.set', item: { ...detail, zone: m % 3 ? (zone?.id ?? '') : 'no-such-zone' } } : null,
    () => (detail ? { type: 'detail.set', item: { ...detail, load: m % 2 ? 'no-such-load' : null } } : null),
    () => (detail ? { type: 'detail.remove', id: detail.id } : null),
    () =>
      zone
        ? {
            type: 'detail.add',
            item: newDetail(boat, pick(Object.keys(DETAIL_KINDS) as DetailKind[], n)!, `detail-${n}-${m}`, zone),
            index: 0,
          }
        : null,
    () => {
      const load = pick(boat.loads, m);
      return load ? { type: 'load.remove', id: load.id } : null;
    },
    () => {
      const support = pick(boat.supports, m);
      return support ? { type: 'support.remove', id: support.id } : null;
    },
    () =>
      zone
        ? {
            type: 'support.add',
            item: {
              id: `rib-${n}-${m}`,
              name: 'Rib',
              ...HOLDS_ONLY,
              kind: 'rib',
              zone: m % 3 ? zone.id : 'gone',
              run: 'along',
              share: 0.5,
            },
            index: 0,
          }
        : null,
    () => {
      const section = pick(boat.sections, m);
      return section ? { type: 'section.remove', id: section.id } : null;
    },
    () => {
      const material = pick(boat.materials, m);
      return material ? { type: 'material.drop', materialId: material.id } : null;
    },
    () => ({ type: 'brief.set', patch: { hullLength: 4 + (n % 12) } }),
  ];
  return makers[kind % makers.length]!();
}
