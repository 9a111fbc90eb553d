import { displayUnit, parseQuantity, type QuantityKind } from '../quantity';
import { CHOICES, FIGURES, figureOf } from './figures';
import { RowRefusal } from './rowRefusal';
import { slug } from './slug';
import {
  COMPONENT_FORMS,
  FAMILIES,
  materialSchema,
  type FabricComponent,
  type Figure,
  type Material,
  type MaterialKind,
  type Origin,
} from './schema';

/** A column of a table of materials; quantities stand in metric units, an entry may carry its own. */
export interface Column {
  key: string;
  /** Head as exported: 'Density (kg/m³)'. */
  head: string;
  required: boolean;
}

const CODED: ReadonlySet<MaterialKind> = new Set(['fabric', 'core', 'coating', 'wood']);
const text = (key: string, head: string, required = false): Column => ({ key, head, required });
const labelOf = (label: string, kind: QuantityKind) => {
  const unit = displayUnit(kind, 'metric').label;
  return unit ? `${label} (${unit})` : label;
};

/** The columns of a kind of material, in the order in which they are exported. */
export function columnsOf(kind: MaterialKind): Column[] {
  return [
    text('id', 'Id'),
    text('name', 'Name', true),
    ...(CODED.has(kind) ? [text('code', 'Code', kind !== 'wood')] : []),
    ...(FAMILIES[kind] ? [text('family', 'Family', true)] : []),
    ...(CHOICES[kind] ?? []).map(({ key, label }) => text(key, label)),
    ...FIGURES[kind].map(({ key, label, kind: quantity, optional }) => ({
      key,
      head: labelOf(label, quantity),
      required: !optional && kind !== 'fabric',
    })),
    ...(kind === 'fabric'
      ? [
          text('components', 'Components (fibre | form | g/m² | crimp | directions:%)', true),
          text('measured', 'Measured figures (JSON)'),
        ]
      : []),
    ...(kind === 'resin' ? [text('cure', 'Cure law (JSON)')] : []),
    ...(kind === 'core'
      ? [text('thicknesses', 'Sheets (mm)', true), text('forms', 'Forms'), text('cellSize', 'Cell size (mm)')]
      : []),
    text('origins', 'Origins'),
    text('note', 'Note'),
  ];
}

const exact = (value: number) => Number(value.toPrecision(12));
const shown = (value: number, kind: QuantityKind) => {
  const unit = displayUnit(kind, 'metric');
  return exact((value - (unit.offset ?? 0)) / unit.factor);
};
const writeComponent = ({ fibre, form, arealWeight, crimpFactor, sublayers }: FabricComponent) =>
  [
    fibre,
    form,
    exact(arealWeight.value * 1000),
    crimpFactor,
    sublayers.map(({ angleDeg, share }) => `${angleDeg}:${exact(share * 100)}`).join(' '),
  ].join(' | ');

/** Origins as text: the usual one, then the figures that differ, 'generic; E1=yardTest n=6 spread=0.04'. */
function writeOrigins(material: Material): string {
  const figures: [string, Figure][] = [
    ...FIGURES[material.kind].flatMap(({ key }): [string, Figure][] =>
      figureOf(material, key) ? [[key, figureOf(material, key)!]] : [],
    ),
    ...(material.kind === 'fabric'
      ? material.components.map((component, i): [string, Figure] => [`component${i + 1}`, component.arealWeight])
      : []),
  ];
  const usual = figures[0]?.[1].origin ?? 'generic';
  const differing = figures.filter(
    ([, { origin, n, spread }]) => origin !== usual || n !== undefined || spread !== undefined,
  );
  return [
    usual,
    ...differing.map(
      ([key, { origin, n, spread }]) =>
        `${key}=${origin}${n === undefined ? '' : ` n=${n}`}${spread === undefined ? '' : ` spread=${spread}`}`,
    ),
  ].join('; ');
}

/** A material as a row of cells in the order of its kind's columns. @example writeRow(vinylester)[1] // 'Vinylester' */
export function writeRow(material: Material): (string | number)[] {
  const plain = material as unknown as Record<string, unknown>;
  return columnsOf(material.kind).map(({ key }) => {
    const field = FIGURES[material.kind].find((candidate) => candidate.key === key);
    if (field) {
      const figure = figureOf(material, key);
      return figure ? shown(figure.value, field.kind) : '';
    }
    if (key === 'origins') return writeOrigins(material);
    if (key === 'family') return FAMILIES[material.kind]![plain.family as string]!;
    if (key === 'components') return (plain.components as FabricComponent[]).map(writeComponent).join(' ; ');
    if (key === 'cure') return plain.cure ? JSON.stringify(plain.cure) : '';
    if (key === 'measured')
      return (plain.components as FabricComponent[]).some(({ measured }) => measured.length)
        ? JSON.stringify((plain.components as FabricComponent[]).map(({ measured }) => measured))
        : '';
    if (key === 'thicknesses') return (plain.thicknesses as number[]).map((t) => exact(t * 1000)).join('; ');
    if (key === 'forms') return (plain.forms as string[]).join('; ');
    if (key === 'cellSize') return plain.cellSize === null ? '' : exact((plain.cellSize as number) * 1000);
    return String(plain[key] ?? '');
  });
}

export type ReadRow = { ok: true; material: Material } | { ok: false; column: string; message: string };

const ORIGIN_NAMES: Record<string, Origin> = {
  generic: 'generic',
  datasheet: 'dataSheet',
  'data sheet': 'dataSheet',
  yardtest: 'yardTest',
  'tested here': 'yardTest',
};
/** Key of an option by its key or its words. */
function optionOf(options: Record<string, string>, cell: string, column: string): string {
  const wanted = cell.trim().toLowerCase();
  const found = Object.entries(options).find(
    ([key, words]) => key.toLowerCase() === wanted || words.toLowerCase() === wanted,
  );
  if (!found) throw new RowRefusal(column, `"${cell.slice(0, 40)}" is none of: ${Object.values(options).join(', ')}`);
  return found[0];
}

function quantityOf(cell: string, kind: QuantityKind, column: string): number {
  const parsed = parseQuantity(cell, kind, 'metric');
  if (!parsed.ok) throw new RowRefusal(column, parsed.message);
  return Number(parsed.value.toPrecision(12));
}

interface OriginInfo {
  origin: Origin;
  n?: number;
  spread?: number;
}
function readOrigins(cell: string): { usual: Origin; of: Map<string, OriginInfo> } {
  const [first = '', ...rest] = cell.split(';').map((item) => item.trim());
  const named = (name: string): Origin => {
    const origin = ORIGIN_NAMES[name.toLowerCase()];
    if (!origin)
      throw new RowRefusal('origins', `"${name.slice(0, 30)}" is no origin: generic, data sheet or tested here`);
    return origin;
  };
  const of = new Map<string, OriginInfo>();
  for (const item of rest.filter(Boolean)) {
    const match = /^(\w+)\s*=\s*([A-Za-z ]+?)(?:\s+n=(\d+))?(?:\s+spread=([\d.]+))?$/.exec(item);
    if (!match) throw new RowRefusal('origins', `"${item.slice(0, 40)}" cannot be read; write E1=dataSheet`);
    of.set(match[1]!, {
      origin: named(match[2]!),
      ...(match[3] ? { n: Number(match[3]) } : {}),
      ...(match[4] ? { spread: Number(match[4]) } : {}),
    });
  }
  return { usual: first === '' ? 'dataSheet' : named(first), of };
}

function readComponents(
  cell: string,
  fibres: readonly { id: string; name: string }[],
  originOf: (key: string) => OriginInfo,
): FabricComponent[] {
  return cell
    .split(';')
    .map((item) => item.trim())
    .filter(Boolean)
    .map((item, index) => {
      const [fibreName = '', formName = '', weight = '', crimp = '', directions = ''] = item
        .split('|')
        .map((piece) => piece.trim());
      const fibre = fibres.find(
        ({ id, name }) => id === fibreName.toLowerCase() || name.toLowerCase() === fibreName.toLowerCase(),
      );
      if (!fibre) throw new RowRefusal('components', `There is no fibre "${fibreName.slice(0, 40)}" on the Shelf`);
      const form = optionOf(COMPONENT_FORMS, formName, 'components') as FabricComponent['form'];
      const pairs = directions.split(/\s+/).filter(Boolean);
      const sublayers = pairs.map((pair) => {
        const [angle, share] = pair.replace('−', '-').split(':');
        return {
          angleDeg: Number(angle),
          share: share === undefined ? 1 / pairs.length : Number((Number(share) / 100).toPrecision(12)),
        };
      });
      if (sublayers.some(({ angleDeg, share }) => !Number.isFinite(angleDeg) || !Number.isFinite(share)))
        throw new RowRefusal('components', `Directions "${directions.slice(0, 40)}" cannot be read; write 0:50 90:50`);
      return {
        form,
        fibre: fibre.id,
        arealWeight: { value: quantityOf(weight, 'arealWeight', 'components'), ...originOf(`component${index + 1}`) },
        crimpFactor: crimp === '' ? 1 : Number(crimp),
        sublayers,
        measured: [],
      };
    });
}

function readJson(text: string, column: string, what: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new RowRefusal(column, `${what}: this is not JSON`);
  }
}

/**
 * A material from a row of cells.
 *
 * @param cells by column key; absent or empty cells take the usual value where there is one. Quantities may carry a
 * unit; without one they are metric as the column's head says. @param fibres on the Shelf, which fabrics name by id or
 * name.
 * @returns the material, or the column and the words of the refusal.
 * @example readRow('resin', { name: 'Own vinylester', family: 'Vinylester', density: '1130', … }, fibres)
 */
export function readRow(
  kind: MaterialKind,
  cells: Readonly<Record<string, string>>,
  fibres: readonly { id: string; name: string }[],
): ReadRow {
  const cell = (key: string) => (cells[key] ?? '').trim();
  try {
    for (const { key, head, required } of columnsOf(kind))
      if (required && cell(key) === '') throw new RowRefusal(key, `${head} is missing`);
    const origins = readOrigins(cell('origins'));
    const originOf = (key: string): OriginInfo => origins.of.get(key) ?? { origin: origins.usual };
    const figures = Object.fromEntries(
      FIGURES[kind].map(({ key, kind: quantity, optional }) => {
        if (cell(key) !== '') return [key, { value: quantityOf(cell(key), quantity, key), ...originOf(key) }];
        if (optional) return [key, null];
        // A fabric's trade figures have usual values; nothing else may be guessed.
        return [key, { value: FABRIC_USUAL[key]!, origin: 'generic' }];
      }),
    );
    const choices = Object.fromEntries(
      (CHOICES[kind] ?? []).map(({ key, options }) => [
        key,
        cell(key) === '' ? Object.keys(options)[0] : optionOf(options, cell(key), key),
      ]),
    );
    const candidate: Record<string, unknown> = {
      kind,
      id: cell('id') || slug(cell('name')),
      name: cell('name'),
      note: cell('note'),
      ...(CODED.has(kind) && (kind !== 'wood' || cell('code') !== '') ? { code: cell('code') } : {}),
      ...(FAMILIES[kind] ? { family: optionOf(FAMILIES[kind]!, cell('family'), 'family') } : {}),
      ...choices,
      ...figures,
    };
    if (kind === 'fabric') {
      const components = readComponents(cell('components'), fibres, originOf);
      if (cell('measured') !== '') {
        const measured = readJson(cell('measured'), 'measured', 'Measured figures');
        components.forEach(
          (component, i) => (component.measured = (measured as FabricComponent['measured'][])[i] ?? []),
        );
      }
      candidate.components = components;
    }
    if (kind === 'resin') candidate.cure = cell('cure') === '' ? null : readJson(cell('cure'), 'cure', 'The cure law');
    if (kind === 'core') {
      candidate.thicknesses = cell('thicknesses')
        .split(';')
        .map((item) => quantityOf(item, 'thickness', 'thicknesses'));
      candidate.forms =
        cell('forms') === ''
          ? ['plain']
          : cell('forms')
              .split(';')
              .map((item) => item.trim().toLowerCase());
      candidate.cellSize = cell('cellSize') === '' ? null : quantityOf(cell('cellSize'), 'thickness', 'cellSize');
    }
    const checked = materialSchema.safeParse(candidate);
    if (checked.success) return { ok: true, material: checked.data };
    const issue = checked.error.issues[0]!;
    return { ok: false, column: String(issue.path[0] ?? 'name'), message: issue.message };
  } catch (error) {
    if (error instanceof RowRefusal) return { ok: false, column: error.column, message: error.message };
    throw error;
  }
}

const FABRIC_USUAL: Record<string, number> = {
  bindingWeight: 0,
  width: 1.27,
  rollLength: 50,
  lockingAngle: 40,
  drapeRadius: 0.2,
};
