import type { SolveInteger } from './search/coupleZones';

/**
 * The solver of integer programs: HiGHS, as WebAssembly, fetched when it is first wanted.
 *
 * @returns a function that blocks until the program is solved to its proven optimum, the same for the same program.
 * @throws Error when the program text is broken.
 */
export async function loadIntegerSolver(): Promise<SolveInteger> {
  const { default: load } = await import('highs');
  const highs = await load();
  return (program) => {
    const solved = highs.solve(program, { mip_rel_gap: 0, random_seed: 1, output_flag: false });
    if (solved.Status !== 'Optimal') return null;
    const variables = new Map(
      Object.entries(solved.Columns).map(([name, column]) => [name, 'Primal' in column ? (column.Primal ?? 0) : 0]),
    );
    return { value: solved.ObjectiveValue, variables };
  };
}
