import { isWet, USUAL_REPAIR, type BuildPlan, type BuildRecord, type RecordKind, type Step } from '@/core/build';
import type { StoreContext } from './context';
import { evaluateDetails } from '@/core/detail/kinds';
import type { Boat } from '@/core/document';
import { plannedOf } from '@/core/log';
import { seedDemoShop } from './demoShop';
import { seedDemoTrace } from './demoTraces';
import { seedDemoTrials } from './demoTrials';
import { keepWeighIn } from './stores/weighIns';
import { readBoat } from './stores/boats';
import { keepRecords } from './stores/buildRecords';
import { beginBuild, readBuild } from './stores/builds';
import { issueRevision, listRevisions, recordRevisionEvent } from './stores/revisions';

const MINUTE = 60_000;
/** kg */
const LARGEST_POT = 2.5;
const [LAMINATOR, LEAD, INSPECTOR] = ['T. Reed', 'M. Aske', 'I. Hallin'];

/** The days of a made-up build, written down as a shop would. */
class Days {
  readonly records: BuildRecord[] = [];
  private clock: number;
  constructor(
    private readonly prefix: string,
    begins: string,
    /** What the resin of each part weighs in it, by its id (kg). */
    private readonly resin: ReadonlyMap<string, number> = new Map(),
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

  /** Pots for every eight pieces, and resin of each (kg): what the part takes and a tenth more. */
  private potsOf(plan: BuildPlan, { partId }: Step): { pots: number; each: number } {
    const own = plan.steps.filter((step) => step.partId === partId && isWet(step));
    const times = own.reduce((sum, { pieces }) => sum + Math.max(1, Math.ceil(pieces.length / 8)), 0);
    const resin = (1.1 * (this.resin.get(partId ?? '') ?? 0)) / 1.02 / Math.max(1, times);
    if (resin === 0) return { pots: 1, each: 1 };
    const pots = Math.ceil(resin / LARGEST_POT);
    return { pots, each: Math.round((1000 * resin) / pots) / 1000 };
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
    const resin = this.potsOf(plan, step);
    const mix = () => {
      for (let i = 0; i < resin.pots; i++) {
        if (pot !== '') this.note('potEmpty', { batch: pot, how: 'used' });
        const { each } = resin;
        pot = this.note('batch', {
          ...own,
          resin: each,
          hardener: (plan.resin.share ?? 0) * each,
          celsius: 19,
          life: 30,
          lots: 'R-2207',
        });
      }
    };
    if (isWet(step)) mix();
    for (const [i, code] of step.pieces.slice(0, pieces).entries()) {
      if (pot !== '' && i > 0 && i % 8 === 0) mix();
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
  'merrow-84': {
    hull: { mould: 'M1', team: 'T. Reed, S. Oake', begins: '2026-11-09', ends: '2026-12-11', pulls: 11 },
    deck: { mould: 'M2', team: 'T. Reed', begins: '2026-11-16', ends: '2026-12-18', pulls: 4 },
  },
  'brant-56': {
    hull: { mould: 'B1', team: 'T. Reed, S. Oake', begins: '2026-09-07', ends: '2026-09-25', pulls: 2 },
    deck: { mould: 'B2', team: 'T. Reed', begins: '2026-09-14', ends: '2026-10-02', pulls: 2 },
  },
};

/**
 * Two builds of the demo: hull 3 of the launch while it is laid, with two open defects and a window that has passed on
 * its deck; hull 1 of the daysailer, finished. What is there already is left as it is.
 */
export async function seedDemoBuilds(context: StoreContext): Promise<void> {
  await seedDemoShop(context);
  for (const boatId of Object.keys(PARTS)) await issued(context, boatId);
  const begin = (id: string, boatId: keyof typeof PARTS, hull: string, at: string) => {
    const asked = { id, revision: 'A', hull, parts: PARTS[boatId] };
    return beginBuild({ ...context, actor: LEAD!, now: () => at }, boatId, asked);
  };
  const keep = async (id: string, days: Days) => {
    for (let i = 0; i < days.records.length; i += 400)
      await keepRecords(context, id, { records: days.records.slice(i, i + 400), vouch: async () => null });
  };
  await begin('demo-merrow-3', 'merrow-84', '3', '2026-11-09T07:00:00.000Z');
  const merrow = (await readBuild(context, 'demo-merrow-3')).plan;
  await keep('demo-merrow-3', merrowDays(merrow));
  await begin('demo-brant-1', 'brant-56', '1', '2026-09-07T06:30:00.000Z');
  const brant = (await readBuild(context, 'demo-brant-1')).plan;
  const { boat } = await readBoat(context, 'brant-56');
  const days = brantDays(brant, new Map(plannedOf(boat).parts.map(({ id, resin }) => [id, resin])));
  pulled(boat, days);
  await keep('demo-brant-1', days);
  for (const weighIn of BRANT_WEIGH_INS) await keepWeighIn({ ...context, actor: LEAD! }, 'brant-56', weighIn);
  await seedDemoTrace(context, boat);
  await seedDemoTrials(context);
}

/** Hull and deck of the daysailer as they came off the mould. */
const BRANT_WEIGH_INS = [
  { id: 'demo-b-hull', subject: 'hull', mass: 142.5, day: '2026-09-18' },
  { id: 'demo-b-deck', subject: 'deck', mass: 87.4, day: '2026-09-25' },
].map((one) => ({ hull: '1', stage: 'bare', scales: 0.5, note: '', corrects: null, void: false, ...one }));

const lesson = (text: string, own: object) => ({
  text,
  step: '',
  cloth: '',
  kind: '',
  boat: '',
  layer: null,
  ...own,
});

/** Pairs to both sides of a string from the transom to the stem (m); the third was misread. */
const PAIRS = [
  [0, 0.902, 0.906, 1.204, 1.2],
  [1, 1.011, 1.016, 1.215, 1.209],
  [2, 1.035, 1.055, 1.231, 1.224],
  [3, 1.002, 1.008, 1.256, 1.248],
  [4, 0.815, 0.821, 1.298, 1.289],
].map(([x, port, starboard, portHeight, starboardHeight], i) => {
  return { name: `station ${i}`, x, port, starboard, portHeight, starboardHeight };
});

/** Thickness of six zones at three places each, two plugs, hardness: a little more resin than planned. */
function readings(plan: BuildPlan, days: Days): void {
  const { skins } = plan.parts.find(({ id }) => id === 'hull')!;
  const planned: Record<string, number> = {
    'bottom-fwd': 0.0089,
    'bottom-aft': 0.0066,
    'topside-fwd': 0.0064,
    'topside-aft': 0.0059,
  };
  const [x0, x1, y0, y1] = [0, 1].flatMap((axis) => {
    const all = skins[0]!.zones.flatMap(({ outline }) => outline.map((point) => point[axis as 0 | 1]));
    return [Math.min(...all), Math.max(...all)];
  }) as [number, number, number, number];
  for (const [zone, thickness] of Object.entries(planned)) {
    const own = skins[0]!.zones.find(({ id }) => id === zone);
    if (!own) continue;
    const [mx, my] = [0, 1].map(
      (axis) => own.outline.reduce((sum, point) => sum + point[axis as 0 | 1], 0) / own.outline.length,
    ) as [number, number];
    [-0.06, 0, 0.06].forEach((off, i) => {
      const at = [Math.min(1, Math.max(0, (mx - x0) / (x1 - x0) + off)), 1 - (my - y0) / (y1 - y0)];
      const value = thickness * [1.01, 0.985, 1.022][i]!;
      days.note('reading', { ...READ, what: 'thickness', value, zone, skin: skins[0]!.id, at, instrument: 'Gauge 2' });
    });
  }
  const plug = { ...READ, skin: skins[0]!.id, at: null, instrument: 'burned off' };
  days.note('reading', { ...plug, what: 'fibreShare', value: 0.338, zone: 'bottom-aft', note: 'outlet for the log' });
  days.note('reading', { ...plug, what: 'fibreShare', value: 0.345, zone: 'bottom-aft', note: 'outlet for the log' });
  for (const value of [41, 43, 40])
    days.note('reading', { ...plug, what: 'hardness', value, zone: 'topside-aft', instrument: 'Barcol' });
  days.note('reading', { ...plug, what: 'hours', value: 52, zone: '', instrument: '' });
}
const READ = { part: 'hull', note: '' };

/** The chainplate pulled to its proof load, and let go. */
function pulled(boat: Boat, days: Days): void {
  const found = evaluateDetails(boat).find(({ detail, proof }) => detail.id === 'chainplate' && proof);
  if (!found?.proof) return;
  const { load, stop, failure, deflection } = found.proof;
  const wanted = Math.min(load, stop);
  const most = deflection ?? 0.004;
  const points = Array.from({ length: 13 }, (_, i): [number, number] => {
    const share = i / 12;
    return [Math.round(wanted * share), Math.round(1e6 * most * (share + 0.02 * share * share)) / 1e6];
  });
  const asked = { load, stop, failure, points, set: 0.0001, passed: true, place: 'starboard', note: 'no sound' };
  days.note('proof', { detail: 'chainplate', name: found.detail.name, ...asked }, INSPECTOR);
}

/** The daysailer from the first coat of wax to the last bolt, with a dry place that was mended. */
function brantDays(plan: BuildPlan, resin: ReadonlyMap<string, number>): Days {
  const days = new Days('demo-b', '2026-09-07T07:00:00Z', resin);
  const hull = plan.parts.find(({ id }) => id === 'hull')!;
  const skin = hull.skins[0]!;
  const out = plan.steps.find(({ partId, kind }) => partId === 'hull' && kind === 'demould')!;
  for (const step of plan.steps) {
    days.work(plan, step);
    days.wait(step.partId === null ? 600 : 240);
    if (step.id !== out.id) continue;
    const zone = skin.zones.find(({ name }) => name.startsWith('Bottom'))!.id;
    const place = { part: 'hull', step: step.id, zone, skin: skin.id, at: [0.62, 0.4], photos: [] };
    const defect = days.note('defect', { ...place, kind: 'void', size: 0.05, note: 'sounds hollow, inside' });
    days.note(
      'disposed',
      {
        defect,
        what: 'repair',
        reason: 'bridged over the bulkhead flange',
        repair: { ...USUAL_REPAIR, depth: 2 },
        found: { verdict: 'meets', says: 'Shear in the joint, along, reserve 1.34' },
      },
      INSPECTOR,
    );
    days.note('repaired', { defect, note: 'ground 1 : 20, two layers and one over, tapped out' }, INSPECTOR);
    readings(plan, days);
    days.note('alignment', {
      part: 'hull',
      name: 'Hull in its cradle',
      survey: { pairs: PAIRS, diagonals: [{ name: 'sheer, 0 to 4', one: 4.412, other: 4.409 }], tape: 0.001 },
    });
    days.note(
      'lesson',
      lesson('Cold mat bridges at the chine: warm it, roll the corner first', { step: 'Outer skin' }),
      LEAD,
    );
    days.note(
      'lesson',
      lesson('Second pair of hands at the sheer, or it slips', { cloth: 'BX45 450, Stitched biaxial ±45, 450' }),
    );
    days.note('lesson', lesson('Wet film comb at the transom: it runs there', { step: 'Gelcoat', kind: 'hull' }), LEAD);
  }
  return days;
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
