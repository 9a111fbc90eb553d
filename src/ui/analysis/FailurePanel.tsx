import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { CRITERIA, FAILURE_MODES, type Criterion } from '@/core/laminate';
import { formatReserve } from '@/core/quantity';
import { failureWorking, verdictOf, type ZoneAnalysis } from '@/core/evaluate';
import type { Zone } from '@/core/document';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import type { WorkingRequest } from '../shared/WorkingPanel';
import { LoadEditor } from './LoadEditor';
import { CURVES, ThicknessChart, type CurveId } from './ThicknessChart';

/** Beyond this a reserve says that nothing loads it. */
const isLoaded = (reserveFactor: number) => Number.isFinite(reserveFactor) && reserveFactor < 1000;

/** Stress through the thickness, which ply fails first and last, and the local limits of a sandwich. */
export function FailurePanel({
  analysis,
  zone,
  criterion,
  target,
  onWorking,
}: {
  analysis: ZoneAnalysis;
  zone: Zone;
  criterion: Criterion;
  target: number;
  onWorking: (request: WorkingRequest) => void;
}) {
  const [curve, setCurve] = useState<CurveId>('fibreStress');
  const { words } = useUnits();
  return (
    <div className="row g-3">
      <div className="col-lg-6">
        <Form.Select
          size="sm"
          className="w-auto mb-1"
          aria-label="Shown through the thickness"
          value={curve}
          onChange={(event) => setCurve(event.target.value as CurveId)}
        >
          {Object.entries(CURVES).map(([key, { label }]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </Form.Select>
        <ThicknessChart analysis={analysis} curve={curve} zoneName={zone.name} />
      </div>
      <div className="col-lg-6">
        <LoadEditor zone={zone} load={analysis.load} source={analysis.loadSource} />
        <p className="mt-2 mb-1" data-testid="first-ply">
          First ply by {CRITERIA[criterion]}:{' '}
          <button
            type="button"
            className="plain-button"
            title="Opens the working"
            onClick={() =>
              onWorking({
                title: `${zone.name}: first-ply failure`,
                record: () => failureWorking(analysis, criterion),
              })
            }
          >
            <Verdict reserveFactor={analysis.failure.reserveFactor} target={target} />
          </button>{' '}
          {FAILURE_MODES[analysis.failure.mode]} in {analysis.plies[analysis.failure.ply]!.name}, layer{' '}
          {analysis.layerOf[analysis.failure.ply]! + 1}.
        </p>
        {analysis.buckling && (
          <p className="mb-1" data-testid="buckling">
            Pressed in its plane: <Verdict reserveFactor={analysis.buckling.reserveFactor} target={target} />{' '}
            {words(`before ${analysis.buckling.panel ? `panel ${analysis.buckling.panel}` : 'the panel'} buckles.`)}
          </p>
        )}
        <div className="row g-2">
          <div className="col-6">
            <CriteriaTable analysis={analysis} criterion={criterion} />
          </div>
          {analysis.sandwich && (
            <div className="col-6">
              <SandwichTable checks={analysis.sandwich} target={target} />
            </div>
          )}
        </div>
        <p className="small soft mb-0">
          Reserve factors on the whole load, against design values of this boat (see the last tab). Last ply: the load
          goes on with failed plies left out. Not checked here:{' '}
          {analysis.loadSource !== 'given' && 'the middle of the panel, its short edges, other panels (see Panel); '}
          {analysis.buckling ? 'initial waves of the panel, pressure beside what presses it; ' : 'buckling; '}
          fasteners, joints.
        </p>
      </div>
    </div>
  );
}

function CriteriaTable({ analysis, criterion }: { analysis: ZoneAnalysis; criterion: Criterion }) {
  const said = (reserve: number) => (isLoaded(reserve) ? formatReserve(reserve) : 'not loaded');
  return (
    <table className="table table-sm" aria-label="First and last ply by criterion">
      <thead>
        <tr>
          <th>Criterion</th>
          <th className="num">First ply</th>
          <th className="num">Last ply</th>
        </tr>
      </thead>
      <tbody>
        {analysis.criteria.map((row) => (
          <tr key={row.criterion} className={row.criterion === criterion ? 'fw-semibold' : ''}>
            <td>{CRITERIA[row.criterion]}</td>
            <td className="num">{said(row.first)}</td>
            <td className="num">{said(row.last)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

type SandwichChecks = NonNullable<ZoneAnalysis['sandwich']>;

function SandwichTable({ checks, target }: { checks: SandwichChecks; target: number }) {
  const { show, unit } = useUnits();
  const against = ({ unit: measured, demand, capacity }: SandwichChecks[number]) => {
    const kind = measured === 'Pa' ? 'stress' : 'lineForce';
    return `${show(demand, kind)} of ${show(capacity, kind)} ${unit(kind)}`;
  };
  return (
    <table className="table table-sm" aria-label="Local limits of the sandwich">
      <thead>
        <tr>
          <th>Sandwich</th>
          <th className="num">Reserve</th>
        </tr>
      </thead>
      <tbody>
        {checks.map((check) => (
          <tr key={check.id}>
            <td title={against(check)}>{check.name}</td>
            <td className="num">
              {isLoaded(check.reserveFactor) ? (
                <span className={`verdict ${verdictOf(check.reserveFactor, target)}`}>
                  {formatReserve(check.reserveFactor)}
                </span>
              ) : (
                'not loaded'
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
