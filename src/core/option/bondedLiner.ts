import { boatCost, type Offer, type Rates } from '../cost';
import { evaluateDetail, evaluateDetails, newDetail, type DetailOf } from '../detail/kinds';
import { shapeOf, type Boat, type Part, type Zone } from '../document';
import { applyEdits, fetchMaterials, type Edit } from '../edit';
import { evaluateStiffeners, makeEvaluator, membersOf, targetOf } from '../evaluate';
import { invalid } from '../error';
import { edgeAt, HOLDS_ONLY, openHalfBreadth, type Support } from '../geometry';
import { runToEnd, type Job, type Progress } from '../job';
import type { Core, Fabric, Material } from '../material';
import { reaches } from '../quantity';
import { leastFlange, type SectionLayer, type StiffenerSection } from '../stiffener';
import { zoneEquivalentsJob, type ZoneEquivalent } from './zoneEquivalents';

export interface BondedLinerInput {
  boat: Boat;
  partId: string;
  zoneId: string;
  shelf: readonly Material[];
  yard: { rates: Rates; offers: readonly Offer[] };
}

/** A zone as a single skin stiffened by the ribs of a liner that is bonded in. */
export interface BondedLiner {
  run: 'along' | 'across';
  ribs: number;
  section: StiffenerSection;
  skin: Pick<ZoneEquivalent, 'stack' | 'thickness' | 'worse' | 'notChecked'>;
  /** kg of the zone, its ribs and what bonds them, on all hands. */
  mass: number;
  skinMass: number;
  ribMass: number;
  bondMass: number;
  /** What the whole boat costs and takes more (money, hours). */
  moreCost: number;
  moreHours: number;
  /** Least of the skin between the ribs, of the ribs, and of the bond. */
  reserves: { skin: number; ribs: number; bond: number };
  edits: Edit[];
}

export interface BondedLiners {
  /** kg of the zone as it is laid, on all hands, and of what already stiffens it by its own ribs. */
  now: { mass: number; thickness: number };
  /** From the lightest. */
  found: BondedLiner[];
  /** What was tried and does not hold, with the reason. */
  none: string[];
}

const MOST_RIBS = 5;
type Adhesive = Extract<Material, { kind: 'adhesive' }>;

/** Of a rib (m): from the lowest to the highest, and how it is made wider with it. */
const HEIGHT = { from: 0.03, to: 0.2, step: 0.01 };
const FLANGE = { from: 0.03, to: 0.12, step: 0.01 };
const FOOT = 0.8;
const CROWN = 0.6;

const round = (value: number) => Number(value.toFixed(4));

/** A rib of so much height: three layers all over it, two of one direction on its crown where the book has such. */
const hatOf = (height: number, flangeWidth: number, base: Omit<StiffenerSection, 'height'>): StiffenerSection => ({
  ...base,
  height: round(height),
  baseWidth: round(Math.max(0.05, FOOT * height)),
  crownWidth: round(Math.max(0.03, CROWN * height)),
  flangeWidth: round(Math.max(flangeWidth, leastFlange(height))),
});

/** The heaviest of the fabrics that make a criterion, those laid in the boat before those of the Shelf. */
function fabricFor(boat: Boat, materials: readonly Material[], fits: (fabric: Fabric) => boolean): Fabric | null {
  const laid = new Set(boat.parts.flatMap(({ layers }) => layers.map(({ material }) => material)));
  const weight = ({ components }: Fabric) => components.reduce((sum, { arealWeight }) => sum + arealWeight.value, 0);
  const all = materials.filter((one): one is Fabric => one.kind === 'fabric' && fits(one));
  const [best] = all.sort((a, b) => Number(laid.has(b.id)) - Number(laid.has(a.id)) || weight(b) - weight(a));
  return best ?? null;
}

/**
 * A zone as a single skin held by the ribs of a bonded liner: for one to five ribs along or across it, the lightest
 * single skin of its own fibre between them, the lowest rib that carries it, and the narrowest flange whose bond does.
 * What is given was evaluated as the boat itself is, skin, ribs and bond; it is no proven optimum.
 *
 * Not counted: a pan moulded in one with the ribs between them, and the peel at the ends of the bond.
 *
 * @throws KeramosError `invalid` where the zone is gone or bare, no rib lies on it, or nothing to build the ribs of is
 * at hand.
 */
export const bondedLinerJob: Job<BondedLinerInput, BondedLiners> = function* (input) {
  const { boat, partId, zoneId, shelf, yard } = input;
  const part = boat.parts.find(({ id }) => id === partId);
  const zone = part?.zones.find(({ id }) => id === zoneId);
  if (!part || !zone) throw invalid('zoneId', 'This zone is gone');
  if (zone.region === null) throw invalid('zoneId', `${zone.name} has no place on the boat: ribs need one`);
  const materials = [...new Map([...shelf, ...boat.materials].map((one) => [one.id, one])).values()];
  const made = ribMaterials(boat, materials, part);
  const now = makeEvaluator()(boat).get(zoneId)!;
  const costNow = costOf(boat, yard);
  const target = targetOf(boat);
  const ids = new Set([...boat.supports, ...boat.sections, ...boat.details].map(({ id }) => id));
  let turn = 1;
  while ([...ids].some((id) => id.startsWith(`${zoneId.slice(0, 20)}-liner${turn}`))) turn += 1;
  const id = `${zoneId.slice(0, 20)}-liner${turn}`;
  const fetched = fetchMaterials(boat, materials, [made.adhesive, made.former, ...made.fabrics]);
  const found: BondedLiner[] = [];
  const none: string[] = [];
  const ways = (['across', 'along'] as const).flatMap((run) =>
    Array.from({ length: MOST_RIBS }, (_, i) => ({ run, ribs: i + 1 })),
  );
  for (const [i, { run, ribs }] of ways.entries()) {
    const name = `${ribs} ${ribs === 1 ? 'rib' : 'ribs'} ${run}`;
    yield { done: i / ways.length, at: name } satisfies Progress;
    const glued = { bonded: 'peelAbrade', adhesive: made.adhesive.id } as const;
    const base = { id, name: `Liner rib, ${zone.name}`.slice(0, 60), kind: 'topHat', former: made.former.id } as const;
    const own = { ...base, ...glued, layers: made.layers, baseWidth: 0, crownWidth: 0, flangeWidth: 0 };
    const supports = placesOf(boat, zone, run, ribs).map(
      (place, k) =>
        ({
          ...HOLDS_ONLY,
          ...place,
          id: `${id}-${k + 1}`,
          name: `${base.name} ${k + 1}`.slice(0, 60),
          section: id,
        }) as Support,
    );
    const before: Edit[] = [
      ...fetched,
      { type: 'section.add', item: hatOf(HEIGHT.from, FLANGE.from, own), index: boat.sections.length },
      ...supports.map((item, k): Edit => ({ type: 'support.add', item, index: boat.supports.length + k })),
    ];
    const ribbed = applyEdits(boat, before).boat;
    if (supports.some((support) => !membersOf(ribbed).get(support.id))) {
      none.push(`${name}: a rib lies off the boat there`);
      continue;
    }
    // The lightest skin between them.
    const skins = zoneEquivalentsJob({ boat: ribbed, partId, zoneId, match: 'target', shelf, only: 'ownSolid' }, 0);
    const [skin] = runToEnd(skins).found;
    if (!skin) {
      none.push(`${name}: no single skin tried holds between them`);
      continue;
    }
    let laid = applyEdits(ribbed, skin.edits).boat;
    // The lowest rib that carries it.
    let section = hatOf(HEIGHT.from, FLANGE.from, own);
    const ribsOf = (of: Boat) =>
      evaluateStiffeners(of)
        .filter(({ support }) => support.section === id)
        .reduce((low, { governing }) => Math.min(low, governing?.reserveFactor ?? 0), Infinity);
    const sized = (of: Boat, one: StiffenerSection): Boat => applyEdits(of, [{ type: 'section.set', item: one }]).boat;
    for (let height = HEIGHT.from; height < HEIGHT.to && !reaches(ribsOf(laid), target); height += HEIGHT.step) {
      section = hatOf(height + HEIGHT.step, FLANGE.from, own);
      laid = sized(laid, section);
    }
    if (!reaches(ribsOf(laid), target)) {
      none.push(`${name}: a rib of ${Math.round(1000 * HEIGHT.to)} mm does not carry it`);
      continue;
    }
    // The narrowest flange whose bond holds.
    const bonded = (flange: number) => {
      const hat = hatOf(section.height, flange, own);
      const of = sized(laid, hat);
      const detail = bondOf(of, { zone, section: hat, supports, adhesive: made.adhesive, id: `${id}-bond` });
      const state = applyEdits(of, [{ type: 'detail.add', item: detail, index: of.details.length }]).boat;
      const { governing, total } = evaluateDetail(state, detail);
      return { hat, detail, state, reserve: governing?.reserveFactor ?? 0, total };
    };
    let bond = bonded(FLANGE.from);
    for (let flange = FLANGE.from; flange < FLANGE.to && !reaches(bond.reserve, target); flange += FLANGE.step)
      bond = bonded(flange + FLANGE.step);
    if (!reaches(bond.reserve, target)) {
      none.push(`${name}: a flange of ${Math.round(1000 * FLANGE.to)} mm does not hold its bond`);
      continue;
    }
    const after = bond.state;
    const e = makeEvaluator()(after).get(zoneId)!;
    const reserves = { skin: e.governing?.reserveFactor ?? 0, ribs: ribsOf(after), bond: bond.reserve };
    if (e.unproven.length > 0 || !Object.values(reserves).every((reserve) => reaches(reserve, target))) {
      none.push(`${name}: together they do not hold`);
      continue;
    }
    const ribMass = evaluateStiffeners(after)
      .filter(({ support }) => support.section === id)
      .reduce((sum, { mass }) => sum + mass, 0);
    const skinMass = e.laminatedArealWeight * zone.geometry.area * part.number;
    const cost = costOf(after, yard);
    found.push({
      run,
      ribs,
      section: bond.hat,
      skin: { stack: skin.stack, thickness: e.thickness, worse: skin.worse, notChecked: e.notChecked },
      mass: skinMass + ribMass + bond.total,
      skinMass,
      ribMass,
      bondMass: bond.total,
      moreCost: cost.cost - costNow.cost,
      moreHours: cost.hours - costNow.hours,
      reserves,
      edits: [
        ...before,
        ...skin.edits,
        { type: 'section.set', item: bond.hat },
        { type: 'detail.add', item: bond.detail, index: boat.details.length },
      ],
    });
  }
  const mass = now.laminatedArealWeight * zone.geometry.area * part.number;
  return { now: { mass, thickness: now.thickness }, found: found.sort((a, b) => a.mass - b.mass), none };
};

const costOf = (boat: Boat, yard: BondedLinerInput['yard']) =>
  boatCost(boat, makeEvaluator()(boat), evaluateDetails(boat), yard).totals;

/** What ribs are built of and bonded with. @throws KeramosError `invalid` where there is none of it. */
function ribMaterials(boat: Boat, materials: readonly Material[], { layers }: Part) {
  const own = new Set(
    materials.flatMap((one) =>
      one.kind === 'fabric' && layers.some(({ material }) => material === one.id)
        ? one.components.map(({ fibre }) => fibre)
        : [],
    ),
  );
  const ofOwn = ({ components }: Fabric) => components.every(({ fibre }) => own.has(fibre));
  const cloth = fabricFor(
    boat,
    materials,
    (one) => ofOwn(one) && one.family !== 'unidirectional' && one.components.some(({ form }) => form !== 'randomMat'),
  );
  if (!cloth) throw invalid('shelf', 'No cloth of this fibre to lay ribs of: put one on the Shelf');
  const along = fabricFor(boat, materials, (one) => ofOwn(one) && one.family === 'unidirectional');
  const cores = materials.filter((one): one is Core => one.kind === 'core' && one.family !== 'flowMat');
  const [former] = cores.filter(({ density }) => density.value >= 45).sort((a, b) => a.density.value - b.density.value);
  if (!former) throw invalid('shelf', 'No foam to form ribs on: put one on the Shelf');
  const glues = materials.filter((one): one is Adhesive => one.kind === 'adhesive');
  const adhesive = glues.find(({ id }) => boat.materials.some((one) => one.id === id)) ?? glues[0];
  if (!adhesive) throw invalid('shelf', 'No adhesive to bond a liner with: put one on the Shelf');
  const layer = (material: string, web: boolean): SectionLayer => ({
    material,
    angleDeg: 0,
    crown: true,
    web,
    flange: web,
  });
  return {
    adhesive,
    former,
    fabrics: [cloth, ...(along ? [along] : [])],
    layers: [
      ...Array.from({ length: 3 }, () => layer(cloth.id, true)),
      ...(along ? Array.from({ length: 2 }, () => layer(along.id, false)) : []),
    ],
  };
}

/** Where the ribs of a zone lie, evenly: as members of the hull or the deck, or on the surface of the zone alone. */
function placesOf(boat: Boat, zone: Zone, run: BondedLiner['run'], ribs: number): Record<string, unknown>[] {
  const shape = shapeOf(boat);
  const { region } = zone;
  const shares = Array.from({ length: ribs }, (_, k) => (k + 1) / (ribs + 1));
  const between = (a: number, b: number) => shares.map((share) => round(a + (b - a) * share));
  if (!shape || (region?.surface !== 'hull' && region?.surface !== 'deck'))
    return shares.map((share) => ({ kind: 'rib', zone: zone.id, run, share: round(share) }));
  const { hull, deck } = shape;
  const ends = { from: Math.max(hull.aft, region.from), to: Math.min(hull.bow, region.to) };
  const x = (ends.from + ends.to) / 2;
  const across = between(ends.from, ends.to);
  if (region.surface === 'deck') {
    if (run === 'across') return across.map((at) => ({ kind: 'beam', x: at }));
    const [inner, outer] = [openHalfBreadth(deck, x), hull.at(x, 2)[1]];
    return between(inner, outer).map((y) => ({ kind: 'girder', y, loadAt: null, ...ends }));
  }
  if (run === 'across') {
    const upTo = across.every((at) => edgeAt(hull, region.upper, at) < 1 + 1e-9) ? 'chine' : 'deckEdge';
    return across.map((at) => ({ kind: 'frame', x: at, upTo }));
  }
  return between(edgeAt(hull, region.lower, x), edgeAt(hull, region.upper, x)).map((at) => {
    const band = at < 1 ? 'bottom' : 'side';
    return { kind: 'stringer', band, loadAt: null, share: Math.min(0.98, Math.max(0.02, round(at % 1))), ...ends };
  });
}

interface BondInput {
  zone: Zone;
  section: StiffenerSection;
  supports: readonly Support[];
  adhesive: Adhesive;
  id: string;
}

/** The bond under the flanges of all ribs, each carrying the skin half way to the next. */
function bondOf(boat: Boat, { zone, section, supports, adhesive, id }: BondInput): DetailOf<'liner'> {
  const places = membersOf(boat);
  const members = supports.map((support) => places.get(support.id)!);
  const length = members.reduce((sum, one) => sum + one.length, 0);
  const tributary = Math.max(...members.flatMap(({ spans }) => spans.map(({ spacing }) => spacing)));
  const start = newDetail(boat, 'liner', id, zone) as DetailOf<'liner'>;
  return {
    ...start,
    name: `Bond of the liner, ${zone.name}`.slice(0, 80),
    load: null,
    adhesive: adhesive.id,
    bondWidth: 2 * section.flangeWidth,
    bondLength: round(Math.min(100, length)),
    bondLine: adhesive.bondLine.value,
    tributary: round(Math.min(4, tributary)),
    inspections: Math.max(1, Math.ceil(length)),
  };
}
