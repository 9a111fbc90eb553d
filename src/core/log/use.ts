import { layFabric } from '../laminate';
import type { Core, Fabric, FabricComponent, Figure, Fibre, Material, PlyFigure, Process, Resin } from '../material';
import { learnable, LEARNABLES, type LearnedProperty, type LearnedUse } from '../shop';

type Measured = FabricComponent['measured'][number];
const ORDER = (Object.keys(LEARNABLES) as LearnedProperty[]).filter((one) => LEARNABLES[one].of === 'form');
const round = (value: number) => Number(value.toPrecision(5));

/** Whether what was put to use speaks of a component of a fabric. */
const speaksOf = (use: LearnedUse, fabric: Fabric, { form }: FabricComponent): boolean =>
  learnable(use.property).of === 'form' &&
  (use.material === '' ? use.form === 'all' || use.form === form : use.material === fabric.id);

/** Of several uses of a property, that of the cloth itself, else of its form, else of all forms alike. */
function closest(uses: readonly LearnedUse[]): LearnedUse | undefined {
  const isForm = ({ material, form }: LearnedUse) => material === '' && form !== 'all';
  return uses.find(({ material }) => material !== '') ?? uses.find(isForm) ?? uses[0];
}

const STIFFNESSES: readonly PlyFigure[] = ['E1', 'E2', 'G12'];
const STRENGTHS: readonly PlyFigure[] = LEARNABLES.strength.figures;

/** Factor of one figure of a ply by a use. */
function factorOf(figure: PlyFigure, { property, factor }: LearnedUse): number {
  if (property === 'thickness') return figure === 'thickness' ? factor : 1 / Math.max(1, factor);
  // Stiffer than published proves nothing of the strength.
  if (property === 'stiffness' && !STIFFNESSES.includes(figure)) return Math.min(1, factor);
  return factor;
}

interface Making {
  fibres: ReadonlyMap<string, Fibre>;
  resin: Resin;
}

/** Whether a figure was put there by a use, and not typed as a test of its own. */
const isBy = ({ origin, process, property, n, spread }: Measured, use: LearnedUse): boolean =>
  origin === 'yardTest' &&
  process === use.process &&
  n === use.n &&
  (spread === null || spread === use.spread) &&
  learnable(use.property).figures.includes(property);

/**
 * A component with one property as it was learned, its figures computed from what it has by now.
 * @param bare the same before anything was put to use: tests of its own that were typed stay as they are.
 */
function stated(
  fabric: Fabric,
  { at, bare }: { at: number; bare: FabricComponent },
  use: LearnedUse,
  { fibres, resin }: Making,
): FabricComponent {
  const component = fabric.components[at]!;
  const laid = layFabric(fabric, { fibres, resin, process: use.process })[at]!;
  const [ply] = laid.plies;
  const now: Record<PlyFigure, number> = {
    fibreWeightFraction: laid.fibreWeightFraction,
    thickness: laid.thickness,
    E1: ply!.E1,
    E2: ply!.E2,
    G12: ply!.G12,
    nu12: ply!.nu12,
    ...ply!.strength!,
  };
  const isTyped = (figure: PlyFigure) =>
    bare.measured.some((one) => {
      return one.origin === 'yardTest' && one.process === use.process && one.property === figure;
    });
  const figures = learnable(use.property).figures.filter((figure) => !isTyped(figure));
  const own = figures.map((property): Measured => {
    const value = round(now[property] * factorOf(property, use));
    const most = property === 'fibreWeightFraction' ? Math.min(0.85, Math.max(0.1, value)) : value;
    // How far strengths scatter is said by broken samples alone.
    const spread = STRENGTHS.includes(property) && use.property !== 'strength' ? null : use.spread;
    return { property, value: most, origin: 'yardTest', n: use.n, spread, process: use.process };
  });
  const isSame = (one: Measured) =>
    one.origin === 'yardTest' && one.process === use.process && figures.includes(one.property);
  return { ...component, measured: [...component.measured.filter((one) => !isSame(one)), ...own] };
}

/** Figures of a material that a use is a factor on. */
function figuresOf(material: Material, property: LearnedProperty): Figure[] {
  if (material.kind === 'fabric' && property === 'arealWeight')
    return material.components.map((one) => one.arealWeight);
  if (material.kind === 'core' && property === 'coreStiffness') return [material.shearModulus];
  if (material.kind === 'core' && property === 'coreStrength') return [material.shearStrength];
  return [];
}
function withFigures<M extends Material>(material: M, property: LearnedProperty, figures: readonly Figure[]): M {
  if (material.kind === 'fabric') {
    const components = material.components.map((one, i) => ({ ...one, arealWeight: figures[i]! }));
    return { ...material, components };
  }
  const key: keyof Core = property === 'coreStiffness' ? 'shearModulus' : 'shearStrength';
  return { ...material, [key]: figures[0] };
}
const scaled = (figure: Figure, { factor, n, spread }: LearnedUse): Figure => {
  return { value: round(figure.value * factor), origin: 'yardTest', n, spread: round(spread) };
};
const isOf = (use: LearnedUse, material: Material) =>
  learnable(use.property).of === material.kind && use.material === material.id;

/** A use with the figures that it takes the place of, by a book. */
export function withBefore(use: LearnedUse, materials: readonly Material[]): LearnedUse {
  const material = materials.find((one) => isOf(use, one));
  return material ? { ...use, was: figuresOf(material, use.property) } : use;
}

/** The same material with figures of it that were put to use taken back; those that somebody changed since stay. */
function restored<M extends Material>(material: M, uses: readonly LearnedUse[]): M {
  return uses.reduce((one, use) => {
    if (!isOf(use, one)) return one;
    const now = figuresOf(one, use.property);
    const isUntouched =
      use.was.length === now.length && now.every(({ value }, i) => value === scaled(use.was[i]!, use).value);
    return isUntouched ? withFigures(one, use.property, use.was) : one;
  }, material);
}

function fabricWith(fabric: Fabric, { from, to }: Change, making: (use: LearnedUse) => Making | null): Fabric {
  const bare: Fabric = {
    ...fabric,
    components: fabric.components.map((component) => {
      const own = from.filter((use) => speaksOf(use, fabric, component));
      return { ...component, measured: component.measured.filter((one) => !own.some((use) => isBy(one, use))) };
    }),
  };
  const processes = [...new Set(to.map(({ process }) => process))];
  let made = bare;
  for (let at = 0; at < bare.components.length; at++)
    for (const process of processes)
      for (const property of ORDER) {
        const use = closest(
          to.filter(
            (one) =>
              one.process === process && one.property === property && speaksOf(one, fabric, bare.components[at]!),
          ),
        );
        const by = use && making(use);
        if (use && by && fabric.components.every(({ fibre }) => by.fibres.has(fibre))) {
          const next = stated(made, { at, bare: bare.components[at]! }, use, by);
          made = { ...made, components: made.components.map((one, i) => (i === at ? next : one)) };
        }
      }
  return made;
}

/** From what was in use to what shall be. */
export interface Change {
  from: readonly LearnedUse[];
  to: readonly LearnedUse[];
}

/**
 * A book of materials with what was learned put to use: figures of plies as tested by the yard, dry weights of cloths,
 * figures of cores. What is in `from` and not in `to` is taken back; a test that somebody typed goes before and stays.
 *
 * @param materials fibres and resins among them, by which figures of plies are computed.
 */
export function bookWithLearned(materials: readonly Material[], change: Change): Material[] {
  const fibres = new Map(materials.flatMap((one) => (one.kind === 'fibre' ? [[one.id, one] as const] : [])));
  const resins = materials.filter((one): one is Resin => one.kind === 'resin');
  const making = ({ resin }: LearnedUse): Making | null => {
    const found = resins.find(({ id }) => id === resin) ?? resins[0];
    return found ? { fibres, resin: found } : null;
  };
  return materials.map((material) => {
    const bare = restored(material, change.from);
    const own = change.to.filter((use) => isOf(use, bare));
    const made = own.reduce<Material>((one, use) => {
      return withFigures(
        one,
        use.property,
        figuresOf(one, use.property).map((figure) => scaled(figure, use)),
      );
    }, bare);
    return made.kind === 'fabric' ? fabricWith(made, change, making) : made;
  });
}

/** What a use is of: of two of the same subject the later holds. */
export const subjectOf = ({
  property,
  process,
  form,
  material,
}: {
  property: LearnedProperty;
  process: Process;
  form: string;
  material: string;
}): string =>
  LEARNABLES[property].of === 'form' ? `${property}|${process}|${form}|${material}` : `${property}|${material}`;
