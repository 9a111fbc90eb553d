import type { Step } from '../build';

/** The working week: hours of a day, days of a week. */
export interface Week {
  shift: number;
  days: number;
}

const MINUTES = 60;

/** Work goes on within the shift; what lies overnight or over a weekend cures meanwhile. */
class Clock {
  /** Minutes since Monday, 0:00 of the first week; a shift begins at 7. */
  now = 7 * MINUTES;
  private readonly begins = 7 * MINUTES;
  constructor(private readonly week: Week) {}

  private get day(): number {
    return Math.floor(this.now / (24 * MINUTES));
  }
  private get left(): number {
    const end = this.day * 24 * MINUTES + this.begins + this.week.shift * MINUTES;
    return this.day % 7 < this.week.days ? end - this.now : 0;
  }
  /** To the next moment at which somebody works. */
  private open(): void {
    const start = this.day * 24 * MINUTES + this.begins;
    if (this.now < start) this.now = start;
    while (this.left <= 0) this.now = (this.day + 1) * 24 * MINUTES + this.begins;
  }
  work(minutes: number, inOneGo: boolean): void {
    let rest = minutes;
    this.open();
    // What must not be interrupted waits for the morning where the day is too short for it, unless every day is.
    if (inOneGo && rest > this.left && rest <= this.week.shift * MINUTES) {
      this.now = (this.day + 1) * 24 * MINUTES + this.begins;
      this.open();
    }
    if (inOneGo) {
      this.now += rest;
      return;
    }
    while (rest > this.left) {
      rest -= this.left;
      this.now += this.left;
      this.open();
    }
    this.now += rest;
  }
  rest(minutes: number): void {
    this.now += minutes;
  }
}

/** Steps during which nobody stands at the mould. */
const ALONE = new Set<Step['kind']>(['cure']);

/** How long one turn of a mould takes. */
export interface MouldTurn {
  /** From the first step to the part out of the mould, in days of the calendar. */
  days: number;
  /** Of which somebody works (min), and work of all hands together (h). */
  minutes: number;
  hours: number;
  /** Steps that more people would do than fit in, and how many do. */
  narrow: { step: string; people: number; places: number }[];
}

/**
 * One turn of a mould: its steps one after the other within working hours, cures and flash times by the clock, until
 * the part is out. Where more people work than fit in, the step takes as much longer.
 *
 * @param steps of the part, in order. @param places how many can work in the mould at once.
 * @example mouldTurn(steps, { places: 3, week: { shift: 8, days: 5 } }).days // 6.3
 */
export function mouldTurn(
  steps: readonly Pick<Step, 'name' | 'kind' | 'minutes' | 'wait' | 'coats' | 'stay' | 'people'>[],
  { places, week }: { places: number; week: Week },
): MouldTurn {
  const out = steps.findIndex(({ kind }) => kind === 'demould');
  const own = out < 0 ? steps : steps.slice(0, out + 1);
  const clock = new Clock(week);
  const begins = clock.now;
  let minutes = 0;
  let hours = 0;
  const narrow: MouldTurn['narrow'] = [];
  for (const { name, kind, minutes: takes, wait, coats, stay, people = 2 } of own) {
    if (ALONE.has(kind)) {
      clock.rest(takes + wait);
      continue;
    }
    const tight = people > places ? people / places : 1;
    if (tight > 1) narrow.push({ step: name, people, places });
    const all = takes * tight;
    clock.work(all, stay === 'must');
    // Every coat but the last flashes before the next, the last before the next step.
    clock.rest(wait * Math.max(1, coats));
    minutes += all;
    hours += (takes * people) / MINUTES;
  }
  return { days: (clock.now - begins) / (24 * MINUTES), minutes, hours, narrow };
}
