import { invalid } from '../error';
import { hasDirection, isLayerMaterial, normalAngle, type LayerMaterial, type Material } from '../material';
import { formatNumber, parseQuantity } from '../quantity';
import { LAYER_ROLES, type Boat, type Layer, type LayerRole, type Part } from '../document';

const HEAD = ['Layer', 'Angle (°)', 'Thickness (mm)', 'Role'];
const MOST = 400;
const MARK = 'x';

/**
 * Layers as a plain table that a spreadsheet takes: code, angle, thickness, role, and a mark under each zone covered.
 * @example layersToText(boat, hull, ['l4']) // 'Layer\tAngle (°)\t…\nTX 900\t0\t\tstructure\tx\t'
 */
export function layersToText(boat: Boat, part: Part, ids: readonly string[]): string {
  const codes = new Map(
    boat.materials.map((material) => [material.id, 'code' in material ? material.code : material.name]),
  );
  const rows = part.layers
    .filter(({ id }) => ids.includes(id))
    .map((layer) => [
      codes.get(layer.material)!,
      String(layer.angleDeg),
      layer.thickness === null ? '' : formatNumber(layer.thickness * 1000, 2),
      LAYER_ROLES[layer.role],
      ...part.zones.map(({ id }) => (layer.zones.includes(id) ? MARK : '')),
    ]);
  return [[...HEAD, ...part.zones.map(({ name }) => name)], ...rows].map((row) => row.join('\t')).join('\n');
}

/** A material by its code or name, or by the only one whose code or name holds every word. */
export function findMaterial(materials: readonly Material[], text: string): LayerMaterial | null {
  const layable = materials.filter(isLayerMaterial);
  const wanted = text.trim().toLowerCase();
  if (wanted === '') return null;
  const exact = layable.find((material) =>
    [material.code, material.name, material.id].some((own) => own.toLowerCase() === wanted),
  );
  if (exact) return exact;
  const words = wanted.split(/\s+/);
  const found = layable.filter((material) =>
    words.every((word) => `${material.code} ${material.name}`.toLowerCase().includes(word)),
  );
  return found.length === 1 ? found[0]! : null;
}

/** Usual thickness of sheets of wood (m). */
const WOOD_THICKNESS = 0.009;
/** Usual thickness of a core, a coating or wood; a fabric finds its own. */
export function usualThickness(material: LayerMaterial): number | null {
  if (material.kind === 'fabric') return null;
  if (material.kind === 'coating') return material.thickness.value;
  if (material.kind === 'wood') return WOOD_THICKNESS;
  return material.thicknesses.find((thickness) => thickness >= 0.015) ?? material.thicknesses[0]!;
}

/** What a layer of a material is there for, unless said otherwise. */
export const usualRole = (material: LayerMaterial): LayerRole =>
  material.kind === 'coating' && material.base === 'none' ? 'comesOff' : 'structure';

/**
 * Layers from a pasted table: tabs or semicolons part the cells; the first cell is a code or a name, then angle,
 * thickness (mm unless it says otherwise), role, and zones by their heads.
 * Without a head row, cells after the first are angle, thickness and role; such layers cover `zones`.
 *
 * @param materials of the boat first, then of the Shelf.
 * @returns the layers and every row that could not be read, in words; nothing is dropped silently.
 * @throws KeramosError `invalid` when nothing can be read, or there are more than 400 rows.
 * @example layersFromText('BX45 600\t45', { materials, part, zones: ['bottom'] }, nanoid).layers[0].angleDeg // 45
 */
export function layersFromText(
  text: string,
  { materials, part, zones }: { materials: readonly Material[]; part: Part; zones: readonly string[] },
  newId: () => string,
): { layers: { layer: Layer; material: LayerMaterial }[]; refused: string[] } {
  const rows = text
    .split(/\r\n|\r|\n/)
    .filter((row) => row.trim() !== '')
    .map((row) => row.split(row.includes('\t') ? '\t' : ';').map((cell) => cell.trim()));
  if (rows.length === 0) throw invalid('text', 'There is nothing to paste');
  if (rows.length > MOST + 1)
    throw invalid('text', `The pasted table has ${rows.length} rows; paste at most ${MOST} layers at a time`);
  const head = rows[0]![0]?.toLowerCase() === HEAD[0]!.toLowerCase() ? rows.shift()! : null;
  const columns = (head ?? [])
    .slice(HEAD.length)
    .map((name) => part.zones.find((zone) => zone.name.toLowerCase() === name.toLowerCase())?.id ?? null);
  const named = columns.some((id) => id !== null);
  const refused = named
    ? head!
        .slice(HEAD.length)
        .flatMap((name, i) =>
          columns[i] === null && name !== ''
            ? [`There is no zone "${name}" in ${part.name}: its column is left out`]
            : [],
        )
    : [];
  const layers = rows.flatMap((cells, at): { layer: Layer; material: LayerMaterial }[] => {
    const say = (what: string): [] => {
      refused.push(`Row ${at + 1}: ${what}`);
      return [];
    };
    const material = findMaterial(materials, cells[0] ?? '');
    if (!material) {
      const given = (cells[0] ?? '').slice(0, 40);
      return say(`"${given}" is no fabric, core, wood or coating of the boat or the Shelf, or more than one`);
    }
    const angle = cells[1] ? parseQuantity(cells[1], 'angle', 'metric') : { ok: true as const, value: 0 };
    if (!angle.ok || Math.abs(angle.value) > 180)
      return say(`"${cells[1]!.slice(0, 20)}" is no angle between −180° and 180°`);
    const given =
      material.kind !== 'fabric' && cells[2]
        ? parseQuantity(cells[2], 'thickness', 'metric')
        : { ok: true as const, value: usualThickness(material) };
    if (!given.ok || (given.value !== null && (given.value < 5e-5 || given.value > 0.2)))
      return say(`"${cells[2]!.slice(0, 20)}" is no thickness between 0.05 and 200 mm`);
    const role =
      (Object.keys(LAYER_ROLES) as LayerRole[]).find((key) => LAYER_ROLES[key] === cells[3]?.toLowerCase()) ??
      usualRole(material);
    const covered = named
      ? columns.flatMap((id, i) => (id !== null && /^[^\s0-]/.test(cells[HEAD.length + i] ?? '') ? [id] : []))
      : zones;
    return [
      {
        material,
        layer: {
          id: newId(),
          material: material.id,
          angleDeg: hasDirection(material) ? normalAngle(angle.value) : 0,
          thickness: given.value,
          zones: part.zones.map(({ id }) => id).filter((id) => covered.includes(id)),
          role,
          group: null,
        },
      },
    ];
  });
  if (layers.length === 0) throw invalid('text', refused[0] ?? 'No layer could be read');
  return { layers, refused };
}
