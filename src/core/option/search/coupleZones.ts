import type { Feasible } from './zoneFront';
import type { RowKey, Stack } from './stackSpace';

/**
 * Solves an integer program in LP format.
 * @returns the value of every variable at the optimum; null where there is none.
 */
export type SolveInteger = (program: string) => { value: number; variables: ReadonlyMap<string, number> } | null;

export interface Coupling {
  zones: readonly {
    area: number;
    found: readonly Feasible[];
    /** On how many hands a layer lies there, and whether it runs on over the centreline from one to the other. */
    sides: 1 | 2;
    overCentre: boolean;
  }[];
  /** Pairs of zones that meet, and those over whose line a layer runs on in one piece. */
  meets: readonly (readonly [number, number])[];
  runsOver: readonly (readonly [number, number])[];
  /** Weight of a piece: runs of zones that one layer covers without a break. */
  perPiece: number;
  /** Most layers that end at a line between two zones. */
  mostDropped: number | null;
  /** Most different materials in the rows. */
  mostMaterials: number | null;
  /** m² of a material that may be laid. */
  stock: ReadonlyMap<string, number>;
  materialOf: (key: RowKey) => string;
  /** Choices that are known not to do, as indices into the lists. */
  forbidden: readonly (readonly number[])[];
  /** To be reached beside the least pieces: a choice of at most this sum of values. */
  atMost?: number;
}

const term = (factor: number, name: string) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`;
/** Lines of an LP file may not grow without end. */
const sum = (terms: readonly string[]) =>
  terms.reduce((text, one, i) => text + (i > 0 && i % 12 === 0 ? '\n  ' : ' ') + one, '');

/** How often each member is laid, by side. */
const countsOf = ({ outer, inner }: Stack): number[] => [...outer, ...inner];

/**
 * One stack for every zone of a part, so that the sum of their values and of the pieces is least, and no more layers
 * end at a line, no more materials are used and no more cloth is taken than is allowed. As an integer program: one
 * binary variable a stack of a zone, one stack a zone; a row is there in a zone when its stack has it.
 *
 * Pieces of a row are at least the zones that it covers, on every hand, less the lines that it runs over, and at least
 * one: exact where they meet in a chain or a tree, else less than there are.
 *
 * @returns indices into the lists, the sum of values, and the least that any choice comes to with its pieces; null
 * where no choice does.
 */
export function coupleZones(
  of: Coupling,
  solve: SolveInteger,
): { choice: number[]; value: number; least: number } | null {
  const { zones, meets, runsOver, perPiece, mostDropped, mostMaterials, stock, materialOf, forbidden } = of;
  if (zones.some(({ found }) => found.length === 0)) return null;
  const y = (z: number, s: number) => `y${z}_${s}`;
  const lines: string[] = [];
  const rule = (terms: readonly string[], bound: string) => lines.push(` r${lines.length}:${sum(terms)} ${bound}`);
  const values = zones.flatMap(({ found }, z) => found.map(({ value }, s) => [value, y(z, s)] as const));
  zones.forEach(({ found }, z) =>
    rule(
      found.map((_, s) => term(1, y(z, s))),
      '= 1',
    ),
  );
  const rows = [...new Set(zones.flatMap(({ found }) => found.flatMap((one) => one.rows)))];
  const covers = (row: RowKey, z: number): string[] =>
    zones[z]!.found.flatMap(({ rows: own }, s) => (own.includes(row) ? [y(z, s)] : []));
  const cost: string[] = of.atMost === undefined ? values.map(([value, name]) => term(value, name)) : [];
  const price = of.atMost === undefined ? perPiece : 1;
  if (of.atMost !== undefined)
    rule(
      values.map(([value, name]) => term(value, name)),
      `<= ${of.atMost}`,
    );
  if (price > 0)
    rows.forEach((row, r) => {
      const by = zones.map((_, z) => covers(row, z));
      const edges = runsOver.flatMap(([a, b], e) =>
        by[a]!.length > 0 && by[b]!.length > 0 ? [[a, b, e] as const] : [],
      );
      for (const [a, b, e] of edges)
        for (const z of [a, b]) rule([term(1, `e${r}_${e}`), ...by[z]!.map((name) => term(-1, name))], '<= 0');
      by.forEach((names) => {
        if (names.length > 0) rule([term(1, `p${r}`), ...names.map((name) => term(-1, name))], '>= 0');
      });
      rule(
        [
          term(1, `p${r}`),
          ...by.flatMap((names, z) => {
            const nodes = zones[z]!.sides - (zones[z]!.overCentre ? 1 : 0);
            return names.map((name) => term(-nodes, name));
          }),
          ...edges.map(([a, b, e]) => term(Math.max(zones[a]!.sides, zones[b]!.sides), `e${r}_${e}`)),
        ],
        '>= 0',
      );
      cost.push(term(price, `p${r}`));
    });
  if (mostDropped !== null) for (const [a, b] of meets) dropsAt([a, b], mostDropped);
  if (mostMaterials !== null) {
    const used = new Map<string, Set<string>>();
    rows.forEach((row) => {
      const names = used.get(materialOf(row)) ?? new Set<string>();
      used.set(materialOf(row), names);
      zones.forEach((_, z) => covers(row, z).forEach((name) => names.add(name)));
    });
    const materials = [...used.values()];
    materials.forEach((names, m) => names.forEach((name) => rule([term(1, `u${m}`), term(-1, name)], '>= 0')));
    rule(
      materials.map((_, m) => term(1, `u${m}`)),
      `<= ${mostMaterials}`,
    );
  }
  for (const [material, most] of stock) {
    const taken = zones.flatMap(({ area, found }, z) =>
      found.flatMap(({ rows: own }, s) => {
        const layers = own.filter((row) => materialOf(row) === material).length;
        return layers > 0 ? [term(layers * area, y(z, s))] : [];
      }),
    );
    if (taken.length > 0) rule(taken, `<= ${most}`);
  }
  for (const choice of forbidden)
    rule(
      choice.map((s, z) => term(1, y(z, s))),
      `<= ${zones.length - 1}`,
    );
  // A solver wants something to make least.
  const objective = cost.length > 0 ? cost : [term(0, values[0]![1])];
  const binary = values.map(([, name]) => name);
  const program = ['Minimize', ` obj:${sum(objective)}`, 'Subject To', ...lines, 'Binary', sum(binary), 'End'].join(
    '\n',
  );
  const solved = solve(program);
  if (!solved) return null;
  const choice = zones.map(({ found }, z) => found.findIndex((_, s) => (solved.variables.get(y(z, s)) ?? 0) > 0.5));
  const value = choice.reduce((total, s, z) => total + zones[z]!.found[s]!.value, 0);
  return { choice, value, least: solved.value };

  /** Layers of each cloth that end at a line, and cores that do. */
  function dropsAt([a, b]: readonly [number, number], most: number) {
    const n = countsOf(zones[a]!.found[0]!.stack).length;
    const names: string[] = [];
    for (let member = 0; member < n; member++) {
      const name = `d${a}_${b}_${member}`;
      names.push(name);
      const difference = [
        ...zones[a]!.found.map(({ stack }, s) => [countsOf(stack)[member]!, y(a, s)] as const),
        ...zones[b]!.found.map(({ stack }, s) => [-countsOf(stack)[member]!, y(b, s)] as const),
      ].filter(([count]) => count !== 0);
      for (const sign of [1, -1])
        rule([term(1, name), ...difference.map(([count, one]) => term(-sign * count, one))], '>= 0');
    }
    rule(
      names.map((name) => term(1, name)),
      `<= ${most}`,
    );
  }
}
