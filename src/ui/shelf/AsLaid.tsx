'use client';
import { useMemo } from 'react';
import { Form } from 'react-bootstrap';
import { fabricAsLaid } from '@/core/laminate';
import { PROCESSES, type Fabric, type Fibre, type Material, type Process, type Resin } from '@/core/material';
import { displayUnit, formatNumber } from '@/core/quantity';
import { PolarPlot } from '../shared/PolarPlot';
import { useUnits } from '../shared/units';

export interface Making {
  resin: string;
  process: Process;
}

/** Resin and process in which fabrics are looked at. */
export function MakingChoice({
  making,
  resins,
  onChange,
}: {
  making: Making;
  resins: readonly Resin[];
  onChange: (making: Making) => void;
}) {
  return (
    <div className="d-flex gap-2 mb-1">
      <Form.Select
        size="sm"
        aria-label="Resin"
        value={making.resin}
        onChange={(event) => onChange({ ...making, resin: event.target.value })}
      >
        {resins.map((resin) => (
          <option key={resin.id} value={resin.id}>
            {resin.name}
          </option>
        ))}
      </Form.Select>
      <Form.Select
        size="sm"
        aria-label="Process"
        value={making.process}
        onChange={(event) => onChange({ ...making, process: event.target.value as Process })}
      >
        {(Object.keys(PROCESSES) as Process[]).map((process) => (
          <option key={process} value={process}>
            {PROCESSES[process].name}
          </option>
        ))}
      </Form.Select>
    </div>
  );
}

export const fibresOf = (materials: readonly Material[]) =>
  new Map(
    materials.filter((material): material is Fibre => material.kind === 'fibre').map((fibre) => [fibre.id, fibre]),
  );
export const resinsOf = (materials: readonly Material[]) =>
  materials.filter((material): material is Resin => material.kind === 'resin');

/**
 * A fabric as every process leaves it: fractions with their scatter, thickness, weights; and its polar in the chosen
 * making.
 */
export function AsLaid({
  fabric,
  materials,
  making,
  onMaking,
}: {
  fabric: Fabric;
  materials: readonly Material[];
  making: Making;
  onMaking: (making: Making) => void;
}) {
  const { show, unit, system } = useUnits();
  const resins = useMemo(() => resinsOf(materials), [materials]);
  const fibres = useMemo(() => fibresOf(materials), [materials]);
  const resin = resins.find(({ id }) => id === making.resin) ?? resins[0]!;
  const all = useMemo(
    () =>
      (Object.keys(PROCESSES) as Process[]).map((process) => ({
        process,
        laid: fabricAsLaid(fabric, fibres, resin, process),
      })),
    [fabric, fibres, resin],
  );
  const chosen = all.find(({ process }) => process === making.process)!.laid;
  return (
    <>
      <h3 className="mt-2">As it is laid</h3>
      <MakingChoice making={making} resins={resins} onChange={onMaking} />
      <table className="table table-sm checks-table mb-1" aria-label={`${fabric.name} by process`}>
        <thead>
          <tr>
            <th>Process</th>
            <th className="num">Weight / volume %</th>
            <th className="num">
              <span className="unit">{unit('thickness')}</span>
            </th>
            <th className="num">
              Resin <span className="unit">{unit('arealWeight')}</span>
            </th>
            <th className="num">
              All <span className="unit">{unit('arealWeight')}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {all.map(({ process, laid }) => (
            <tr key={process} className={process === making.process ? 'fw-semibold' : ''}>
              <td>{PROCESSES[process].name}</td>
              <td className="num text-nowrap">
                {formatNumber(laid.fibreWeightFraction * 100, 0)} ±
                {` ${formatNumber(PROCESSES[process].scatter * 100, 0)} / `}
                {formatNumber(laid.fibreVolumeFraction * 100, 0)}
              </td>
              <td className="num">
                {formatNumber(laid.thickness / displayUnit('thickness', system).factor, system === 'metric' ? 2 : 4)}
              </td>
              <td className="num">{show(laid.resinWeight, 'arealWeight')}</td>
              <td className="num">{show(laid.laminatedWeight, 'arealWeight')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="polar-small">
        <PolarPlot
          series={[{ name: fabric.code, points: chosen.polar }]}
          unit={unit('modulus')}
          scale={displayUnit('modulus', system).factor}
          label={`Modulus of ${fabric.name} by direction, ${PROCESSES[making.process].name}`}
        />
      </div>
    </>
  );
}
