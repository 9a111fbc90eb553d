'use client';
import { useMemo } from 'react';
import {
  DETAIL_KINDS,
  drawDetail,
  drawingSvg,
  sceneOf,
  transomSchools,
  weakestOf,
  type DetailCheck,
  type DetailEvaluation,
} from '@/core/detail/kinds';
import { targetOf, verdictOf } from '@/core/evaluate';
import type { Boat } from '@/core/document';
import { formatNumber, formatReserve } from '@/core/quantity';
import { Term } from '../help/Term';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';

const SEVERITY_WORDS = { danger: '✕ danger', warning: '△ warning', advice: '· advice' } as const;

/** A figure of a check in the units chosen. */
export function useCheckFigure() {
  const { full } = useUnits();
  return (value: number, unit: DetailCheck['unit']) => {
    if (!Number.isFinite(value)) return '–';
    switch (unit) {
      case '':
        return formatNumber(value, value !== 0 && Math.abs(value) < 0.1 ? 4 : 2);
      case 'N':
        return full(value, 'force');
      case 'Pa':
        return full(value, 'stress');
      case 'm':
        return full(value, 'shortLength');
      case 'N/m':
        return full(value, 'lineForce');
      case 'N·m':
        return full(value, 'moment');
    }
  };
}

/** Drawing, load path, checks, steps and cautions of a detail. */
export function DetailFindings({
  boat,
  evaluation,
  onWorking,
}: {
  boat: Boat;
  evaluation: DetailEvaluation;
  onWorking: () => void;
}) {
  const { detail, checks, governing, path, layers, steps, cautions, notChecked, proof, problem, total } = evaluation;
  const { full, words, system } = useUnits();
  const figure = useCheckFigure();
  const target = targetOf(boat);
  const svg = useMemo(() => {
    const drawing = drawDetail(boat, detail);
    return drawing ? drawingSvg(drawing, `${detail.name}: ${DETAIL_KINDS[detail.kind]}`, system) : '';
  }, [boat, detail, system]);
  const codes = new Map(
    boat.materials.map((material) => [material.id, 'code' in material ? material.code : material.name]),
  );
  return (
    <div className="d-grid gap-2">
      {problem ? (
        <p className="verdict fails d-block text-wrap mb-0" role="alert">
          ✕ Refused: {words(problem)}
        </p>
      ) : (
        <>
          <div className="detail-drawing" dangerouslySetInnerHTML={{ __html: svg }} />
          <ol className="load-path" aria-label="Load path">
            {path.map(({ text, check }) => {
              const weakest = check !== null && check === governing?.id;
              return (
                <li key={text} className={weakest ? 'weakest' : ''}>
                  {words(text)}
                  {weakest && (
                    <span className="fw-semibold"> ← weakest, {formatReserve(governing!.reserveFactor)}</span>
                  )}
                </li>
              );
            })}
          </ol>
          <table className="table table-sm checks-table" aria-label={`Checks of ${detail.name}`}>
            <thead>
              <tr>
                <th>Check</th>
                <th className="num">Asked</th>
                <th className="num">There</th>
                <th className="num">
                  <Term of="reserve">Reserve</Term>
                </th>
              </tr>
            </thead>
            <tbody>
              {checks.map((check) => (
                <tr key={check.id} className={check === governing ? 'fw-semibold' : ''}>
                  <td>
                    <button type="button" className="reason-button text-start" title={check.source} onClick={onWorking}>
                      {check.name}
                    </button>
                    {check === governing && <span className="soft fw-normal"> weakest</span>}
                  </td>
                  <td className="num">{figure(check.demand, check.unit)}</td>
                  <td className="num">{figure(check.capacity, check.unit)}</td>
                  <td className="num">
                    {Number.isFinite(check.reserveFactor) ? (
                      <Verdict reserveFactor={check.reserveFactor} target={target} words={false} />
                    ) : (
                      <span className="soft">not loaded</span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {detail.kind === 'transom' && <Schools boat={boat} evaluation={evaluation} />}
          <p className="small soft mb-0">
            Generic bond, punching and hole figures stand behind these checks until the yard tests its own. Adds{' '}
            {full(total, 'mass')}
            {layers.length > 0 && (
              <>
                {' '}
                and lays{' '}
                {layers
                  .map(
                    (layer) =>
                      `${layer.count} ${layer.count === 1 ? 'piece' : 'pieces'} of ` +
                      `${codes.get(layer.material) ?? layer.material}, ` +
                      `${full(layer.length, 'shortLength')} × ` +
                      `${full(layer.breadth, 'shortLength')}`,
                  )
                  .join('; ')}
              </>
            )}
            .
          </p>
          <p className="small mb-0" data-testid="not-checked">
            <strong>Not checked:</strong> {notChecked.map(words).join('; ')}.
          </p>
          <details open>
            <summary className="fw-semibold">Steps</summary>
            <ol className="small mb-0">
              {steps.map((step) => (
                <li key={step}>{words(step)}</li>
              ))}
            </ol>
          </details>
          {cautions.map(({ severity, title, text }) => (
            <p key={title} className="small mb-0 caution">
              <strong>
                {SEVERITY_WORDS[severity]}: {title}.
              </strong>{' '}
              {words(text)}
            </p>
          ))}
          {proof && (
            <p className="small mb-0 caution">
              <strong>Proof.</strong> Pull or lift to {full(proof.load, 'force')}
              {proof.deflection !== null && <>; expect about {full(proof.deflection, 'thickness')} at the panel</>}.
              {proof.failure !== null && (
                <> The weakest link is thought to give way at {full(proof.failure, 'force')}.</>
              )}{' '}
              Stop at {full(proof.stop, 'force')}
              {proof.stop < proof.load && ', less than the pull asked for, which is too near that'}, at any sound, or
              when it does not come back. Stand clear; release slowly.
            </p>
          )}
        </>
      )}
    </div>
  );
}

/** Plywood and high-density board side by side. */
function Schools({ boat, evaluation: { detail } }: { boat: Boat; evaluation: DetailEvaluation }) {
  const { full } = useUnits();
  const schools = useMemo(
    () => (detail.kind === 'transom' ? transomSchools(sceneOf(boat, detail), detail) : []),
    [boat, detail],
  );
  const target = targetOf(boat);
  if (detail.kind !== 'transom') return null;
  return (
    <table className="table table-sm" aria-label="Two schools of the transom">
      <thead>
        <tr>
          <th />
          {schools.map(({ key, name }) => (
            <th key={key}>
              {name}
              {key === detail.built && <span className="soft fw-normal"> as built</span>}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">Weight</th>
          {schools.map(({ key, mass }) => (
            <td key={key}>{full(mass, 'mass')}</td>
          ))}
        </tr>
        <tr>
          <th scope="row">Thickness</th>
          {schools.map(({ key, thickness }) => (
            <td key={key}>{full(thickness, 'thickness')}</td>
          ))}
        </tr>
        <tr>
          <th scope="row">Bending stiffness</th>
          {schools.map(({ key, EI }) => (
            <td key={key}>{full(EI, 'bendingRigidity')}</td>
          ))}
        </tr>
        <tr>
          <th scope="row">Crush margin under bolts</th>
          {schools.map(({ key, checks }) => {
            const crush = checks.find(({ id }) => id === 'crush')!.reserveFactor;
            return (
              <td key={key}>
                {Number.isFinite(crush) ? <Verdict reserveFactor={crush} target={target} words={false} /> : '–'}
              </td>
            );
          })}
        </tr>
        <tr>
          <th scope="row">Weakest</th>
          {schools.map(({ key, checks }) => {
            const weakest = weakestOf(checks)!;
            return (
              <td key={key}>
                {weakest.name} {formatReserve(weakest.reserveFactor)}{' '}
                {verdictOf(weakest.reserveFactor, target) === 'fails' ? '✕' : ''}
              </td>
            );
          })}
        </tr>
        <tr>
          <th scope="row">Water</th>
          {schools.map(({ key, water }) => (
            <td key={key} className="small">
              {water}
            </td>
          ))}
        </tr>
      </tbody>
    </table>
  );
}
