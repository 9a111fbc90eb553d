import { isWet, type BuildPlan, type BuildRecord, type RecordKind, type Step } from '@/core/build';
import type { StoreContext } from './context';
import { readBoat } from './stores/boats';
import { beginBuild, keepRecords, readBuild } from './stores/builds';
import { issueRevision, listRevisions, recordRevisionEvent } from './stores/revisions';

const MINUTE = 60_000;
const [LAMINATOR, LEAD, INSPECTOR] = ['T. Reed', 'M. Aske', 'I. Hallin'];

/** The days of a made-up build, written down as a shop would. */
class Days {
  readonly records: BuildRecord[] = [];
  private clock: number;
  constructor(
    private readonly prefix: string,
    begins: string,
  ) {
    this.clock = Date.parse(begins);
  }
  wait(minutes: number): void {
    this.clock += minutes * MINUTE;
  }
  note(kind: RecordKind, body: object, person = LAMINATOR): string {
    const id = `${this.prefix}-${this.records.length + 1}`;
    const at = new Date(this.clock).toISOString();
    this.records.push({ id, kind, body, at, person, device: 'shop-tablet', corrects: null } as unknown as BuildRecord);
    this.clock += MINUTE;
    return id;
  }

  /** Nothing is begun late in the day or on a weekend. */
  private evening(): void {
    const day = new Date(this.clock);
    if (day.getUTCHours() >= 14) day.setUTCHours(31, 0, 0, 0);
    while (day.getUTCDay() === 0 || day.getUTCDay() === 6) day.setUTCHours(31, 0, 0, 0);
    this.clock = day.getTime();
  }

  /** A step gone through as it should be, or up to so many of its pieces. */
  work(plan: BuildPlan, step: Step, pieces = Infinity): void {
    const own = { step: step.id };
    this.evening();
    this.note('air', { celsius: 19, humidity: 58 });
    if (step.caution !== '') this.note('caution', own);
    if (step.late === 'abrade' || step.kind === 'bond') this.note('prepared', { ...own, how: 'abrade' });
    this.note('begun', own);
    for (let i = 0; i < step.coats; i++) {
      this.note('coat', { ...own, celsius: 19 });
      this.wait(step.wait);
    }
    let pot = '';
    const mix = () => {
      if (pot !== '') this.note('potEmpty', { batch: pot, how: 'used' });
      pot = this.note('batch', { ...own, resin: 3, hardener: 0.06, celsius: 19, life: 30, lots: 'R-2207' });
    };
    if (isWet(step)) mix();
    for (const [i, code] of step.pieces.slice(0, pieces).entries()) {
      if (pot !== '' && i > 0 && i % 20 === 0) mix();
      this.note('piece', { ...own, code, how: i % 7 === 3 ? 'ticked' : 'scanned', lot: 'B4471', batch: pot || null });
    }
    if (pieces < step.pieces.length) return;
    const part = plan.parts.find(({ id }) => id === step.partId);
    if (step.kind === 'fill') for (const { name } of part?.clamps ?? []) this.note('clamp', { ...own, name });
    if (pot !== '') this.note('potEmpty', { batch: pot, how: 'used' });
    const drop = { start: 2100, end: 2150, minutes: 30, startCelsius: null, endCelsius: null };
    if (step.kind === 'bag') this.note('drop', { ...own, ...drop });
    this.note('done', { ...own, note: '' });
    this.wait(Math.max(30, step.minutes));
    if (step.hold !== 'none') this.note('signed', { ...own, note: '' }, step.hold === 'inspector' ? INSPECTOR : LEAD);
  }
}

async function issued(context: StoreContext, boatId: string): Promise<void> {
  const own = { ...context, actor: INSPECTOR! };
  if ((await listRevisions(own, boatId)).length > 0) return;
  const { version } = await readBoat(own, boatId);
  const note = 'First schedule, for the quotation';
  await issueRevision(own, boatId, version, { author: INSPECTOR!, note, answer: 'To be mended' });
  await recordRevisionEvent(own, boatId, 'A', { kind: 'floor', author: INSPECTOR!, note: 'hull 3 begins' });
}

const PARTS = {
  hull: { mould: 'M1', team: 'T. Reed, S. Oake', begins: '2026-11-09', ends: '2026-12-11', pulls: 7 },
  deck: { mould: 'M2', team: 'T. Reed', begins: '2026-11-16', ends: '2026-12-18', pulls: 2 },
};

/**
 * Two builds of the demo: hull 3 of the launch while it is laid, with two open defects and a window that has passed on
 * its deck; hull 1 of the daysailer, finished. What is there already is left as it is.
 */
export async function seedDemoBuilds(context: StoreContext): Promise<void> {
  for (const boatId of ['merrow-84', 'brant-56']) await issued(context, boatId);
  const begin = (id: string, boatId: string, hull: string, at: string) =>
    beginBuild({ ...context, actor: LEAD!, now: () => at }, boatId, { id, revision: 'A', hull, parts: PARTS });
  const keep = async (id: string, days: Days) => {
    for (let i = 0; i < days.records.length; i += 400)
      await keepRecords(context, id, { records: days.records.slice(i, i + 400), vouch: async () => null });
  };
  await begin('demo-merrow-3', 'merrow-84', '3', '2026-11-09T07:00:00.000Z');
  const merrow = (await readBuild(context, 'demo-merrow-3')).plan;
  await keep('demo-merrow-3', merrowDays(merrow));
  await begin('demo-brant-1', 'brant-56', '1', '2026-09-07T06:30:00.000Z');
  const brant = (await readBuild(context, 'demo-brant-1')).plan;
  const days = new Days('demo-b', '2026-09-07T07:00:00Z');
  for (const step of brant.steps) {
    days.work(brant, step);
    days.wait(step.partId === null ? 600 : 240);
  }
  await keep('demo-brant-1', days);
}

function merrowDays(plan: BuildPlan): Days {
  const of = (partId: string) => plan.steps.filter((step) => step.partId === partId);
  const days = new Days('demo-m', '2026-11-09T07:30:00Z');
  for (const step of of('bulkheads')) days.work(plan, step);
  days.wait(3000);
  // The deck has its gelcoat, and then lay over a weekend: its window has passed.
  for (const step of of('deck').slice(0, 4)) days.work(plan, step);
  const hull = of('hull');
  const laying = hull.findIndex(({ name }) => name.startsWith('Outer skin'));
  for (const step of hull.slice(0, laying)) days.work(plan, step);
  days.work(plan, hull[laying]!, 31);
  const skin = plan.parts.find(({ id }) => id === 'hull')!.skins[0]!;
  const place = { part: 'hull', step: hull[laying]!.id, skin: skin.id, photos: [] };
  const zone = (name: string) => skin.zones.find((one) => one.name.startsWith(name))?.id ?? '';
  days.note('defect', {
    ...place,
    zone: zone('Side forward'),
    at: [0.78, 0.3],
    kind: 'void',
    size: 0.06,
    note: 'under the skin coat, sounds hollow',
  });
  days.note('defect', {
    ...place,
    zone: zone('Bottom aft'),
    at: [0.3, 0.72],
    kind: 'wrinkle',
    size: 0.14,
    note: 'layer 4, at the chine',
  });
  return days;
}
