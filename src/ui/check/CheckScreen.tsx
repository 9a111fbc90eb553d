'use client';
import Link from 'next/link';
import { useState } from 'react';
import { Card, Form } from 'react-bootstrap';
import { formatNumber, reaches } from '@/core/quantity';
import { craftOf, methodOf, SINGLE_SKIN_PATHS, type Boat } from '@/core/document';
import {
  analysisFactorOf,
  gatherNotes,
  STIFFENER_CHECKED,
  STIFFENER_NOT_CHECKED,
  targetOf,
  type ZoneEvaluation,
} from '@/core/evaluate';
import { packLimits, packStatus } from '@/core/standard';
import { useDesign } from '../shared/boat';
import { CautionList } from '../shared/CautionList';
import { Onward } from '../shared/Onward';
import { useDetails, useHeavier, useStiffeners } from '../shared/useLater';
import { useCautions } from '../shared/useCautions';
import { BAND, useProofs } from '../shared/useProofs';
import { useUnits } from '../shared/units';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { Term } from '../help/Term';
import { BandChart } from './BandChart';
import { DetailSheet } from './DetailSheet';
import { StiffenerSheet } from './StiffenerSheet';
import { askedOf, ZoneSheet, type ZoneRow } from './ZoneSheet';

/** Rounding of a match that is met exactly. */
const MATCH_TOLERANCE = 1e-9;

/** Whether anything is wrong or scarce in a zone, or it could not be checked. */
function isThin(row: ZoneRow, target: number, asked: number): boolean {
  const { evaluation, proof } = row;
  if (evaluation.problem !== null || evaluation.unproven.length > 0) return true;
  if (!reaches(evaluation.governing?.reserveFactor ?? 0, target)) return true;
  if (proof?.analysis && !reaches(proof.analysis.reserveFactor, askedOf(row, asked))) return true;
  return proof?.match != null && proof.match.ratio < 1 - MATCH_TOLERANCE;
}

/** Which proofs make the headline, and by which path a single skin is proven. */
function countedWords({ brief }: Boat): string {
  const { rule, match, analysis } = brief.proofs;
  const must = [rule && 'the build standards', match && 'the match of a reference', analysis && 'direct analysis'];
  return (
    `A zone is as good as the least of what must hold: ${must.filter(Boolean).join(', ')} (set in Brief). ` +
    `A single skin is proven by ${SINGLE_SKIN_PATHS[brief.singleSkin]}. `
  );
}

/** What holds, what does not, and why? Every zone against every check. */
export function CheckScreen() {
  const { id: boatId, boat, evaluations } = useDesign();
  const target = targetOf(boat);
  const [onlyThin, setOnlyThin] = useState(false);
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const { proofs, done } = useProofs(boat);
  const cautions = useCautions(boat, evaluations);
  const yard = boat.packs.find((pack) => pack.kind === 'yardRule');
  const asked = Math.max(target, analysisFactorOf(boat));
  const thin = (e: { problem: string | null; governing: { reserveFactor: number } | null }) =>
    !onlyThin || e.problem !== null || !reaches(e.governing?.reserveFactor ?? 0, target);
  const rows = boat.parts
    .flatMap((part) =>
      part.zones.map((zone): ZoneRow => {
        return { part, zone, evaluation: evaluations.get(zone.id)!, proof: proofs.get(zone.id) };
      }),
    )
    .filter((row) => !onlyThin || isThin(row, target, asked));
  const details = (useDetails(boat) ?? []).filter(thin);
  const stiffeners = (useStiffeners(boat) ?? []).filter((one) => one.section !== null && thin(one));
  const common = { boatId, boat, onWorking: setWorking };
  return (
    <>
      <p className="question">
        What holds, what does not, and why? Reserve factor = capacity / demand; 1 meets the pack,
        {` ${target.toFixed(2)} `}
        meets this boat's posture. Every number opens its working.
      </p>
      <Form.Check
        className="mb-2"
        id="only-failing"
        label="Only zones that fail or are thin"
        checked={onlyThin}
        onChange={(event) => setOnlyThin(event.target.checked)}
      />
      <Card>
        <Card.Body className="p-0 table-responsive">
          <ZoneSheet {...common} evaluations={evaluations} rows={rows} asked={asked} />
        </Card.Body>
      </Card>
      <Heavier boat={boat} boatId={boatId} />
      <p className="small mt-2 mb-1">
        <span className="verdict fails">✕ fails</span> below 1 · <span className="verdict thin">△ thin</span> below{' '}
        {target.toFixed(2)} · <span className="verdict meets">✓ meets</span> ·{' '}
        <span className="verdict ample">✓✓ ample</span> twice the target or more: weight to be had · “·” does not apply.
        By analysis, {formatNumber(asked, 2)} is asked
        {yard && asked > target ? ` by the ${yard.title}` : ''}, of the worst panel of each zone; rule and analysis look
        at all of them. {countedWords(boat)}
        The <Term of="band">band</Term> is where the least reserve by the method lies in 90 of 100 boats (what other
        packs ask does not scatter): {BAND.draws} draws of fibre fraction, strengths and core, seed {BAND.seed}
        {done ? '' : ', being drawn…'}.
      </p>
      {done && (
        <Card className="my-2">
          <Card.Body>
            <BandChart rows={rows} target={target} />
          </Card.Body>
        </Card>
      )}
      {details.length > 0 && (
        <Card className="my-2">
          <Card.Body className="p-0 table-responsive">
            <DetailSheet {...common} details={details} />
          </Card.Body>
        </Card>
      )}
      {stiffeners.length > 0 && (
        <Card className="my-2">
          <Card.Body className="p-0 table-responsive">
            <StiffenerSheet {...common} stiffeners={stiffeners} />
          </Card.Body>
        </Card>
      )}
      <Limits boat={boat} evaluations={evaluations} />
      <Card className="mb-2">
        <Card.Body>
          <h2>Cautions of materials and stacks</h2>
          <CautionList
            boat={boat}
            cautions={cautions ?? []}
            withPlace
            empty={
              cautions ? 'Nothing to say against the materials and stacks of this boat.' : 'Looking through the rules…'
            }
          />
        </Card.Body>
      </Card>
      <Onward to="weights">Weights: does it meet the scales?</Onward>
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}

/** Where the boat weighs more than its pressures were reckoned by. */
function Heavier({ boat, boatId }: { boat: Boat; boatId: string }) {
  const { full } = useUnits();
  return (useHeavier(boat) ?? []).map(({ weighs, proven }) => (
    <p key="heavier" className="mt-2 mb-1" role="note">
      <span className="verdict thin">△ heavier</span> She weighs {full(weighs, 'mass')} in full load by what is counted
      under{' '}
      <Link prefetch={false} href={`/boats/${boatId}/weights?view=aboard`}>
        Weights
      </Link>
      ; every pressure here stands on the {full(proven, 'mass')} of the Brief. Set the loaded mass there, or make her
      lighter: until then these reserves are of a lighter boat.
    </p>
  ));
}

/** What it was checked against, and what was not checked. */
function Limits({ boat, evaluations }: { boat: Boat; evaluations: ReadonlyMap<string, ZoneEvaluation> }) {
  const { words } = useUnits();
  const packs = boat.packs.map((pack) => `${pack.title} (${pack.edition}), status ${packStatus(pack)}`);
  const limits = packLimits(methodOf(boat), craftOf(boat.brief)).map(({ text }) => words(text));
  const notChecked = gatherNotes([...evaluations.values()].flatMap((e) => e.notChecked));
  const stiffened = boat.supports.some(({ section }) => section !== null);
  return (
    <>
      <p className="small mb-1">
        Checked against: {packs.join('; ')}. {boat.packs[0]!.statement}
      </p>
      <p className="small mb-1">Limits of the method: {limits.join('; ')}.</p>
      <p className="small mb-0">Not checked of zones:</p>
      <ul className="small mb-1 ps-3" aria-label="Not checked of zones">
        {notChecked.map((one) => (
          <li key={one}>{words(one)}</li>
        ))}
      </ul>
      {stiffened && (
        <p className="small mb-1">
          Checked of stiffeners: {STIFFENER_CHECKED}. Not checked of them: {STIFFENER_NOT_CHECKED}.
        </p>
      )}
      <p className="small soft">
        Decision support: the standard's own text, local codes, survey and class, and a licensed naval architect or
        engineer decide.
      </p>
    </>
  );
}
