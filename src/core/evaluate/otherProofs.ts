import { KeramosError } from '../error';
import { FAILURE_MODES } from '../laminate';
import type { Boat, Part, Zone } from '../document';
import { analysisFactorOf } from './analysisFactor';
import { analyseStack, type StackAnalysis } from './analyseStack';
import { analyseZonePanels } from './analyseZonePanels';
import { matchZone } from './match';
import type { ZoneCheck } from './packChecks';

/** Plate terms of a proof that is worked out with every change. */
const TERMS = 8;
/** In the place of a pack's id: checks that no pack asks for. */
export const OWN_PROOFS = 'proofs';

/** What a stack is nearest to under its load: its first ply, or a local limit of the sandwich. */
function nearestUnder({ plies, failure, sandwich }: StackAnalysis): { reserveFactor: number; governs: string } {
  const ply = plies[failure.ply]?.name ?? 'ply';
  const first = {
    reserveFactor: failure.reserveFactor,
    governs: `${ply}, ${FAILURE_MODES[failure.mode].toLowerCase()}`,
  };
  return (sandwich ?? [])
    .map(({ name, reserveFactor }) => ({ reserveFactor, governs: name }))
    .reduce((low, one) => (one.reserveFactor < low.reserveFactor ? one : low), first);
}

/**
 * Proofs of a zone beside the rule: those that the brief says must hold, and strength under a load that somebody typed
 * for it, with the yard's factor for analysis; and what of them cannot be had.
 */
export function otherProofs(
  boat: Boat,
  part: Part,
  zone: Zone,
  pressure: number,
): { checks: ZoneCheck[]; unproven: string[] } {
  const { match, analysis } = boat.brief.proofs;
  const checks: ZoneCheck[] = [];
  const unproven: string[] = [];
  const attempt = (what: string, work: () => void) => {
    try {
      work();
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      unproven.push(`${what}: ${error.text}`);
    }
  };
  const own = { pack: OWN_PROOFS, quantity: 'ratio' } as const;
  const asked = analysisFactorOf(boat);
  if (match)
    attempt('Match', () => {
      const found = matchZone(boat, part, zone);
      if (found === null) {
        unproven.push(`Match: ${zone.name} names no reference to match`);
        return;
      }
      const { name, ratio } = found.governing;
      const governs = `${name.toLowerCase()} against ${found.reference.name}`;
      checks.push({ ...own, id: 'byMatch', demand: 1, capacity: ratio, reserveFactor: ratio, governs, panel: '' });
    });
  if (analysis)
    attempt('Analysis', () => {
      const found = analyseZonePanels(boat, part, zone, { pressure, terms: TERMS, detail: false });
      for (const { id, reserveFactor, governs, where } of found.reserves) {
        const demand = id === 'deflection' ? 1 : asked;
        const check = id === 'deflection' ? 'analysisDeflection' : 'byAnalysis';
        const said = { governs: `${governs}, ${where}`, panel: found.name };
        const one = {
          ...own,
          ...said,
          id: check,
          demand,
          capacity: reserveFactor,
          reserveFactor: reserveFactor / demand,
        };
        const at = checks.findIndex((known) => known.id === check);
        if (at < 0) checks.push(one as ZoneCheck);
        else if (one.reserveFactor < checks[at]!.reserveFactor) checks[at] = one as ZoneCheck;
      }
    });
  if (zone.load)
    attempt('Load typed under Analysis', () => {
      const { reserveFactor: capacity, governs } = nearestUnder(analyseStack(boat, part, zone, 'tsaiWu'));
      const reserveFactor = capacity / asked;
      checks.push({ ...own, id: 'typedLoad', demand: asked, capacity, reserveFactor, governs, panel: '' });
    });
  return { checks, unproven };
}
