import type { Content, TableCell } from 'pdfmake/interfaces';
import { formatWorkingValue } from '@/core/quantity';
import { stackWorking, zoneWorking, type ZoneEvaluation } from '@/core/evaluate';
import type { Boat, Part, Zone } from '@/core/document';
import type { Progress } from '@/core/job';
import { texToText, type WorkingStep } from '@/core/working';
import { head, right, RULES } from '../pdfStyle';

type Working = ReturnType<typeof zoneWorking>[number];

/** What workings share: each formula is told once under a number, and what comes again as it was is pointed to. */
class Shared {
  private readonly formulas = new Map<string, WorkingStep>();
  private readonly numbers = new Map<string, number>();
  private readonly told = new Map<string, string>();

  /** Number of the formula of a step. */
  numberOf(step: WorkingStep): number {
    const { symbol, formula, source, note = '' } = step;
    const key = JSON.stringify([symbol, formula, source, note]);
    const known = this.numbers.get(key);
    if (known !== undefined) return known;
    this.numbers.set(key, this.numbers.size + 1);
    this.formulas.set(key, step);
    return this.numbers.size;
  }

  /** Where the very same was told before; null where it was not, and is now. */
  before({ title, steps }: Working, where: string): string | null {
    const key = JSON.stringify([title, steps]);
    const known = this.told.get(key);
    if (known === undefined) this.told.set(key, where);
    return known ?? null;
  }

  /** Every formula with what it rests on. */
  table(): Content {
    const rows = [...this.formulas.values()].map(({ quantity, symbol, formula, source, note }, i): TableCell[] => [
      right(String(i + 1)),
      // What it is, without what was found of one place.
      quantity.split(/[:(]/)[0]!.trim(),
      `${texToText(symbol)} = ${texToText(formula)}`,
      { stack: [source, ...(note ? [{ text: note, italics: true, color: '#5b544b' }] : [])] },
    ]);
    const heads = ['', 'What', 'Formula', 'Rests on'].map(head);
    return {
      table: { headerRows: 1, dontBreakRows: true, widths: [16, 110, '*', 190], body: [heads, ...rows] },
      layout: RULES,
      fontSize: 6.5,
    };
  }
}

function stepRow(step: WorkingStep, shared: Shared): TableCell[] {
  const given = step.inputs.map(
    // A figure is never parted from its symbol and its unit.
    ({ symbol, value, unit }) => `${texToText(symbol)} = ${formatWorkingValue(value, unit)}`.replaceAll(' ', '\u00a0'),
  );
  return [
    step.quantity,
    given.join(';  '),
    {
      text: `${texToText(step.symbol)} = ${formatWorkingValue(step.value, step.unit)}`,
      alignment: 'right',
      bold: true,
    },
    right(`(${shared.numberOf(step)})`),
  ];
}

function zoneWorkings(boat: Boat, { part, zone }: { part: Part; zone: Zone }, shared: Shared): Content[] {
  const where = `${part.name}: ${zone.name}`;
  const workings = [...zoneWorking(boat, part, zone), ...stackWorking(boat, part, zone)];
  return [
    { text: where, style: 'h3' },
    ...workings.flatMap((working): Content[] => {
      const before = shared.before(working, where);
      if (before !== null) return [{ text: `${working.title}: as in ${before}`, style: 'small', margin: [0, 4, 0, 1] }];
      const body = working.steps.map((step) => stepRow(step, shared));
      return [
        { text: working.title, style: 'small', bold: true, margin: [0, 4, 0, 1] },
        { table: { widths: [150, '*', 90, 22], body }, layout: RULES, fontSize: 6.5 },
      ];
    }),
  ];
}

/** Every number of every zone: what was put in, result, and its formula by number; every formula with its source. */
export function* workingPages(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
): Generator<Progress, Content[]> {
  const shared = new Shared();
  const pages: Content[] = [];
  const zones = boat.parts.flatMap((part) => part.zones.map((zone) => ({ part, zone })));
  for (const [i, one] of zones.entries()) {
    if (!evaluations.get(one.zone.id)!.problem) pages.push(...zoneWorkings(boat, one, shared));
    yield { done: 0.2 + (0.5 * (i + 1)) / zones.length, at: `workings of ${one.zone.name}` };
  }
  if (pages.length === 0) return [];
  return [
    { text: 'Formulas', style: 'h2', pageBreak: 'before' },
    { text: 'Every formula of the workings, each once, with what it rests on.', style: 'small', margin: [0, 0, 0, 4] },
    shared.table(),
    { text: 'Workings', style: 'h2', margin: [0, 10, 0, 2] },
    { text: 'Every number in SI: what was put in, the result, and in brackets its formula.', style: 'small' },
    ...pages,
  ];
}
