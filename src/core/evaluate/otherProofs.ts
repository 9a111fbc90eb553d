import { KeramosError } from '../error';
import type { Boat, Part, Zone } from '../document';
import { analyseZonePanels } from './analyseZonePanels';
import { matchZone } from './match';
import type { ZoneCheck } from './packChecks';

/** Plate terms of a proof that is worked out with every change. */
const TERMS = 8;
/** In the place of a pack's id: checks that no pack asks for. */
export const OWN_PROOFS = 'proofs';

/** Proofs of a zone beside the rule, those that the brief says must hold; and what of them cannot be had. */
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
      const yard = boat.packs.find((pack) => pack.kind === 'yardRule');
      const asked = yard?.kind === 'yardRule' ? yard.analysisFactor : 1;
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
  return { checks, unproven };
}
