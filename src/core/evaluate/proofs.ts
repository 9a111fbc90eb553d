import { KeramosError } from '../error';
import type { Progress } from '../job';
import type { WorkingStep } from '../working';
import type { Boat, Part, Zone } from '../document';
import { analysePanel } from './analysePanel';
import type { PanelReserve } from './analyseOnePanel';
import { matchZone } from './match';
import { panelWorking } from './panelWorking';
import { marginBand, type MarginBand } from './scatter';

/**
 * What a zone's proof comes to besides the rule: its band, direct analysis, and the reference it is matched against.
 */
export interface ZoneProof {
  zoneId: string;
  band: MarginBand | null;
  analysis: PanelReserve | null;
  /** The steps behind the analysis. */
  working: WorkingStep[];
  /** Place in the laying order of the layer whose plies fail first. */
  layer: number | null;
  /** Why there is no analysis. */
  problem: string | null;
  match: { reference: string; ratio: number; name: string } | null;
}
export interface ProofStep extends Progress {
  proof: ZoneProof;
}

/** A result, or the refusal in words. */
function attempt<T>(work: () => T): T | string {
  try {
    return work();
  } catch (error) {
    if (error instanceof KeramosError) return error.text;
    throw error;
  }
}

/** Plate terms that show where the analysis stands; the panel's own screen takes more. */
const TERMS = 10;

function proofOf(boat: Boat, part: Part, zone: Zone, band: MarginBand | null): ZoneProof {
  const analysis = attempt(() => analysePanel(boat, part, zone, { terms: TERMS, detail: false }));
  const match = attempt(() => matchZone(boat, part, zone));
  const found = typeof analysis === 'string' ? null : analysis;
  return {
    zoneId: zone.id,
    band,
    analysis: found?.governing ?? null,
    working: found ? panelWorking(found) : [],
    layer: found?.reserves.find(({ id }) => id === 'plies')?.layer ?? null,
    problem: typeof analysis === 'string' ? analysis : null,
    match:
      match === null || typeof match === 'string'
        ? null
        : { reference: match.reference.name, ratio: match.governing.ratio, name: match.governing.name },
  };
}

/**
 * The proofs of every zone of a boat, as a job: one step a zone, each with its proof. The same seed gives the same
 * bands.
 * @example for (const { proof } of proveBoat({ boat, draws: 400 }, 84)) show(proof)
 */
export function* proveBoat(
  { boat, draws }: { boat: Boat; draws: number },
  seed: number,
): Generator<ProofStep, ReadonlyMap<string, ZoneProof>> {
  const zones = boat.parts.flatMap((part) => part.zones.map((zone) => ({ part, zone })));
  const proofs = new Map<string, ZoneProof>();
  for (const [i, { part, zone }] of zones.entries()) {
    const proof = proofOf(boat, part, zone, marginBand(boat, part, zone, { seed, draws }));
    proofs.set(zone.id, proof);
    yield { done: (i + 1) / zones.length, at: zone.name, proof };
  }
  return proofs;
}
