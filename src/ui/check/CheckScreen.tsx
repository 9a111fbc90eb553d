'use client';
import Link from 'next/link';
import { useState } from 'react';
import { Card, Form } from 'react-bootstrap';
import { formatNumber, formatReserve } from '@/core/quantity';
import { craftOf, methodOf, type Boat, type Part, type Zone } from '@/core/document';
import { DETAIL_KINDS, detailWorking } from '@/core/detail/kinds';
import { stiffenerWorking, targetOf, zoneWorking, type ZoneCheck, type ZoneEvaluation } from '@/core/evaluate';
import { CHECKS, packLimits, packStatus } from '@/core/standard';
import { useDesign } from '../shared/boat';
import { CautionList } from '../shared/CautionList';
import { Onward } from '../shared/Onward';
import { useUnits } from '../shared/units';
import { useDetails, useStiffeners } from '../shared/useLater';
import { useCautions } from '../shared/useCautions';
import { BAND, useProofs } from '../shared/useProofs';
import { Verdict } from '../shared/Verdict';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';

type CheckId = ZoneCheck['id'];
/** Columns of the sheet: what a single skin and a sandwich have in its place share one. */
const COLUMNS: { ids: CheckId[]; head: string }[] = [
  { ids: ['skinFlexure', 'outerSkin'], head: 'Skin in bending or outer skin' },
  { ids: ['plyByPly', 'innerSkin'], head: 'Ply by ply or inner skin' },
  { ids: ['stiffness'], head: CHECKS.stiffness },
  { ids: ['coreShear'], head: CHECKS.coreShear },
  { ids: ['minimumFibre', 'outerMinimum'], head: 'Least fibre or outer skin' },
  { ids: ['innerMinimum'], head: CHECKS.innerMinimum },
  { ids: ['coreMinimum'], head: CHECKS.coreMinimum },
  { ids: ['yardFibre'], head: CHECKS.yardFibre },
  { ids: ['yardThickness'], head: CHECKS.yardThickness },
  { ids: ['specifiedLayers'], head: CHECKS.specifiedLayers },
];
/** Those that any zone has, pack after pack. */
function columnsOf(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
): { pack: string; ids: CheckId[]; head: string }[] {
  const used = new Set([...evaluations.values()].flatMap((e) => e.checks.map(({ pack, id }) => `${pack}|${id}`)));
  return boat.packs.flatMap((pack) =>
    COLUMNS.filter(({ ids }) => ids.some((id) => used.has(`${pack.id}|${id}`))).map((column) => ({
      pack: pack.id,
      ...column,
    })),
  );
}

/** Straight to the layer whose plies fail first, once the analysis is there. */
const layerLink = (boatId: string, zone: Zone, layer: number | null) =>
  `/boats/${boatId}/layup?zone=${zone.id}${layer === null ? '' : `&layer=${layer + 1}`}`;

/** What holds, what does not, and why? Every zone against every check. */
export function CheckScreen() {
  const { id: boatId, boat, evaluations } = useDesign();
  const { show, unit, words } = useUnits();
  const target = targetOf(boat);
  const [onlyFailing, setOnlyFailing] = useState(false);
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  const { proofs, done } = useProofs(boat);
  const stiffeners = useStiffeners(boat) ?? [];
  const columns = columnsOf(boat, evaluations);
  const yard = boat.packs.find((pack) => pack.kind === 'yardRule');
  const asked = Math.max(target, yard?.kind === 'yardRule' ? yard.analysisFactor : 0);
  const matched = boat.parts.some((part) => part.zones.some(({ match }) => match !== null));
  const wanted = (zone: Zone) => {
    if (!onlyFailing) return true;
    const e = evaluations.get(zone.id)!;
    const proof = proofs.get(zone.id);
    return (
      e.problem !== null ||
      (e.governing?.reserveFactor ?? 0) < target ||
      (proof?.analysis && proof.analysis.reserveFactor < (proof.analysis.id === 'deflection' ? 1 : asked)) ||
      (proof?.match && proof.match.ratio < 1 - 1e-9)
    );
  };
  const cautions = useCautions(boat, evaluations);
  const notChecked = [...new Set([...evaluations.values()].flatMap((e) => e.notChecked))];
  const rows = boat.parts.flatMap((part): { part: Part; zone: Zone }[] =>
    part.zones.filter(wanted).map((zone) => ({ part, zone })),
  );
  const members = stiffeners.filter(
    (e) => e.section !== null && (!onlyFailing || e.problem !== null || (e.governing?.reserveFactor ?? 0) < target),
  );
  const details = (useDetails(boat) ?? []).filter(
    (e) => !onlyFailing || e.problem !== null || (e.governing?.reserveFactor ?? Infinity) < target,
  );
  const shortTitle = (id: string) =>
    id === boat.packs[0]!.id ? '' : (boat.packs.find((pack) => pack.id === id)?.title ?? '');

  return (
    <>
      <p className="question">
        What holds, what does not, and why? Reserve factor = capacity / demand; 1 meets the pack, {target.toFixed(2)}{' '}
        meets this boat's posture. Every number opens its working.
      </p>
      <Form.Check
        className="mb-2"
        id="only-failing"
        label="Only zones that fail or are thin"
        checked={onlyFailing}
        onChange={(event) => setOnlyFailing(event.target.checked)}
      />
      <Card>
        <Card.Body className="p-0 table-responsive">
          <table className="table align-middle check-matrix mb-0" aria-label="Zones by checks">
            <thead>
              <tr>
                <th>Zone</th>
                <th className="num text-wrap">
                  Pressure <span className="unit">{unit('pressure')}</span>
                </th>
                {columns.map(({ pack, ids, head }) => (
                  <th key={`${pack}|${ids[0]}`} className="num text-wrap small fw-semibold">
                    {head}
                    {shortTitle(pack) && <div className="unit">{shortTitle(pack)}</div>}
                  </th>
                ))}
                <th className="num text-wrap small fw-semibold">By analysis</th>
                {matched && <th className="num text-wrap small fw-semibold">By match</th>}
                <th className="num text-wrap small fw-semibold">Band 5–95 %</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ part, zone }) => {
                const e = evaluations.get(zone.id)!;
                const proof = proofs.get(zone.id);
                const analysis = proof?.analysis ?? null;
                return (
                  <tr key={zone.id}>
                    <td>
                      <Link
                        prefetch={false}
                        href={layerLink(boatId, zone, proof?.layer ?? null)}
                        title="Open the layer that matters in the Lay-up"
                      >
                        {zone.name}
                      </Link>{' '}
                      <span className="small soft">{part.name}</span>
                      <div
                        className="small soft text-truncate governs"
                        title={e.governing ? words(e.governing.governs) : undefined}
                      >
                        {e.governing ? `by ${words(e.governing.governs)}` : ''}
                      </div>
                    </td>
                    <td className="num">{show(e.pressure?.pressure, 'pressure')}</td>
                    {e.problem ? (
                      <td colSpan={columns.length}>
                        <span className="verdict ample text-wrap">Not checked: {e.problem}</span>
                      </td>
                    ) : (
                      columns.map(({ pack, ids }) => {
                        const check = e.checks.find(
                          (candidate) => ids.includes(candidate.id) && candidate.pack === pack,
                        );
                        return (
                          <td key={`${pack}|${ids[0]}`} className="num">
                            {check ? (
                              <button
                                type="button"
                                className="plain-button"
                                onClick={() =>
                                  setWorking({
                                    title: `${zone.name}: ${CHECKS[check.id]}`,
                                    record: () => zoneWorking(boat, part, zone, check.id, pack),
                                  })
                                }
                                title={`${CHECKS[check.id]}: ${words(check.governs)}. Opens the working.`}
                              >
                                <Verdict reserveFactor={check.reserveFactor} target={target} words={false} />
                              </button>
                            ) : (
                              <span className="soft" title="Does not apply to this construction">
                                ·
                              </span>
                            )}
                          </td>
                        );
                      })
                    )}
                    <td className="num">
                      {analysis ? (
                        <button
                          type="button"
                          className="plain-button"
                          title={`${analysis.name}: ${analysis.governs}, ${analysis.where}. Opens the working.`}
                          onClick={() =>
                            setWorking({
                              title: `${zone.name}: panel by analysis`,
                              record: () => [{ title: 'Plate', steps: proof!.working }],
                            })
                          }
                        >
                          <Verdict
                            reserveFactor={Math.min(99, analysis.reserveFactor)}
                            target={analysis.id === 'deflection' ? 1 : asked}
                            words={false}
                          />
                        </button>
                      ) : (
                        <span className="soft" title={proof?.problem ?? 'being computed'}>
                          {proof ? '–' : '…'}
                        </span>
                      )}
                    </td>
                    {matched && (
                      <td className="num">
                        {proof?.match ? (
                          <Verdict reserveFactor={proof.match.ratio} target={1} words={false} />
                        ) : (
                          <span className="soft">·</span>
                        )}
                      </td>
                    )}
                    <td className="num small">
                      {proof?.band ? (
                        <span
                          title={`${formatNumber(proof.band.failing * 100, 1)} % of ${proof.band.draws} draws fail; governed most often by ${proof.band.governs}`}
                        >
                          {formatNumber(proof.band.p05, 2)}–{formatNumber(proof.band.p95, 2)}
                        </span>
                      ) : (
                        <span className="soft">{proof ? '–' : '…'}</span>
                      )}
                    </td>
                  </tr>
                );
              })}
              {rows.length === 0 && (
                <tr>
                  <td colSpan={columns.length + 5} className="soft">
                    {boat.parts.length ? 'No zone fails or is thin.' : 'No zones yet.'}
                  </td>
                </tr>
              )}
            </tbody>
          </table>
        </Card.Body>
      </Card>
      <p className="small mt-2 mb-1">
        <span className="verdict fails">✕ fails</span> below 1 · <span className="verdict thin">△ thin</span> below{' '}
        {target.toFixed(2)} · <span className="verdict meets">✓ meets</span> ·{' '}
        <span className="verdict ample">✓✓ ample</span> twice the target or more: weight to be had · “·” does not apply.
        By analysis, {formatNumber(asked, 2)} is asked
        {yard && asked > target ? ` by the ${yard.title}` : ''}. The band is where the governing reserve lies in 90 of
        100 boats: {BAND.draws} draws of fibre fraction, strengths and core, seed {BAND.seed}
        {done ? '' : ', being drawn…'}.
      </p>
      {details.length > 0 && (
        <Card className="my-2">
          <Card.Body className="p-0">
            <table className="table table-sm mb-0" aria-label="Details by checks">
              <thead>
                <tr>
                  <th>Detail</th>
                  <th>Kind</th>
                  <th>Weakest link</th>
                  <th className="num">Reserve</th>
                  <th>Other checks</th>
                </tr>
              </thead>
              <tbody>
                {details.map(({ detail, checks, governing, problem }) => (
                  <tr key={detail.id}>
                    <td>
                      <Link prefetch={false} href={`/boats/${boatId}/details?detail=${detail.id}`}>
                        {detail.name}
                      </Link>
                    </td>
                    <td className="small">{DETAIL_KINDS[detail.kind]}</td>
                    {problem ? (
                      <td colSpan={3}>
                        <span className="verdict fails text-wrap">✕ Refused: {problem}</span>
                      </td>
                    ) : (
                      <>
                        <td>{governing?.name}</td>
                        <td className="num">
                          {governing && (
                            <button
                              type="button"
                              className="plain-button"
                              title="Opens the working"
                              onClick={() =>
                                setWorking({
                                  title: `${detail.name}: working`,
                                  record: () => [{ title: detail.name, steps: detailWorking(boat, detail) }],
                                })
                              }
                            >
                              <Verdict reserveFactor={governing.reserveFactor} target={target} words={false} />
                            </button>
                          )}
                        </td>
                        <td className="small soft">
                          {checks
                            .filter((check) => check !== governing && Number.isFinite(check.reserveFactor))
                            .map(({ name, reserveFactor }) => `${name} ${formatReserve(reserveFactor)}`)
                            .join(', ')}
                        </td>
                      </>
                    )}
                  </tr>
                ))}
              </tbody>
            </table>
          </Card.Body>
        </Card>
      )}
      {members.length > 0 && (
        <Card className="my-2">
          <Card.Body className="p-0">
            <table className="table table-sm mb-0" aria-label="Stiffeners by checks">
              <thead>
                <tr>
                  <th>Stiffener</th>
                  {(members.find((e) => e.worst)?.worst?.checks ?? []).map((check) => (
                    <th key={check.id} className="num text-wrap small fw-semibold">
                      {check.name}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {members.map((e) => (
                  <tr key={e.support.id}>
                    <td>
                      <Link prefetch={false} href={`/boats/${boatId}/stiffeners`}>
                        {e.support.name}
                      </Link>{' '}
                      <span className="small soft">{e.section!.name}</span>
                    </td>
                    {e.worst ? (
                      e.worst.checks.map((check) => (
                        <td key={check.id} className="num">
                          <button
                            type="button"
                            className="plain-button"
                            title="Opens the working"
                            onClick={() =>
                              setWorking({
                                title: `${e.support.name}: worst span`,
                                record: () => [{ title: 'Stiffener', steps: stiffenerWorking(boat, e) }],
                              })
                            }
                          >
                            <Verdict reserveFactor={check.reserveFactor} target={target} words={false} />
                          </button>
                        </td>
                      ))
                    ) : (
                      <td colSpan={6}>Not checked: {e.problem ?? 'it has no span'}</td>
                    )}
                  </tr>
                ))}
              </tbody>
            </table>
          </Card.Body>
        </Card>
      )}
      <p className="small mb-1">
        Checked against:{' '}
        {boat.packs.map((pack) => `${pack.title} (${pack.edition}), status ${packStatus(pack)}`).join('; ')}.{' '}
        {boat.packs[0]!.statement}
      </p>
      <p className="small mb-1">
        Limits of the method:{' '}
        {packLimits(methodOf(boat), craftOf(boat.brief))
          .map(({ text }) => text)
          .join('; ')}
        .
      </p>
      <p className="small mb-1">Not checked: {notChecked.join('; ')}.</p>
      <p className="small soft">
        Decision support: the standard's own text, local codes, survey and class, and a licensed naval architect or
        engineer decide.
      </p>
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
