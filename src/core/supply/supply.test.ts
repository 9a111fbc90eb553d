import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimalSign, findHeads, takeTable } from '../table';
import {
  columnsOf,
  fabricArealWeight,
  GENERIC_MATERIALS,
  MATERIAL_KINDS,
  writeRow,
  type Core,
  type Fabric,
  type Fibre,
  type MaterialKind,
} from '../material';
import {
  guessKind,
  guessMapping,
  guessUnit,
  isListHead,
  isUnit,
  listColumns,
  priceBasisOf,
  readList,
  type Reading,
} from '.';
import { formOf } from './formOf';
import { perKilogram } from './perKilogram';

const fibres = GENERIC_MATERIALS.filter((one): one is Fibre => one.kind === 'fibre');
const known = { fibres, generic: GENERIC_MATERIALS };

/** A list as the reader guesses it, nothing chosen by hand. */
function guessed(rows: string[][], more: Partial<Reading> = {}) {
  const table = takeTable({ name: 'List', rows }, findHeads(rows, isListHead), isUnit);
  const kind = more.kind ?? guessKind(table.heads, 'fabric');
  const columns = guessMapping(kind, table.heads);
  const at = (head: string) => table.rows.map((row) => row[table.heads.indexOf(head)]!);
  const units = Object.fromEntries(
    listColumns(kind).flatMap(({ key, quantity }) => {
      const head = columns[key];
      if (!head || !quantity) return [];
      return [[key, key === 'price' ? (priceBasisOf(head) ?? 'per kg') : guessUnit(quantity, head, at(head))]];
    }),
  );
  return readList(table, { kind, columns, units, decimal: decimalSign(table.rows), rate: 1, ...more }, known);
}
const material = <T = Fabric>(row: ReturnType<typeof guessed>[number]): T => {
  if (!row.result.ok) throw new Error(`${row.result.column}: ${row.result.message}`);
  return row.result.material as T;
};
const refusal = (row: ReturnType<typeof guessed>[number]) => (row.result.ok ? null : row.result);
const gsm = (fabric: Fabric) => Math.round((fabricArealWeight(fabric) + fabric.bindingWeight.value) * 1000);

describe('a list of fabrics', () => {
  it('in grams, with titles above it, a decimal comma and a price per square metre', () => {
    const rows = guessed([
      ['Preisliste Herbst'],
      ['Bezeichnung', 'Flächengewicht (g/m²)', 'Breite (mm)', 'Rollenlänge (m)', 'Preis €/m²'],
      ['Biaxial ±45 600', '606', '1270', '100', '3,03'],
      ['Glasmatte 450 pulvergebunden', '450', '1250', '60', '1,35'],
      ['Rovinggewebe 800', '800', '1.000', '50', '2,80'],
    ]);
    const [biax, mat, roving] = rows.map((row) => material(row));
    expect([biax!.family, gsm(biax!), biax!.price?.value]).toEqual(['biaxial', 606, 5]);
    expect(biax!.components[0]!.sublayers.map(({ angleDeg, share }) => [angleDeg, share])).toEqual([
      [45, 0.5],
      [-45, 0.5],
    ]);
    // Stitching is taken off what carries, never added to it.
    expect(fabricArealWeight(biax!)).toBeLessThan(0.606);
    expect([mat!.family, gsm(mat!), mat!.binder, mat!.price?.value]).toEqual(['mat', 450, 'powder', 3]);
    expect([roving!.family, gsm(roving!), roving!.width.value, roving!.price?.value]).toEqual(['roving', 800, 1, 3.5]);
    expect(biax!.width).toEqual({ value: 1.27, origin: 'dataSheet' });
    expect(biax!.lockingAngle.origin).toBe('generic');
    expect(rows[2]!.assumed.join()).toContain('crimp as Woven roving 800');
  });
  it('in ounces: of mat per square foot, of the rest per square yard', () => {
    const [mat, cloth, said] = guessed([
      ['Product', 'Form', 'Weight (oz)', 'Width (in)', 'Price per lb'],
      ['Mat 1.5', 'CSM', '1.5', '38', '1.60'],
      ['Roving 24', 'Woven Roving', '24', '38', '1.80'],
      ['Cloth 10', 'plain weave', '10 oz/ft2', '50', ''],
    ]).map((row) => material(row));
    // 1.5 oz/ft² = 457.7 g/m², 24 oz/yd² = 813.7 g/m².
    expect(gsm(mat!)).toBe(458);
    expect(gsm(cloth!)).toBe(814);
    expect(gsm(said!)).toBe(3052);
    expect(cloth!.width.value).toBeCloseTo(0.9652, 6);
    expect(cloth!.price!.value).toBeCloseTo(1.8 / 0.45359237, 4);
    expect(said!.price).toBeNull();
  });
  it('may be thin: a name, a form and a dry weight are enough', () => {
    const [uni, quad, carbon] = guessed([
      ['Item', 'Construction', 'gsm'],
      ['Keel tape', 'UD', '400'],
      ['Q 1000', 'quadraxial', '1000'],
      ['C-twill', 'carbon twill', '245'],
    ]).map((row) => material(row));
    expect(uni!.components[0]!.sublayers).toEqual([{ angleDeg: 0, share: 1 }]);
    expect(quad!.components[0]!.sublayers.map(({ angleDeg }) => angleDeg).sort()).toEqual([0, 45, -45, 90].sort());
    expect([carbon!.weave, carbon!.components[0]!.fibre]).toEqual(['twill', 'carbon-standard']);
  });
  it('must say which way fibres run, and what is mat, where there is more than one way', () => {
    const rows = guessed([
      ['Item', 'Form', 'gsm'],
      ['A', 'biaxial', '600'],
      ['B', 'triaxial 90/±45', '900'],
      ['C', 'combi roving + mat', '900'],
      ['D', 'combi roving + mat', '600+300'],
      ['E', 'felt', '900'],
      ['F', 'triaxial', '900'],
    ]);
    expect(refusal(rows[0]!)).toMatchObject({ column: 'directions' });
    expect(refusal(rows[5]!)).toMatchObject({ column: 'directions' });
    expect(material(rows[1]!).components[0]!.sublayers.map(({ angleDeg }) => angleDeg)).toContain(90);
    expect(refusal(rows[2]!)).toMatchObject({ column: 'arealWeight' });
    expect(material(rows[3]!).components.map(({ form, arealWeight }) => [form, arealWeight.value])).toEqual([
      ['woven', 0.6],
      ['randomMat', 0.3],
    ]);
    expect(refusal(rows[4]!)).toMatchObject({ column: 'family' });
  });
  it('shows what is there twice, and tells apart what shares its name', () => {
    const rows = guessed([
      ['Item', 'Form', 'gsm', 'Price/kg'],
      ['Estuary biax ±45', 'biaxial', '450', '4'],
      ['Estuary biax ±45', 'biaxial', '600', '4'],
      ['Estuary biax ±45', 'biaxial', '600', '4'],
      ['Estuary biax ±45', 'biaxial', '600', '5'],
      ['Estuary mat', 'mat', 'heavy', '5'],
    ]);
    expect(rows.slice(0, 2).map((row) => material(row).name)).toEqual(['Estuary biax ±45 444', 'Estuary biax ±45 594']);
    expect(rows.map(({ again }) => again)).toEqual([
      null,
      null,
      { number: 3, how: 'same' },
      { number: 3, how: 'differs' },
      null,
    ]);
    expect(refusal(rows[4]!)!.column).toBe('arealWeight');
  });
  it('prices by the roll, the running metre and in other money', () => {
    const list = (price: string, basis: string, rate = 1) =>
      material(
        guessed(
          [
            ['Item', 'Form', 'gsm', 'Width mm', 'Length m', 'Price', 'Sold by'],
            ['Mat', 'powder mat', '300', '1250', '100', price, basis],
          ],
          { rate },
        )[0]!,
      ).price?.value;
    // A roll of 125 m² weighs 37.5 kg.
    expect(list('150', 'roll')).toBeCloseTo(4, 9);
    expect(list('1.50', 'per metre')).toBeCloseTo(4, 9);
    expect(list('1.50', 'per metre', 1.1)).toBeCloseTo(4.4, 9);
    expect(list('$0.30/sq ft', '')).toBeCloseTo(0.3 / 0.09290304 / 0.3, 3);
    expect(list('on request', '')).toBeUndefined();
  });
});

describe('a list of cores', () => {
  it('joins the sheets of one core and takes what is left out from the next lighter generic core', () => {
    const rows = guessed([
      ['Product', 'Density (kg/m3)', 'Thickness (mm)', 'Sheet width (mm)', 'Sheet length (mm)', 'Price per sheet'],
      ['PVC foam H90', '90', '10', '1000', '2000', '30'],
      ['PVC foam H90', '90', '20', '1000', '2000', '55'],
      ['PVC foam H40', '40', '20', '1000', '2000', '40'],
      ['Unknown board', '90', '20', '1000', '2000', '40'],
    ]);
    const foam = material<Core>(rows[0]!);
    expect(foam.thicknesses).toEqual([0.01, 0.02]);
    expect(rows[1]!.again).toEqual({ number: 2, how: 'joined' });
    // 30 for 0.02 m³ is 1500 a cubic metre; the dearer of the two stands.
    expect(foam.price!.value).toBeCloseTo(1500, 6);
    const generic = GENERIC_MATERIALS.find(({ id }) => id === 'pvc-80') as Core;
    expect(foam.shearStrength).toEqual(generic.shearStrength);
    expect(rows[0]!.assumed.join()).toContain('Cross-linked PVC 80 (generic)');
    expect(refusal(rows[2]!)!.message).toContain('lighter than every generic core');
    expect(refusal(rows[3]!)!.column).toBe('family');
  });
  it('behaves as its family does, however light, and has the widest cells where it says none', () => {
    const heads = listColumns('core')
      .filter(({ key }) => !['id', 'origins', 'cellSize', 'behaviour', 'styrene', 'price', 'priceBasis'].includes(key))
      .filter(({ key }) => !key.startsWith('sheet'));
    const like = (id: string, name: string, density: string) => {
      const generic = GENERIC_MATERIALS.find((one) => one.id === id)!;
      const own = new Map(columnsOf('core').map(({ key }, i) => [key, String(writeRow(generic)[i])]));
      const cells = new Map([...own, ['name', name], ['code', 'X'], ['density', density]]);
      const units = columnsOf('core');
      const head = (key: string) => units.find((one) => one.key === key)!.head;
      return material<Core>(
        guessed([heads.map(({ key }) => head(key)), heads.map(({ key }) => cells.get(key) ?? '')], {
          kind: 'core',
        })[0]!,
      );
    };
    const balsa = like('balsa-150', 'Light end-grain balsa', '95');
    expect([balsa.behaviour, balsa.styrene]).toEqual([
      'balsa',
      (GENERIC_MATERIALS.find(({ id }) => id === 'balsa-150') as Core).styrene,
    ]);
    expect(like('xps-35', 'Light polystyrene XPS', '15').styrene).toBe('dissolves');
    const cells = GENERIC_MATERIALS.flatMap((one) => (one.kind === 'core' && one.cellSize ? [one.cellSize] : []));
    expect(like('aramid-honeycomb-48', 'Aramid honeycomb', '48').cellSize).toBe(Math.max(...cells));
  });
  it('keeps what it states, percent or share, in any unit', () => {
    const read = (elongation: string, head: string) =>
      material<Core>(
        guessed([
          ['Core', 'Family', 'Density (pcf)', 'Shear strength (psi)', head, 'Thickness (in)'],
          ['Own', 'PET', '7', '130', elongation, '1/2; 3/4'],
        ])[0]!,
      );
    const core = read('12', 'Shear elongation (%)');
    expect(core.density.value).toBeCloseTo(112.1, 1);
    expect(core.shearStrength).toEqual({ value: expect.closeTo(130 * 6894.757, -2) as number, origin: 'dataSheet' });
    expect(core.shearElongation.value).toBeCloseTo(0.12, 9);
    expect(read('0.12', 'Shear elongation').shearElongation.value).toBeCloseTo(0.12, 9);
    expect(core.thicknesses).toEqual([0.0127, 0.01905]);
  });
});

describe('the trade’s words', () => {
  it.each([
    ['Chopped Strand Mat, emulsion', 'mat', null],
    ['Stitched biaxial +/-45', 'biaxial', [45, -45]],
    ['Double Bias', 'biaxial', [45, -45]],
    ['Biax 0/90', 'biaxial', [0, 90]],
    ['Triax 0/+45/-45', 'triaxial', [0, 45, -45]],
    ['Triaxial 0/±45', 'triaxial', [0, 45, -45]],
    ['Biaxial ±45 with mat', 'combination', [45, -45]],
    ['Woven roving / mat', 'combination', null],
    ['UD tape', 'unidirectional', null],
    ['Satin 8H', 'cloth', null],
    ['Gelcoat', null, null],
  ] as const)('%s is %s', (text, form, directions) => {
    expect(formOf(text)?.form ?? null).toBe(form);
    expect(formOf(text)?.directions ?? null).toEqual(directions);
  });
  it.each([
    ['EUR/m²', 'per m²'],
    ['Price per sq yd', 'per yd²'],
    ['roll', 'per roll'],
    ['€/kg', 'per kg'],
    ['Price', null],
  ])('a price %s is %s', (text, basis) => expect(priceBasisOf(text)).toBe(basis));
  it('prices agree by whatever they are for', () => {
    const sold = { arealWeight: 0.6, width: 1.27, length: 100, rollWeight: null, density: 1100, thickness: null };
    const square = perKilogram(3, 'per m²', sold);
    expect(square).toBe(5);
    expect(perKilogram(3 * 1.27, 'per m', sold)).toBeCloseTo(square, 12);
    expect(perKilogram(3 * 127, 'per roll', sold)).toBeCloseTo(square, 12);
    expect(perKilogram(3 * 0.9144 ** 2, 'per yd²', sold)).toBeCloseTo(square, 12);
    expect(perKilogram(5.5, 'per litre', sold)).toBeCloseTo(5, 12);
    expect(() => perKilogram(3, 'per m', { ...sold, width: null })).toThrow('needs its width');
  });
});

describe('any table', () => {
  it.each(Object.keys(MATERIAL_KINDS) as MaterialKind[])(
    'the Shelf’s own table of %s comes back as it went out',
    (kind) => {
      const own = GENERIC_MATERIALS.filter((one) => one.kind === kind);
      const rows = [columnsOf(kind).map(({ head }) => head), ...own.map((one) => writeRow(one).map(String))];
      expect(guessed(rows, { kind }).map((row) => material(row))).toEqual(own);
    },
  );
  it('whose cells are anything at all is read row by row and never breaks', () => {
    const kinds = Object.keys(MATERIAL_KINDS) as MaterialKind[];
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.array(fc.array(fc.string(), { minLength: 4, maxLength: 8 }), { minLength: 1, maxLength: 4 }),
        (kind, cells) => {
          const heads = listColumns(kind).map(({ head }) => head);
          for (const { result } of guessed([heads, ...cells], { kind }))
            if (!result.ok) expect(result.message).not.toBe('');
        },
      ),
      { numRuns: 60 },
    );
  });
});
