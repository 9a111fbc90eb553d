'use client';
import { useMemo } from 'react';
import { Modal } from 'react-bootstrap';
import { fabricAsLaid, type FabricAsLaid } from '@/core/laminate';
import { FABRIC_FORMS, PROCESSES, type Fabric, type Material, type Process } from '@/core/material';
import { displayUnit, formatNumber, type QuantityKind } from '@/core/quantity';
import { PolarPlot } from '../shared/PolarPlot';
import { useUnits } from '../shared/units';
import { fibresOf, MakingChoice, resinsOf, type Making } from './AsLaid';

const ANGLE_WORDS: Record<number, string> = { 0: 'along', 45: 'at 45°', 90: 'across' };

/**
 * Up to four fabrics side by side: stiffness and strength by direction, for their weight and their price, weight by
 * process, drape.
 */
export function CompareDialog({
  fabrics,
  materials,
  making,
  onMaking,
  onClose,
}: {
  fabrics: readonly Fabric[];
  materials: readonly Material[];
  making: Making;
  onMaking: (making: Making) => void;
  onClose: () => void;
}) {
  const { show, unit, system } = useUnits();
  const resins = useMemo(() => resinsOf(materials), [materials]);
  const resin = resins.find(({ id }) => id === making.resin) ?? resins[0]!;
  const laid = useMemo(
    () => fabrics.map((fabric) => fabricAsLaid(fabric, fibresOf(materials), resin, making.process)),
    [fabrics, materials, resin, making.process],
  );
  const byProcess = useMemo(
    () =>
      (Object.keys(PROCESSES) as Process[]).map((process) => ({
        process,
        weights: fabrics.map((fabric) => fabricAsLaid(fabric, fibresOf(materials), resin, process).laminatedWeight),
      })),
    [fabrics, materials, resin],
  );
  const per = (value: number, kind: QuantityKind, of: number | null, weight: QuantityKind | null) => {
    const divisor = of === null || of === 0 ? null : of / (weight ? displayUnit(weight, system).factor : 1);
    return divisor === null ? '–' : formatNumber(value / displayUnit(kind, system).factor / divisor, 1);
  };
  /** Money for as much of it as its units count in; null where a price is missing. */
  const costOf = ({ cost }: FabricAsLaid) => (cost === null ? null : cost * displayUnit('area', system).factor);
  const group = (title: string, rows: [string, (laid: FabricAsLaid, at: number) => string][]) => (
    <tbody key={title}>
      <tr>
        <th colSpan={fabrics.length + 1}>{title}</th>
      </tr>
      {rows.map(([name, cell]) => (
        <tr key={name}>
          <td className="ps-3">{name}</td>
          {laid.map((one, i) => (
            <td key={fabrics[i]!.id} className="num">
              {cell(one, i)}
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  );
  const directions = (what: (laid: FabricAsLaid, at: number) => string) =>
    [0, 1, 2].map((d): [string, (one: FabricAsLaid) => string] => [
      ANGLE_WORDS[laid[0]!.directions[d]!.angleDeg]!,
      (one) => what(one, d),
    ]);
  return (
    <Modal show onHide={onClose} size="xl" scrollable aria-labelledby="compare-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="compare-title">
          Fabrics side by side
        </Modal.Title>
      </Modal.Header>
      <Modal.Body tabIndex={0}>
        <MakingChoice making={making} resins={resins} onChange={onMaking} />
        <div className="row g-3">
          <div className="col-lg-4">
            <PolarPlot
              series={fabrics.map((fabric, i) => ({ name: fabric.code, points: laid[i]!.polar }))}
              unit={unit('modulus')}
              scale={displayUnit('modulus', system).factor}
              label={`Modulus by direction of ${fabrics.map(({ code }) => code).join(', ')}`}
            />
          </div>
          <div className="col-lg-8">
            <table className="table table-sm" aria-label="Fabrics compared">
              <thead>
                <tr>
                  <th />
                  {fabrics.map((fabric) => (
                    <th key={fabric.id} className="num">
                      {fabric.code}
                      <div className="small soft fw-normal">{FABRIC_FORMS[fabric.family]}</div>
                    </th>
                  ))}
                </tr>
              </thead>
              {group(
                `Modulus (${unit('modulus')})`,
                directions((one, d) => show(one.directions[d]!.modulus, 'modulus')),
              )}
              {group(
                `Mean strength (${unit('stress')}), last ply`,
                directions((one, d) => show(one.directions[d]!.strength, 'stress')),
              )}
              {group(
                `First ply cracks (${unit('stress')})`,
                directions((one, d) => show(one.directions[d]!.firstPly, 'stress')),
              )}
              {group(
                `Membrane stiffness for its weight (${unit('membraneStiffness')} per ${unit('laminateWeight')})`,
                directions((one, d) =>
                  per(
                    one.directions[d]!.modulus * one.thickness,
                    'membraneStiffness',
                    one.laminatedWeight,
                    'laminateWeight',
                  ),
                ),
              )}
              {group(
                `Strength for its weight (${unit('lineForce')} per ${unit('laminateWeight')})`,
                directions((one, d) =>
                  per(one.directions[d]!.strength * one.thickness, 'lineForce', one.laminatedWeight, 'laminateWeight'),
                ),
              )}
              {group(
                `Membrane stiffness for its price (${unit('membraneStiffness')} per unit of money and ${unit('area')})`,
                directions((one, d) =>
                  per(one.directions[d]!.modulus * one.thickness, 'membraneStiffness', costOf(one), null),
                ),
              )}
              {group(
                `Strength for its price (${unit('lineForce')} per unit of money and ${unit('area')})`,
                directions((one, d) =>
                  per(one.directions[d]!.strength * one.thickness, 'lineForce', costOf(one), null),
                ),
              )}
              {group(
                `Weight laminated (${unit('arealWeight')})`,
                byProcess.map(({ process, weights }) => [
                  PROCESSES[process].name,
                  (_one, i) => show(weights[i]!, 'arealWeight'),
                ]),
              )}
              {group('Handling', [
                ['Dry weight, ' + unit('arealWeight'), (one) => show(one.dryWeight, 'arealWeight')],
                [`Price per ${unit('area')}, resin included`, (one) => formatNumber(costOf(one), 1)],
                ['Locks at', (_one, i) => `${formatNumber(fabrics[i]!.lockingAngle.value, 0)}°`],
                [
                  'Tightest double curve, ' + unit('shortLength'),
                  (_one, i) => show(fabrics[i]!.drapeRadius.value, 'shortLength'),
                ],
                ['Roll width, ' + unit('shortLength'), (_one, i) => show(fabrics[i]!.width.value, 'shortLength')],
              ])}
            </table>
            <p className="small soft">
              Mean values before knock-downs, held flat. Generic figures unless the fabric says otherwise.
            </p>
          </div>
        </div>
      </Modal.Body>
    </Modal>
  );
}
