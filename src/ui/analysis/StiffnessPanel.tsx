'use client';
import { displayUnit, formatNumber, type QuantityKind } from '@/core/quantity';
import type { ZoneAnalysis } from '@/core/evaluate';
import { PolarPlot } from '../shared/PolarPlot';
import { useUnits } from '../shared/units';

const significant = (value: number, scale: number) => {
  const scaled = value / scale;
  return Math.abs(scaled) < 5e-4 ? '0' : Number(scaled.toPrecision(4)).toString().replace('-', '−');
};

function MatrixTable({
  name,
  unit,
  rows,
  scale,
}: {
  name: string;
  unit: string;
  rows: readonly (readonly number[])[];
  scale: number;
}) {
  return (
    <table className="table table-sm mb-2" aria-label={`${name} matrix`}>
      <thead>
        <tr>
          <th>{name}</th>
          <th colSpan={2} className="text-end unit">
            {unit}
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          <tr key={i}>
            {row.map((value, j) => (
              <td key={j} className="num">
                {significant(value, scale)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A, B, D, engineering constants, the polar, transverse shear, and warp on cooling. */
export function StiffnessPanel({
  analysis,
  zoneName,
  onWorking,
}: {
  analysis: ZoneAnalysis;
  zoneName: string;
  onWorking: () => void;
}) {
  const { show, unit, full, system } = useUnits();
  const factor = (kind: QuantityKind) => displayUnit(kind, system).factor;
  const { stiffness, shear, polar } = analysis;
  const warp = analysis.warp;
  const { membrane, flexural } = stiffness;
  const millimetres = (value: number) => `${full(value, 'thickness')} per metre`;
  return (
    <div className="row g-3">
      <div className="col-lg-4">
        <h3>Modulus by direction</h3>
        <PolarPlot
          series={[{ name: zoneName, points: polar }]}
          unit={unit('modulus')}
          scale={factor('modulus')}
          label={`Modulus of ${zoneName} by direction`}
        />
        <p className="small soft mb-0">Held flat, forward to the right, whole thickness with its core.</p>
      </div>
      <div className="col-lg-4">
        <MatrixTable name="A" unit={unit('membraneStiffness')} rows={stiffness.A} scale={factor('membraneStiffness')} />
        <MatrixTable name="B" unit={unit('couplingStiffness')} rows={stiffness.B} scale={factor('couplingStiffness')} />
        <MatrixTable name="D" unit={unit('bendingStiffness')} rows={stiffness.D} scale={factor('bendingStiffness')} />
      </div>
      <div className="col-lg-4">
        <table className="table table-sm" aria-label="Engineering constants">
          <thead>
            <tr>
              <th>Free to bend</th>
              <th className="num">Membrane</th>
              <th className="num">Flexural</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {(['Ex', 'Ey', 'Gxy'] as const).map((name) => (
              <tr key={name}>
                <td>{name}</td>
                <td className="num">{show(membrane[name], 'modulus')}</td>
                <td className="num">{show(flexural[name], 'modulus')}</td>
                <td className="unit">{unit('modulus')}</td>
              </tr>
            ))}
            <tr>
              <td>νxy</td>
              <td className="num">{formatNumber(membrane.nuxy, 2)}</td>
              <td className="num">{formatNumber(flexural.nuxy, 2)}</td>
              <td />
            </tr>
          </tbody>
        </table>
        <dl className="facts mt-2">
          <dt>Transverse shear, fore and aft / across</dt>
          <dd>
            {significant(shear.A55, factor('membraneStiffness'))} /{' '}
            {significant(shear.A44, factor('membraneStiffness'))} {unit('membraneStiffness')}
          </dd>
          <dt>Stack</dt>
          <dd>
            {stiffness.symmetric ? 'symmetric' : 'unsymmetric'}, {stiffness.balanced ? 'balanced' : 'unbalanced'}
          </dd>
          <dt>Warp, {formatNumber(warp.coolDown, 0)} K cool-down: along</dt>
          <dd>{millimetres(warp.along)}</dd>
          <dt>across</dt>
          <dd>{millimetres(warp.across)}</dd>
          <dt>twist at a corner</dt>
          <dd>{millimetres(warp.twist)}</dd>
        </dl>
        <p className="small soft">Warp is the rise at the middle of a free metre, if nothing holds the part.</p>
        <button type="button" className="reason-button" onClick={onWorking}>
          Working of the stiffness
        </button>
      </div>
    </div>
  );
}
