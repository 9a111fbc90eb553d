import { laminateStiffness, sandwichLimits } from '../../laminate';
import type { Core } from '../../material';
import { crownBuckling, edgeBuckling, webBuckling, type StiffenerSection, type WallStiffness } from '../../stiffener';
import type { Boat } from '../../document';
import { put, type Recorder } from '../../working';
import type { Book, LaidLayer } from '../book';
import { designPliesOf } from '../designStack';
import { memberOf, type SectionMember } from './sectionMember';

/** How a wall gives way sideways, in words. */
export type WallGives = 'wrinkles on its former' | 'buckles' | 'turns over at its free edge';
interface Wall {
  gives: WallGives;
  formula: string;
  inputs: ReturnType<typeof put>[];
}
/** Before which the walls of a section give way sideways, as they may be asked for at the pack's design pressure. */
export interface Walls {
  /** Strain of the crown, or of the edge of a flat bar, pressed. */
  crown: Wall & { strain: number };
  /** Shear flow of one web (N/m); null for a flat bar, whose free edge is looked at alone. */
  web: (Wall & { flow: number }) | null;
}

/** A section whose walls are looked at: its layers by place, its crown (a flat bar's web), and what fills it. */
interface Walled {
  section: StiffenerSection;
  laid: { crown: readonly LaidLayer[]; web: readonly LaidLayer[] };
  crown: SectionMember;
  /** Length of a web down its slant (m). */
  slant: number;
  former: Core | null;
}

const EDGE = 'k\\,\\frac{16 D_{66}}{h^2\\,E t}';
const CROWN = 'k\\,\\frac{2\\pi^2}{b^2}\\,\\frac{\\sqrt{D_{11}D_{22}} + D_{12} + 2D_{66}}{E t}';
const WEB_BENDS = 'k\\,\\frac{4}{b^2}\\sqrt[4]{D_{11}D_{22}^3}\\,(8.125 + 5.05/\\theta)';
const WEB_TWISTS = 'k\\,\\frac{4}{b^2}\\sqrt{D_{22}(D_{12}+2D_{66})}\\,(11.7 + 0.532\\,\\theta + 0.938\\,\\theta^2)';
const CROWN_WRINKLES = '\\frac{0.3\\sqrt[3]{E_f E_c G_c}}{E_f}';
const WEB_WRINKLES = '0.3\\,t\\sqrt[3]{E_f E_c G_c}';

/** Bending stiffness of a run of layers as a wall (N·m). */
function wallStiffness(boat: Boat, book: Book, laid: readonly LaidLayer[]): WallStiffness {
  const { D } = laminateStiffness(designPliesOf(boat, book, laid));
  return { D11: D[0][0], D12: D[0][1], D22: D[1][1], D66: D[2][2] };
}
const putStiffness = ({ D11, D12, D22, D66 }: WallStiffness) =>
  Object.entries({ 'D_{11}': D11, 'D_{12}': D12, 'D_{22}': D22, 'D_{66}': D66 }).map(([symbol, value]) =>
    put(symbol, value, 'N·m'),
  );

/** Walls that stand by themselves: they buckle, by the pack's factor on strength. */
function bareWalls(boat: Boat, book: Book, { section, laid, crown, slant }: Walled) {
  const { strengthFactor: k } = book.pack.stiffener;
  const [over, side] = [wallStiffness(boat, book, laid.crown), wallStiffness(boat, book, laid.web)];
  const gives: WallGives = 'buckles';
  const theta = Math.sqrt(side.D11 * side.D22) / (side.D12 + 2 * side.D66);
  return {
    crown: {
      gives,
      formula: CROWN,
      strain: (k * crownBuckling(over, section.crownWidth)) / (crown.thickness * crown.E),
      inputs: [put('k', k), put('b', section.crownWidth, 'm'), put('E t', crown.E * crown.thickness, 'N/m')].concat(
        putStiffness(over),
      ),
    },
    web: {
      gives,
      formula: theta >= 1 ? WEB_BENDS : WEB_TWISTS,
      flow: k * webBuckling(side, slant),
      inputs: [put('k', k), put('b', slant, 'm'), put('\\theta', theta)].concat(putStiffness(side)),
    },
  };
}

/**
 * What the walls of a section bear before they give way sideways: on a former they wrinkle as the face of a sandwich
 * does, webs along 45°, unless they stand by themselves; without one they buckle.
 *
 * Source: crownBuckling, webBuckling, edgeBuckling, sandwichLimits; docs/engineering.md, "Walls of stiffeners".
 */
export function wallsOf(boat: Boat, book: Book, walled: Walled): Walls {
  const { section, laid, crown, former } = walled;
  const { strengthFactor: k } = book.pack.stiffener;
  if (section.kind === 'flatBar') {
    const { D66 } = wallStiffness(boat, book, laid.web);
    return {
      crown: {
        gives: 'turns over at its free edge',
        formula: EDGE,
        strain: (k * edgeBuckling({ D66 }, section.height)) / (crown.thickness * crown.E),
        inputs: [
          put('k', k),
          put('D_{66}', D66, 'N·m'),
          put('h', section.height, 'm'),
          put('E t', crown.E * crown.thickness, 'N/m'),
        ],
      },
      web: null,
    };
  }
  const bare = bareWalls(boat, book, walled);
  if (former === null) return bare;
  const [Ec, Gc] = [former.compressiveModulus.value, former.shearModulus.value];
  const wrinkling = (face: SectionMember, depth: number) => ({
    gives: 'wrinkles on its former' as const,
    stress: sandwichLimits({
      faceModulus: face.E,
      faceThickness: face.thickness,
      coreThickness: depth,
      coreModulus: Ec,
      coreShearModulus: Gc,
      ...(former.cellSize === null ? {} : { cellSize: former.cellSize }),
    }).wrinklingStressDesign,
    inputs: [put('E_f', face.E, 'Pa'), put('E_c', Ec, 'Pa'), put('G_c', Gc, 'Pa'), put('t', face.thickness, 'm')],
  });
  const diagonal = memberOf(
    book,
    laid.web.map((one) => ({ ...one, layer: { ...one.layer, angleDeg: one.layer.angleDeg - 45 } })),
  )!;
  const over = wrinkling(crown, section.height);
  const side = wrinkling(diagonal, (section.baseWidth + section.crownWidth) / 2);
  const strain = over.stress / crown.E;
  const flow = side.stress * diagonal.thickness;
  // A wall that would stand by itself needs no former.
  return {
    crown:
      strain > bare.crown.strain
        ? { gives: over.gives, formula: CROWN_WRINKLES, inputs: over.inputs, strain }
        : bare.crown,
    web: flow > bare.web.flow ? { gives: side.gives, formula: WEB_WRINKLES, inputs: side.inputs, flow } : bare.web,
  };
}

const WRINKLES = 'Hoff & Mautner 1945, design value';

/** What the walls bear before they give way sideways, as steps of a working. */
export function recordWalls(record: Recorder, { crown, web }: Walls): void {
  record({
    quantity: `Strain at which the crown ${crown.gives}`,
    symbol: '\\varepsilon_w',
    formula: crown.formula,
    inputs: crown.inputs,
    value: crown.strain,
    unit: '',
    source: crown.gives === 'wrinkles on its former' ? WRINKLES : 'Lekhnitskii; Timoshenko & Gere, ch. 9',
  });
  if (web)
    record({
      quantity: `Shear flow at which a web ${web.gives}`,
      symbol: 'q_w',
      formula: web.formula,
      inputs: web.inputs,
      value: web.flow,
      unit: 'N/m',
      source: web.gives === 'wrinkles on its former' ? `${WRINKLES}, along 45°` : 'Seydel 1933',
    });
}
