import { shapeOf, type Boat, type Part } from '../document';
import { invalid, KeramosError } from '../error';
import { bagOf, fillCase, skinsOf, type Filling } from '../fill';
import { makeEvaluator, type ZoneEvaluation } from '../evaluate';
import { boxOf, inLayingOrder, labelCode, potLifeAt, saidPiece, type Cutting, type Mixing, type Piece } from '../kit';
import type { Material, Resin } from '../material';
import { layerStages } from './layerStages';
import type { BuildPlan, LaidPiece, PlannedPart, Step } from './plan';
import { tagsOf, type LayerStage, type Steps, type StepTemplate } from './template';

/** What a build is planned from. */
export interface PlanInput {
  /** As the revision has it. */
  boat: Boat;
  revision: string;
  hull: string;
  /** Pieces of the hull's kit, or of the lay-up. */
  pieces: readonly Piece[];
  steps: Steps;
  cutting: Cutting;
  mixing: Mixing;
  filling: Filling;
  /** Of each part by its id: where, who, when; and how often its mould has released. */
  parts: Readonly<Record<string, { mould: string; team: string; begins: string; ends: string; pulls: number }>>;
}

const CELSIUS = [10, 12, 14, 16, 18, 20, 22, 24, 26, 28, 30];
const toMillimetres = (value: number) => Math.round(value * 1000) / 1000;

/** The part that a piece is laid in: its own, or that of the zones it lies over. */
function partOf(boat: Boat, piece: Piece): Part | undefined {
  const own = boat.parts.find(({ id }) => id === piece.partId);
  return own ?? boat.parts.find(({ zones }) => zones.some(({ id }) => piece.zones.includes(id)));
}

/** As it stands on the roll. */
const clothName = (material: Material) =>
  'code' in material && material.code ? `${material.code}, ${material.name}` : material.name;

function laidPieces({ boat, hull, pieces, cutting }: PlanInput): LaidPiece[] {
  const zones = new Map(boat.parts.flatMap((part) => part.zones.map((zone) => [zone.id, zone.name])));
  const materials = new Map(boat.materials.map((one) => [one.id, one]));
  const name = `${boat.name}, hull ${hull}`;
  return inLayingOrder(pieces).flatMap((piece) => {
    const part = partOf(boat, piece);
    if (!part) return [];
    const material = materials.get(piece.material);
    const { maxX, maxY } = boxOf(piece.outline);
    return Array.from({ length: piece.count }, (_, i): LaidPiece => ({
      code: labelCode(name, piece, i + 1),
      id: piece.id,
      copy: i + 1,
      copies: piece.count,
      name: saidPiece(piece),
      partId: part.id,
      layerId: piece.layerId,
      layerNumber: piece.partId === null ? 0 : piece.layerNumber,
      material: piece.material,
      cloth: material ? clothName(material) : '',
      isCore: piece.kind === 'core',
      angleDeg: piece.angleDeg,
      hand: piece.hand,
      zones: piece.zones,
      place: piece.zones.map((id) => zones.get(id) ?? id).join(', '),
      outline: piece.outline.map(([x, y]) => [toMillimetres(x), toMillimetres(y)]),
      size: [maxY, maxX],
      lap: piece.m > 1 && piece.kind === 'layer' ? cutting.lap : null,
      two: maxY > cutting.alone,
      notes: piece.notes,
    }));
  });
}

/** Whether a template is of a part, by its kind and the boat's process. */
const fits = (template: StepTemplate, part: Part, boat: Boat) =>
  (template.process === 'any' || template.process === boat.brief.process) &&
  (template.of === 'every' || template.of === part.kind);

/** The steps of one part: those of the templates that fit, each with the layers and pieces that are laid in it. */
function stepsOf(part: Part, input: PlanInput, pieces: readonly LaidPiece[]): Step[] {
  const { boat, steps } = input;
  const own = pieces.filter(({ partId }) => partId === part.id);
  const stages = layerStages(boat, part);
  const open = new Set(part.layers.map((_, i) => i + 1));
  let local = own.filter(({ layerNumber }) => layerNumber === 0);
  // What stiffens and patches is laid where the yard lays it; else with all that is left.
  const hasLocal = steps.steps.some((template) => template.lays === 'local' && fits(template, part, boat));
  const take = (lays: LayerStage): { layers: number[]; pieces: string[] } => {
    if (lays === 'none') return { layers: [], pieces: [] };
    const layers = [...open].filter((number) => lays === 'rest' || stages[number - 1] === lays);
    const also = lays === 'local' || (lays === 'rest' && !hasLocal) ? local : [];
    if (also.length > 0) local = [];
    for (const number of layers) open.delete(number);
    const laid = own.filter(({ layerNumber }) => layers.includes(layerNumber));
    return { layers, pieces: [...laid, ...also].map(({ code }) => code) };
  };
  const { pulls = 0 } = input.parts[part.id] ?? {};
  const made = steps.steps.flatMap((template): Step[] => {
    if (!fits(template, part, boat)) return [];
    const taken = take(template.lays);
    if (template.lays !== 'none' && taken.layers.length + taken.pieces.length === 0) return [];
    const coats = pulls >= steps.seasonedAfter ? steps.coatsSeasoned : steps.coatsNew;
    return [stepFrom(template, part.id, { ...taken, coats: template.kind === 'coats' ? coats : template.coats })];
  });
  if (open.size === 0 && local.length === 0) return made;
  // Nothing that the schedule asks for is left out because no step of the yard names it.
  const left = stepFrom({ ...UNNAMED, kind: 'lay' }, part.id, { ...take('rest'), coats: 0 });
  const at = made.findLastIndex(({ kind }) => kind === 'lay');
  return [...made.slice(0, at + 1), left, ...made.slice(at + 1)];
}

const UNNAMED: StepTemplate = {
  name: 'Lay what no step of the yard names',
  kind: 'task',
  of: 'every',
  process: 'any',
  lays: 'rest',
  minutes: 0,
  coats: 0,
  wait: 0,
  within: 0,
  late: 'nothing',
  stay: 'may',
  hold: 'lead',
  people: 2,
  mess: 'nothing',
  closes: '',
  reaches: '',
  wear: '',
  caution: '',
  note: 'These layers belong to no stage of the steps as the yard has them: ask the lead where they go.',
};

function stepFrom(
  { of: _of, process: _process, lays: _lays, closes, reaches, ...step }: StepTemplate,
  partId: string | null,
  { layers, pieces, coats }: { layers: number[]; pieces: string[]; coats: number },
): Step {
  return {
    ...step,
    id: '',
    partId,
    layers,
    pieces,
    coats,
    closes: tagsOf(closes),
    reaches: tagsOf(reaches),
    needs: [],
    after: [],
  };
}

/** Fitting every part but the hull, then what is done once for the boat, each in the order of the yard. */
function assembly({ boat, steps }: PlanInput): Step[] {
  const nothing = { layers: [], pieces: [] };
  const fitted = boat.parts.filter(({ kind }) => kind !== 'hull' && kind !== 'deck');
  return steps.steps.flatMap((template): Step[] => {
    const { coats } = template;
    // What closes the boat wants everything that goes into it.
    const needs = template.closes === '' ? [] : boat.parts.map(({ id }) => id);
    if (template.of === 'boat') return [{ ...stepFrom(template, null, { ...nothing, coats }), needs }];
    if (template.of !== 'fit') return [];
    return fitted.map((part) => ({
      ...stepFrom(template, null, { ...nothing, coats }),
      name: `${template.name}: ${part.name}`.slice(0, 120),
      needs: [part.id],
    }));
  });
}

/**
 * What is done in an order that shuts off what must still be reached, in words.
 * @example blockedReaches([{ name: 'Deck on', closes: ['inside'], … }, { name: 'Wiring', reaches: ['inside'], … }])
 */
export function blockedReaches(steps: readonly Pick<Step, 'name' | 'closes' | 'reaches'>[]): string[] {
  return steps.flatMap((step, i) =>
    step.reaches.flatMap((tag) => {
      const shut = steps.slice(0, i).find(({ closes }) => closes.includes(tag));
      return shut ? [`${step.name} needs ${tag}, which ${shut.name} closes before it`] : [];
    }),
  );
}

/** Volume and gel of the bag by the part's fill plan; null where there is none that holds together. */
function bagFor(part: Part, input: PlanInput, evaluations: ReadonlyMap<string, ZoneEvaluation>): PlannedPart['bag'] {
  const { boat, filling } = input;
  const plans = boat.fillPlans.filter((one) => one.part === part.id);
  const cases = plans.flatMap((plan) => {
    try {
      const own = fillCase({ boat, plan, filling, evaluations });
      return [{ volume: bagOf(own).volume, gel: own.flow.life + filling.lead, drives: plan.pressure }];
    } catch (error) {
      if (error instanceof KeramosError) return [];
      throw error;
    }
  });
  // Which of them is run is decided at the mould: the stricter one is asked for.
  if (cases.length === 0) return null;
  return {
    volume: Math.max(...cases.map(({ volume }) => volume)),
    gel: Math.max(...cases.map(({ gel }) => gel)),
    drives: Math.max(...cases.map(({ drives }) => drives)),
  };
}

const minutes = (seconds: number) => `${Math.round(seconds / 60)} min`;
function clampsOf(part: Part, { boat }: PlanInput): PlannedPart['clamps'] {
  const plan = boat.fillPlans.filter((one) => one.part === part.id).at(-1);
  return (plan?.lines ?? []).map(({ name, role, opens, at }) => {
    const said = { start: 'at the start', clock: `after ${minutes(at)}`, arrival: 'when the front has come by' }[opens];
    return { name: `${name} (${role === 'feed' ? 'feed' : 'vacuum'})`, opens: said };
  });
}

/** Steps with their ids; what is fitted into a hull waits until that is laid and hard. */
function numbered(steps: readonly Step[], { parts }: Boat): Step[] {
  const hulls = new Set(parts.filter(({ kind }) => kind === 'hull').map(({ id }) => id));
  const named = steps.map((step, i) => ({ ...step, id: `s${i + 1}` }));
  const hard = [...hulls].flatMap((hull) => {
    const last = named.findLast(({ partId, kind }) => partId === hull && ['lay', 'fill', 'cure'].includes(kind));
    return last ? [last.id] : [];
  });
  return named.map((step) => (step.partId === null ? { ...step, after: hard } : step));
}

/**
 * Everything that one hull is built by: steps in order for each part and for the boat, the pieces of each, what the
 * shop watches.
 *
 * @throws KeramosError `invalid` where the yard's steps would close what must still be reached, or nothing is laid.
 */
export function planBuild(input: PlanInput): BuildPlan {
  const { boat, revision, hull, steps, mixing, filling } = input;
  const resin = boat.materials.find((one): one is Resin => one.kind === 'resin' && one.id === boat.brief.resin);
  if (!resin) throw invalid('brief.resin', 'The boat has no resin: choose one in the Brief');
  const pieces = laidPieces(input);
  if (pieces.length === 0) throw invalid('pieces', 'Nothing is laid in this revision: it has no piece');
  const evaluations = makeEvaluator()(boat);
  const shape = shapeOf(boat);
  const parts = boat.parts.map((part): PlannedPart => {
    const { pulls: _, ...own } = input.parts[part.id] ?? { mould: '', team: '', begins: '', ends: '', pulls: 0 };
    const skins = skinsOf(shape, part).map(({ id, name, half, zones }) => ({ id, name, half, zones }));
    return {
      id: part.id,
      name: part.name,
      kind: part.kind,
      ...own,
      skins,
      bag: bagFor(part, input, evaluations),
      clamps: clampsOf(part, input),
    };
  });
  const made = [...boat.parts.flatMap((part) => stepsOf(part, input, pieces)), ...assembly(input)];
  const blocked = blockedReaches(made.filter(({ partId }) => partId === null));
  if (blocked.length > 0)
    throw invalid('steps', `The yard’s steps are in an order that cannot be built: ${blocked[0]}`);
  const air = steps.climate.find(({ family }) => family === resin.family) ?? null;
  const hardener = mixing.hardeners.find(({ family }) => family === resin.family);
  return {
    boat: boat.name,
    hull,
    revision,
    units: boat.brief.units,
    resin: {
      name: resin.name,
      family: resin.family,
      potLife: CELSIUS.map((celsius) => ({
        celsius,
        minutes: Math.round((potLifeAt(resin, celsius) * (hardener?.potLife ?? 1)) / 6) / 10,
      })),
      largestPot: hardener?.largest ?? 5,
      ...(hardener && { share: hardener.share }),
    },
    parts,
    steps: numbered(made, boat),
    pieces,
    air: air && { coldest: air.coldest, warmest: air.warmest, dampest: air.dampest },
    climateLasts: steps.climateLasts,
    warnAt: steps.warnAt,
    drop: { dropMinutes: filling.dropMinutes, dropMost: filling.dropMost, voids: filling.voids },
    notes: boat.parts.flatMap(({ name, number }) =>
      number > 1 ? [`${name} is made ${number} times: its steps are gone through for all of them together`] : [],
    ),
  };
}
