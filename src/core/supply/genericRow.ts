import { parseQuantity, saidLength } from '../quantity';
import { CHOICES, FAMILIES, FIGURES, figureOf, RowRefusal, type Core, type Material } from '../material';
import type { FilledRow } from './fabricRow';
import { TRADE_WORDS, wordIn } from './tradeWords';

type Cell = (key: string) => string;
/** A density within this of the generic one counts as the same. */
const SAME_DENSITY = 0.01;

/** The family that a row speaks of, in its own column first. @throws RowRefusal where nothing says. */
function familyOf(kind: 'core' | 'resin' | 'consumable', cell: Cell): string {
  const names = TRADE_WORDS.families[kind] as Record<string, readonly string[]>;
  const own = Object.entries(FAMILIES[kind]!).find(([key, words]) =>
    [key, words].some((word) => word.toLowerCase() === cell('family').toLowerCase()),
  );
  if (own) return own[0];
  const found = ['family', 'name', 'note', 'title'].map((key) => wordIn(cell(key), names)).find((one) => one !== null);
  if (!found)
    throw new RowRefusal('family', `What is it made of? Write one of: ${Object.values(FAMILIES[kind]!).join(', ')}`);
  return found;
}

/** The heaviest generic core of the family that is no denser than this one; null where all are denser. */
function coreBelow(kin: readonly Core[], density: number): Core | null {
  const below = kin.filter((core) => core.density.value <= density * (1 + SAME_DENSITY));
  return below.length === 0 ? null : below.reduce((a, b) => (b.density.value > a.density.value ? b : a));
}

function patternOf(kind: 'core' | 'resin' | 'coating' | 'consumable', cell: Cell, generic: readonly Material[]) {
  const kin = generic.filter((one) => one.kind === kind);
  if (kind === 'coating') {
    const base = wordIn(['base', 'name', 'note', 'title'].map(cell).join(' '), TRADE_WORDS.bases) ?? 'polyester';
    const found = kin.find((one) => one.kind === 'coating' && one.base === base)!;
    return { pattern: found, kin: [found], family: null };
  }
  const family = familyOf(kind, cell);
  const own = kin.filter((one) => 'family' in one && one.family === family);
  if (kind === 'core') {
    if (cell('density') === '') throw new RowRefusal('density', 'Density is missing: strength and stiffness follow it');
    const density = parseQuantity(cell('density'), 'density', 'metric');
    if (!density.ok) throw new RowRefusal('density', density.message);
    return { pattern: coreBelow(own as Core[], density.value), kin: own, family };
  }
  const process = ['prepreg', 'infusion'].find((word) =>
    `${cell('name')} ${cell('note')}`.toLowerCase().includes(word),
  );
  return { pattern: own.find(({ id }) => process && id.endsWith(process)) ?? own[0] ?? null, kin: own, family };
}

/**
 * A core, resin, coating or consumable from what lists say of one. What a row leaves out is the generic figure of its
 * family, and is marked so; of cores that of the next lighter generic one, for strength follows density.
 *
 * @throws RowRefusal where no family is said, or where a core is lighter than every generic one of its family and
 * does not state its own figures.
 */
export function fillFromGeneric(
  kind: 'core' | 'resin' | 'coating' | 'consumable',
  cell: Cell,
  generic: readonly Material[],
): FilledRow {
  const { pattern, kin, family } = patternOf(kind, cell, generic);
  const missing = FIGURES[kind].filter(({ key, optional }) => !optional && cell(key) === '');
  if (!pattern && missing.length > 0)
    throw new RowRefusal(
      missing[0]!.key,
      `It is lighter than every generic core of its family; its data sheet must say: ` +
        missing.map(({ label }) => label.toLowerCase()).join(', '),
    );
  const follow = missing.filter(({ key }) => pattern && figureOf(pattern, key));
  const cells: Record<string, string> = {};
  for (const { key, kind: quantity } of follow) cells[key] = siText(figureOf(pattern!, key)!.value, quantity);
  for (const { key } of CHOICES[kind] ?? [])
    // How a family behaves goes with it, even where none of it is as light.
    if (cell(key) === '' && kin[0]) cells[key] = String((kin[0] as unknown as Record<string, string>)[key]);
  const assumed =
    follow.length > 0
      ? [`${follow.map(({ label }) => label.toLowerCase()).join(', ')} as ${pattern!.name} (generic)`]
      : [];
  if (kind === 'core') {
    const said = cell('thicknesses');
    cells.thicknesses =
      said !== '' ? said : ((pattern as Core | null)?.thicknesses.map((one) => `${one} m`).join('; ') ?? '');
    if (said === '' && pattern) assumed.push(`sheets as ${pattern.name}`);
    // Without its cells neither dimpling nor wrinkling over them is checked: the widest of the family stands for them.
    const widest = Math.max(0, ...kin.map((one) => (one as Core).cellSize ?? 0));
    if (cell('cellSize') === '' && widest > 0) {
      cells.cellSize = `${widest} m`;
      assumed.push(`its cells are not said: ${saidLength(widest)}`);
    }
  }
  const name = cell('name') || cell('code');
  const code = cell('code') !== '' && cell('code').length <= 12 ? cell('code') : codeOf(name, pattern, cell('density'));
  return {
    assumed,
    cells: {
      ...cells,
      name,
      ...(kind === 'core' || kind === 'coating' ? { code } : {}),
      ...(family ? { family } : {}),
      origins: ['data sheet', ...follow.map(({ key }) => `${key}=generic`)].join('; '),
    },
  };
}

const codeOf = (name: string, pattern: Material | null, density: string) =>
  name.length <= 12 || !pattern || !('code' in pattern)
    ? name.slice(0, 12)
    : `${pattern.code.split(' ')[0]} ${parseInt(density, 10) || ''}`.trim().slice(0, 12);

const SI: Partial<Record<string, string>> = {
  density: 'kg/m3',
  stress: 'Pa',
  modulus: 'Pa',
  coreModulus: 'Pa',
  laminateWeight: 'kg/m2',
  arealWeight: 'kg/m2',
  thickness: 'm',
  shortLength: 'm',
  temperature: '°C',
  viscosity: 'Pa*s',
  duration: 's',
};
/** A generic figure as a cell. */
function siText(value: number, quantity: string): string {
  if (quantity === 'fraction') return `${value * 100} %`;
  if (quantity === 'expansion') return String(value * 1e6);
  return `${value} ${SI[quantity] ?? ''}`.trim();
}
