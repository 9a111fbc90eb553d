import { said, type QuantityKind } from '../quantity';
import { FIGURES, figureOf } from './figures';
import { fabricArealWeight, familyName, type Fabric, type Material } from './schema';

/** The classic slips of conversion: the factor, and what was taken for what. */
const SLIPS: readonly [factor: number, kinds: readonly QuantityKind[], words: string][] = [
  [305.15 / 33.906, ['arealWeight'], 'ounces of mat, which are per square foot, taken per square yard'],
  [33.906, ['arealWeight'], 'ounces per square yard taken for grams per square metre'],
  [16.018, ['density'], 'pounds per cubic foot taken for kilograms per cubic metre'],
  [25.4, ['thickness', 'shortLength'], 'inches taken for millimetres'],
  [6.895, ['stress', 'coreModulus', 'modulus'], 'thousands of pounds per square inch and megapascals mixed up'],
  [145.04, ['stress', 'coreModulus'], 'pounds per square inch and megapascals mixed up'],
  [1000, ['density', 'stress', 'modulus', 'coreModulus', 'arealWeight'], 'a prefix off by a thousand'],
];
const NEAR = 0.3;
/** Quantities that lie together within a family; roll widths, pot lives and prices do not. */
const COMPARED: ReadonlySet<QuantityKind> = new Set(['density', 'stress', 'modulus', 'coreModulus', 'arealWeight']);
/** Of these even a whole kind lies within a factor of ten of its median. */
const WIDE: ReadonlySet<string> = new Set(['density', 'arealWeight']);

/** A figure, under a name that figures of the family can be compared by. */
function figuresOf(material: Material): { key: string; label: string; kind: QuantityKind; value: number }[] {
  const own = FIGURES[material.kind].flatMap(({ key, label, kind }) => {
    const figure = figureOf(material, key);
    return figure && figure.value !== 0 && COMPARED.has(kind) && key !== 'bindingWeight'
      ? [{ key, label, kind, value: figure.value }]
      : [];
  });
  return material.kind === 'fabric'
    ? [
        { key: 'arealWeight', label: 'Dry weight', kind: 'arealWeight' as const, value: fabricArealWeight(material) },
        ...own,
      ]
    : own;
}
const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
const sameBuild = (a: Fabric, b: Fabric) => JSON.stringify(a.components) === JSON.stringify(b.components);

/**
 * Questions that a careful storekeeper would ask before a material goes on the Shelf: is it there already, and can
 * this figure be right?
 *
 * A figure below a tenth or above ten times the median of its family (its kind, when the family is too small) is
 * questioned, with the slip of units that would explain it; so is a name, code or make-up that stands on the Shelf
 * already.
 *
 * @param others what is on the Shelf, the material itself left out.
 * @returns none when nothing is odd.
 * @example questionMaterial({ ...foam, density: { value: 5, origin: 'dataSheet' } }, shelf)[0]
 * // 'Density 5 kg/m³: … pounds per cubic foot …'
 */
export function questionMaterial(material: Material, others: readonly Material[]): string[] {
  const questions: string[] = [];
  const kin = others.filter((other) => other.kind === material.kind && other.id !== material.id);
  const twin = kin.find(
    (other) =>
      other.name.toLowerCase() === material.name.toLowerCase() ||
      ('code' in other && 'code' in material && other.code.toLowerCase() === material.code.toLowerCase()) ||
      (other.kind === 'fabric' && material.kind === 'fabric' && sameBuild(other, material)),
  );
  if (twin) questions.push(`It looks like ${twin.name}, which is on the Shelf already.`);

  const family = kin.filter((other) => familyName(other) === familyName(material));
  for (const { key, label, kind, value } of figuresOf(material)) {
    const others = WIDE.has(key) ? kin : [];
    const peers = family.length >= 2 ? family : others;
    const values = peers.flatMap((peer) =>
      figuresOf(peer)
        .filter((figure) => figure.key === key)
        .map((figure) => Math.abs(figure.value)),
    );
    if (values.length === 0) continue;
    const usual = median(values);
    const ratio = Math.abs(value) / usual;
    if (ratio >= 0.1 && ratio <= 10) continue;
    const slip = SLIPS.find(
      ([factor, kinds]) =>
        kinds.includes(kind) &&
        [ratio * factor, ratio / factor].some((corrected) => Math.abs(Math.log(corrected)) < Math.log(1 + NEAR) * 2),
    );
    questions.push(
      `${label} ${said(value, kind)}: ` +
        `${peers === family ? `others of its family stand near` : 'others of its kind stand near'} ` +
        `${said(usual, kind)}${slip ? `; ${slip[2]}?` : '.'}`,
    );
  }
  return questions;
}
