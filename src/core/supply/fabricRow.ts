import { parseQuantity } from '../quantity';
import { numberText, type DecimalSign } from '../table';
import { RowRefusal, FIBRE_FAMILIES, FABRIC_FORMS, type Fabric, type Fibre, type FibreFamily } from '../material';
import { directionsIn, formOf, type TradeForm } from './formOf';
import { TRADE_WORDS, wordIn } from './tradeWords';

/** A row of a list as cells in the words of the Shelf, and in words what it does not say itself. */
export interface FilledRow {
  cells: Record<string, string>;
  assumed: string[];
}

/** Grams per square metre of a cell; trade ounces of a mat are per square foot. */
function grams(cell: string, mat: boolean, column: string): number {
  const text = mat ? cell.replace(/\boz\.?$/i, 'oz/ft2') : cell;
  const parsed = parseQuantity(text, 'arealWeight', 'metric');
  if (!parsed.ok) throw new RowRefusal(column, parsed.message);
  return Number((parsed.value * 1000).toPrecision(6));
}

const PAIR = /^(\d[\d.,]*)\s*([+/])\s*(\d[\d.,]*)\s*([^\d]*)$/;
/** What two weights joined in one cell are: of what carries, and of the mat behind it; null where it is one weight. */
function pairOf(cell: string, decimal: DecimalSign): [string, string] | null {
  const match = PAIR.exec(cell.trim());
  if (!match) return null;
  const [first, second] = [numberText(match[1]!, decimal), numberText(match[3]!, decimal)];
  // "3/4 oz" is three quarters of an ounce.
  if (match[2] === '/' && Number(first) < 10) return null;
  const unit = match[4]!.trim();
  return [`${first} ${unit}`.trim(), `${second} ${unit}`.trim()];
}

/** Weights (g/m²) of what carries and of the mat behind it, and whether stitching is within them. */
function weightsOf(form: TradeForm, cell: (key: string) => string, decimal: DecimalSign) {
  const combined = form.form === 'combination';
  const pair = combined ? pairOf(cell('arealWeight'), decimal) : null;
  if (pair)
    return { main: grams(pair[0], false, 'arealWeight'), mat: grams(pair[1], true, 'arealWeight'), yarnIn: false };
  const total = grams(cell('arealWeight'), form.form === 'mat', 'arealWeight');
  if (!combined) return { main: total, mat: 0, yarnIn: true };
  if (cell('matWeight') !== '') {
    const mat = grams(cell('matWeight'), true, 'matWeight');
    if (mat >= total) throw new RowRefusal('matWeight', 'The mat cannot weigh more than the whole fabric');
    return { main: total - mat, mat, yarnIn: true };
  }
  for (const text of [cell('name'), cell('code')]) {
    const [, main, mat] = /(\d{2,4})\s*[+/]\s*(\d{2,4})/.exec(text) ?? [];
    if (main && mat && Math.abs(Number(main) + Number(mat) - total) <= 0.06 * total)
      return { main: total - Number(mat), mat: Number(mat), yarnIn: true };
  }
  throw new RowRefusal('arealWeight', 'How much of it is mat? Write the weight as 600+300, or give the mat a column');
}

const sorted = (angles: readonly number[]) => [...angles].sort((a, b) => a - b).join();
const anglesOf = (fabric: Fabric) =>
  fabric.components.flatMap(({ sublayers }) => sublayers.map(({ angleDeg }) => angleDeg));
/** Only what has one usual direction may leave it out. */
const USUAL_DIRECTIONS: Partial<Record<string, readonly number[]>> = {
  cloth: [0, 90],
  roving: [0, 90],
  unidirectional: [0],
  quadraxial: [0, 45, 90, -45],
  mat: [],
};
const CHOICES: Readonly<Record<string, string>> = { biaxial: '0/90 or ±45', triaxial: '0/±45 or 90/±45' };

function directionsOf(form: TradeForm, said: readonly number[] | null): readonly number[] {
  const base = form.form === 'combination' ? form.base : form.form;
  const angles = base === 'mat' ? [] : (said ?? form.directions ?? USUAL_DIRECTIONS[base]);
  if (angles) return angles;
  const choice = CHOICES[base] ?? '0/90, ±45 and so on';
  throw new RowRefusal('directions', `Which way do its fibres run? Write ${choice} in its form, name or directions`);
}

/** The generic fabric that this one is most like: same form and directions, then fibre, then weight. */
function patternOf(
  patterns: readonly Fabric[],
  like: { form: TradeForm; angles: readonly number[]; fibre: string; weight: number },
): { pattern: Fabric; same: boolean } {
  const carrying = (fabric: Fabric) =>
    (like.form.base === 'roving' || like.form.base === 'cloth' ? 'woven' : 'stitched') === fabric.components[0]!.form;
  const kin = patterns.filter(
    (fabric) => fabric.family === like.form.form && (like.form.form !== 'combination' || carrying(fabric)),
  );
  const far = (fabric: Fabric) =>
    (sorted(anglesOf(fabric)) === sorted(like.angles) ? 0 : 1e6) +
    (fabric.components[0]!.fibre === like.fibre ? 0 : 1e4) +
    Math.abs(fabric.components[0]!.arealWeight.value * 1000 - like.weight);
  const pattern = kin.reduce((best, one) => (far(one) < far(best) ? one : best));
  return { pattern, same: far(pattern) < 1e6 };
}

/** Share of each direction in percent, as the pattern has it; alike where no pattern has these directions. */
function sharesOf(angles: readonly number[], pattern: Fabric, same: boolean): string {
  const shares = same ? pattern.components[0]!.sublayers : [];
  const used = new Set<number>();
  return angles
    .map((angle) => {
      const at = shares.findIndex(({ angleDeg }, i) => angleDeg === angle && !used.has(i));
      used.add(at);
      return `${angle}:${at < 0 ? 100 / angles.length : shares[at]!.share * 100}`;
    })
    .join(' ');
}

function fibreOf(cell: (key: string) => string, fibres: readonly Fibre[], assumed: string[]): string {
  const said = cell('fibre').toLowerCase();
  const named = fibres.find(({ id, name }) => said !== '' && (id === said || name.toLowerCase() === said));
  if (named) return named.id;
  const text = [cell('fibre'), cell('family'), cell('name'), cell('code'), cell('title')];
  const family = text
    .map((words) => wordIn(words, TRADE_WORDS.fibres as Record<FibreFamily, string[]>))
    .find((one) => one !== null);
  if (said !== '' && wordIn(said, TRADE_WORDS.fibres) === null)
    throw new RowRefusal(
      'fibre',
      `"${cell('fibre').slice(0, 40)}" is none of: ${Object.values(FIBRE_FAMILIES).join(', ')}`,
    );
  const fibre = fibres.find((one) => one.family === (family ?? 'eGlass'));
  if (!fibre) throw new RowRefusal('fibre', `There is no fibre of ${FIBRE_FAMILIES[family ?? 'eGlass']} on the Shelf`);
  if (!family) assumed.push(`its fibre is not said: ${fibre.name}`);
  return fibre.id;
}

/** Share of the weight that stitching takes at most. */
const MOST_YARN = 0.05;

/** A code of twelve letters at most for the grid. */
const shortCode = (name: string, pattern: Fabric, weight: number) =>
  name.length <= 12 ? name : `${pattern.code.split(' ')[0]!} ${Math.round(weight)}`.slice(0, 12);

/**
 * A fabric from what lists say of one: its form in the trade's words, and its dry weight. Its make-up, crimp, yarn and
 * drape follow from the generic fabric that it is most like; the weight of stitching and binder is taken off what
 * carries.
 *
 * @param cell the row's cells by column, numbers plainly written with their units; '' where there is none.
 * @throws RowRefusal for a form or direction that nothing says.
 */
export function fillFabric(
  cell: (key: string) => string,
  { decimal, fibres, patterns }: { decimal: DecimalSign; fibres: readonly Fibre[]; patterns: readonly Fabric[] },
): FilledRow {
  const assumed: string[] = [];
  const texts = ['family', 'name', 'code', 'note', 'title'].map(cell).filter(Boolean);
  const form = texts.map(formOf).find((one) => one !== null);
  if (!form)
    throw new RowRefusal(
      'family',
      `What form is it? Write one of: ${Object.values(FABRIC_FORMS).join(', ').toLowerCase()}`,
    );
  if (form.form === 'combination' && form.base === 'combination') {
    const base = texts.map(formOf).find((one) => one && one.base !== 'combination' && one.base !== 'mat');
    if (!base) throw new RowRefusal('family', 'What does the mat back? Write woven roving, biaxial and so on');
    form.base = base.base;
    form.directions ??= base.directions;
  }
  const said = [cell('directions'), ...texts].map(directionsIn).find((one) => one !== null) ?? null;
  const angles = directionsOf(form, said);
  const { main, mat, yarnIn } = weightsOf(form, cell, decimal);
  const fibre = fibreOf(cell, fibres, assumed);
  const { pattern, same } = patternOf(patterns, { form, angles, fibre, weight: main });
  const [carrying] = pattern.components;
  const yarn = Math.min(pattern.bindingWeight.value * 1000, main * MOST_YARN);
  const carries = main - (yarnIn && cell('bindingWeight') === '' ? yarn : 0);
  const component = (parts: (string | number)[]) => parts.join(' | ');
  const components =
    form.form === 'mat'
      ? [component([fibre, 'randomMat', main, 1, ''])]
      : [
          component([fibre, carrying!.form, carries, carrying!.crimpFactor, sharesOf(angles, pattern, same)]),
          ...(mat > 0 ? [component(['e-glass', 'randomMat', mat, 1, ''])] : []),
        ];
  const text = texts.join(' ');
  const weave = wordIn(`${cell('weave')} ${text}`, TRADE_WORDS.weaves) ?? pattern.weave;
  const binder = wordIn(`${cell('binder')} ${text}`, TRADE_WORDS.binders);
  // An emulsion that is not expected never dissolves in epoxy: where nothing says, it is the cautious answer.
  if (binder === null && form.form === 'mat') assumed.push('its binder is not said: emulsion, which needs styrene');
  if (carrying!.crimpFactor < 1) assumed.push(`crimp as ${pattern.name}`);
  if (angles.length > 1 && !same) assumed.push('its directions share its weight alike');
  const name = cell('name') || cell('code');
  const generic = (key: 'width' | 'rollLength' | 'lockingAngle' | 'drapeRadius') => String(pattern[key].value);
  const missing = (key: string) => cell(key) === '';
  const trade = (['width', 'rollLength', 'lockingAngle', 'drapeRadius'] as const).filter(missing);
  if (trade.length > 0) assumed.push(`${trade.map((key) => TRADE_LABELS[key]).join(', ')} as ${pattern.name}`);
  return {
    assumed,
    cells: {
      name,
      code: cell('code') !== '' && cell('code').length <= 12 ? cell('code') : shortCode(name, pattern, main + mat),
      family: form.form,
      weave: form.form === 'cloth' || form.form === 'roving' || weave === 'none' ? weave : pattern.weave,
      binder: binder ?? (form.form === 'mat' ? 'emulsion' : pattern.binder),
      components: components.join(' ; '),
      ...Object.fromEntries(trade.map((key) => [key, `${generic(key)}${key === 'lockingAngle' ? ' °' : ' m'}`])),
      bindingWeight: missing('bindingWeight') ? `${yarn} g/m²` : cell('bindingWeight'),
      origins: [
        'data sheet',
        ...trade.map((key) => `${key}=generic`),
        ...(missing('bindingWeight') ? ['bindingWeight=generic'] : []),
      ].join('; '),
    },
  };
}
const TRADE_LABELS = {
  width: 'roll width',
  rollLength: 'roll length',
  lockingAngle: 'locking angle',
  drapeRadius: 'drape',
} as const;
