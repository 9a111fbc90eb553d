import { diffArrays } from 'diff';
import { formatNumber, said } from '../quantity';
import type { Material } from '../material';
import type { Boat, Layer, Part, Zone } from '../document';

/** One line of a difference between two states of a boat. */
export interface Change {
  /** Where: the part's name, or 'Brief' or 'Materials'. */
  place: string;
  kind: 'added' | 'removed' | 'changed' | 'moved';
  /** What it is about: 'Layer 7, BX 800'. */
  subject: string;
  /** What changed, each as 'was → is'. */
  details: string[];
}

const angle = (value: number) => `${formatNumber(value, value % 1 === 0 ? 0 : 1)}°`;
const thickness = (value: number | null) => (value === null ? '–' : said(value, 'thickness'));
const codeIn = (materials: readonly Material[], id: string) => {
  const material = materials.find((m) => m.id === id);
  return material && 'code' in material ? material.code : id;
};
const show = (value: unknown) =>
  value === null || value === undefined
    ? '–'
    : typeof value === 'object'
      ? JSON.stringify(value).replace(/[{}"]/g, '')
      : String(value);

const same = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);

/** What came, went and changed in a list of named things. */
function compareLists(
  place: string,
  before: readonly { id: string; label: string }[],
  after: readonly { id: string; label: string }[],
): Change[] {
  const old = new Map(before.map((item) => [item.id, item]));
  const changes = after.flatMap((item): Change[] => {
    const was = old.get(item.id);
    old.delete(item.id);
    if (!was) return [{ place, kind: 'added', subject: item.label, details: [] }];
    return same(was, item)
      ? []
      : [{ place, kind: 'changed', subject: item.label, details: fieldChanges(was, item).slice(0, 6) }];
  });
  return [
    ...changes,
    ...[...old.values()].map((item): Change => ({ place, kind: 'removed', subject: item.label, details: [] })),
  ];
}

/** Fields of two plain objects that differ, as 'field: was → is'. */
function fieldChanges(before: object, after: object): string[] {
  return Object.entries(after)
    .filter(([key, value]) => JSON.stringify((before as Record<string, unknown>)[key]) !== JSON.stringify(value))
    .map(([key, value]) => `${key}: ${show((before as Record<string, unknown>)[key])} → ${show(value)}`);
}

function compareLayers(before: Boat, after: Boat, a: Part, b: Part): Change[] {
  const subject = (boat: Boat, part: Part, layer: Layer) =>
    `Layer ${part.layers.indexOf(layer) + 1}, ${codeIn(boat.materials, layer.material)}`;
  const zoneName = (id: string) => [...b.zones, ...a.zones].find((zone) => zone.id === id)?.name ?? id;
  const earlier = new Map(a.layers.map((layer) => [layer.id, layer]));
  const later = new Set(b.layers.map((layer) => layer.id));
  const changes: Change[] = a.layers
    .filter((layer) => !later.has(layer.id))
    .map((layer) => ({ place: b.name, kind: 'removed', subject: subject(before, a, layer), details: [] }));

  // Of the layers both have, those outside the longest common order are the ones that moved.
  const common = (part: Part) =>
    part.layers.filter((layer) => earlier.has(layer.id) && later.has(layer.id)).map((layer) => layer.id);
  const moved = new Set(
    diffArrays(common(a), common(b))
      .filter((run) => run.added)
      .flatMap((run) => run.value),
  );

  for (const layer of b.layers) {
    const old = earlier.get(layer.id);
    if (!old) {
      changes.push({
        place: b.name,
        kind: 'added',
        subject: subject(after, b, layer),
        details: [`covers ${layer.zones.map(zoneName).join(', ') || 'nothing yet'}`],
      });
      continue;
    }
    const details: string[] = [];
    if (old.material !== layer.material)
      details.push(`${codeIn(before.materials, old.material)} → ${codeIn(after.materials, layer.material)}`);
    if (old.angleDeg !== layer.angleDeg) details.push(`${angle(old.angleDeg)} → ${angle(layer.angleDeg)}`);
    if (old.thickness !== layer.thickness) details.push(`${thickness(old.thickness)} → ${thickness(layer.thickness)}`);
    const onto = layer.zones.filter((id) => !old.zones.includes(id));
    const off = old.zones.filter((id) => !layer.zones.includes(id) && b.zones.some((zone) => zone.id === id));
    if (onto.length) details.push(`now also in ${onto.map(zoneName).join(', ')}`);
    if (off.length) details.push(`no longer in ${off.map(zoneName).join(', ')}`);
    if (moved.has(layer.id)) details.push(`place ${a.layers.indexOf(old) + 1} → ${b.layers.indexOf(layer) + 1}`);
    if (details.length)
      changes.push({
        place: b.name,
        kind: moved.has(layer.id) && details.length === 1 ? 'moved' : 'changed',
        subject: subject(after, b, layer),
        details,
      });
  }
  return changes;
}

function compareZones(a: Part, b: Part): Change[] {
  const changes: Change[] = [];
  const earlier = new Map(a.zones.map((zone): [string, Zone] => [zone.id, zone]));
  for (const zone of b.zones) {
    const old = earlier.get(zone.id);
    earlier.delete(zone.id);
    if (!old) changes.push({ place: b.name, kind: 'added', subject: `Zone ${zone.name}`, details: [] });
    else {
      const details = [
        ...fieldChanges({ name: old.name, location: old.location }, { name: zone.name, location: zone.location }),
        ...fieldChanges(old.geometry, zone.geometry),
        ...(same(old.load, zone.load) ? [] : ['load given for analysis']),
        ...(same(old.region, zone.region) ? [] : ['place on the boat']),
        ...(same(old.overridden, zone.overridden) ? [] : [`overridden: ${zone.overridden.join(', ') || 'nothing'}`]),
        ...(same(old.panelCase, zone.panelCase) ? [] : ['panel case']),
        ...fieldChanges(
          { match: old.match, specified: old.specified },
          { match: zone.match, specified: zone.specified },
        ),
      ];
      if (details.length) changes.push({ place: b.name, kind: 'changed', subject: `Zone ${zone.name}`, details });
    }
  }
  return [
    ...changes,
    ...[...earlier.values()].map((zone): Change => ({
      place: b.name,
      kind: 'removed',
      subject: `Zone ${zone.name}`,
      details: [],
    })),
  ];
}

/**
 * What changed from one state of a boat to another: brief, materials, parts, zones, and layer by layer. Empty when nothing did.
 * @example difference(revisionA, draft) // [{ place: 'Hull', kind: 'changed', subject: 'Layer 7, BX 800', details: ['45° → 90°'] }]
 */
export function difference(before: Boat, after: Boat): Change[] {
  const changes: Change[] = [];
  const brief = [
    ...fieldChanges({ name: before.name }, { name: after.name }),
    ...fieldChanges(before.brief, after.brief),
  ];
  if (brief.length) changes.push({ place: 'Brief', kind: 'changed', subject: 'Particulars', details: brief });

  const figures = new Map(before.materials.map((material) => [material.id, material]));
  for (const material of after.materials) {
    const old = figures.get(material.id);
    if (!old) changes.push({ place: 'Materials', kind: 'added', subject: material.name, details: [] });
    else if (JSON.stringify(old) !== JSON.stringify(material))
      changes.push({ place: 'Materials', kind: 'changed', subject: material.name, details: ['figures differ'] });
    figures.delete(material.id);
  }
  for (const material of figures.values())
    changes.push({ place: 'Materials', kind: 'removed', subject: material.name, details: [] });

  if (!same(before.hull, after.hull))
    changes.push({
      place: 'Shape',
      kind: 'changed',
      subject: 'Hull',
      details: before.hull && after.hull ? fieldChanges(before.hull, after.hull).slice(0, 8) : [],
    });
  if (!same(before.deck, after.deck))
    changes.push({ place: 'Shape', kind: 'changed', subject: 'Deck', details: fieldChanges(before.deck, after.deck) });
  const named = <T extends { id: string; name: string }>(items: readonly T[]) =>
    items.map((item) => ({ ...item, label: item.name }));
  changes.push(
    ...compareLists('Supports', named(before.supports), named(after.supports)),
    ...compareLists('Sections', named(before.sections), named(after.sections)),
    ...compareLists('References', named(before.references), named(after.references)),
    ...compareLists('Loads', named(before.loads), named(after.loads)),
    ...compareLists('Details', named(before.details), named(after.details)),
    ...compareLists(
      'Packs',
      before.packs.map((pack) => ({ ...pack, label: pack.title })),
      after.packs.map((pack) => ({ ...pack, label: pack.title })),
    ),
  );

  const accepted = new Set(before.acceptances.map(({ id }) => id));
  for (const { id, rule, by, note } of after.acceptances)
    if (!accepted.delete(id))
      changes.push({ place: 'Cautions', kind: 'added', subject: `${rule} accepted by ${by}`, details: [note] });
  if (accepted.size)
    changes.push({
      place: 'Cautions',
      kind: 'removed',
      subject: `${accepted.size} ${accepted.size === 1 ? 'acceptance' : 'acceptances'} withdrawn`,
      details: [],
    });

  const parts = new Map(before.parts.map((part) => [part.id, part]));
  for (const part of after.parts) {
    const old = parts.get(part.id);
    parts.delete(part.id);
    if (!old)
      changes.push({
        place: part.name,
        kind: 'added',
        subject: 'Part',
        details: [`${part.layers.length} layers, ${part.zones.length} zones`],
      });
    else if (old !== part) {
      const named = fieldChanges({ name: old.name, kind: old.kind }, { name: part.name, kind: part.kind });
      if (named.length) changes.push({ place: part.name, kind: 'changed', subject: 'Part', details: named });
      changes.push(...compareZones(old, part), ...compareLayers(before, after, old, part));
    }
  }
  for (const part of parts.values()) changes.push({ place: part.name, kind: 'removed', subject: 'Part', details: [] });
  return changes;
}
