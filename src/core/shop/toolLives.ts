import type { YardFact } from './yardFact';

/** How long tools of one name lasted, and since when the one in use is. */
export interface ToolLife {
  tool: string;
  /** Day of first use of the one in use; null where none is. */
  since: string | null;
  mended: number;
  /** Days that those which wore out lasted, the oldest first. */
  lasted: number[];
  /** Mean of them, and the day by which the one in use is expected to wear out; null without any. */
  mean: number | null;
  dueOn: string | null;
}

const DAY = 86_400_000;

/** Tools by name, with how long they lasted from the day of their first use. @param facts that stand. */
export function toolLives(facts: readonly YardFact[]): ToolLife[] {
  const lives = new Map<string, ToolLife>();
  const ordered = facts.filter((fact) => fact.kind === 'tool').sort((a, b) => a.body.on.localeCompare(b.body.on));
  for (const { body } of ordered) {
    const life = lives.get(body.tool) ?? {
      tool: body.tool,
      since: null,
      mended: 0,
      lasted: [],
      mean: null,
      dueOn: null,
    };
    lives.set(body.tool, life);
    if (body.what === 'begun') Object.assign(life, { since: body.on, mended: 0 });
    else if (body.what === 'mended') life.mended += 1;
    else {
      if (life.since !== null) life.lasted.push((Date.parse(body.on) - Date.parse(life.since)) / DAY);
      life.since = null;
    }
  }
  return [...lives.values()].map((life) => {
    const mean = life.lasted.length > 0 ? life.lasted.reduce((a, b) => a + b, 0) / life.lasted.length : null;
    const due = mean === null || life.since === null ? null : Date.parse(life.since) + mean * DAY;
    return { ...life, mean, dueOn: due === null ? null : new Date(due).toISOString().slice(0, 10) };
  });
}
