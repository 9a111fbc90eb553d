'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import {
  coreKnockDown,
  KNOCK_DOWNS,
  knockDownChain,
  type Core,
  type Fabric,
  type KnockDown,
  type KnockDownStep,
} from '@/core/material';
import { formatNumber } from '@/core/quantity';
import type { Boat } from '@/core/document';
import type { ZoneEvaluation } from '@/core/evaluate';
import type { PlyOrigin } from '@/core/laminate';
import { useUnits } from '../shared/units';
import { useEdit } from '../shared/useEdit';

const ORIGIN_WORDS: Record<PlyOrigin, string> = {
  computed: 'computed',
  dataSheet: 'data sheet',
  yardTest: 'tested here',
};
const STRENGTHS = ['Xt', 'Xc', 'Yt', 'Yc', 'S'] as const;
const NAMES: Record<(typeof STRENGTHS)[number], string> = {
  Xt: 'Tension along',
  Xc: 'Compression along',
  Yt: 'Tension across',
  Yc: 'Compression across',
  S: 'Shear',
};
const ids = Object.keys(KNOCK_DOWNS) as KnockDown[];
const BARS = 520;

interface ChainRow {
  name: string;
  on: boolean;
  before: number;
  after: number;
  factor?: number;
}
/** What is left after each step, as a share of the mean. */
function chainRows(steps: readonly KnockDownStep[], factor: number): ChainRow[] {
  const rows: ChainRow[] = [{ name: 'Mean value', on: true, before: 1, after: 1 }];
  for (const step of steps) {
    const before = rows.at(-1)!.after;
    rows.push({
      name: KNOCK_DOWNS[step.id],
      on: step.on,
      before,
      after: step.on ? before * step.factor : before,
      factor: step.factor,
    });
  }
  return [...rows, { name: 'Design value', on: true, before: factor, after: factor }];
}

/** What heat and repeated load leave of the cores of a zone, before the share of it that the pack lets count. */
function CoreValues({ boat, evaluation }: { boat: Boat; evaluation: ZoneEvaluation }) {
  const { show, unit } = useUnits();
  const cores = evaluation.layers
    .flatMap(({ material }) => (material.kind === 'core' ? [material] : []))
    .filter(({ id }, i, all) => all.findIndex((other) => other.id === id) === i);
  if (cores.length === 0) return null;
  const row = (core: Core) => {
    const { steps, shear, crushing, moduli } = coreKnockDown(core, boat.brief.knockDowns);
    const figures = [
      { name: 'Shear strength', value: core.shearStrength.value, share: shear, quantity: 'stress' },
      { name: 'Crushing strength', value: core.compressiveStrength.value, share: crushing, quantity: 'stress' },
      { name: 'Shear modulus', value: core.shearModulus.value, share: moduli, quantity: 'stress' },
    ] as const;
    return figures.map(({ name, value, share, quantity }, i) => (
      <tr key={`${core.id} ${name}`}>
        <td>{i === 0 && core.name}</td>
        <td>{name}</td>
        <td className="num">{show(value, quantity)}</td>
        <td className="num fw-semibold">{show(value * share, quantity)}</td>
        <td className="small soft">
          {steps
            .filter(({ on, id }) => on && (id === 'hot' || i === 0))
            .map(({ id, factor }) => `${KNOCK_DOWNS[id].toLowerCase()} × ${formatNumber(factor, 2)}`)
            .join(', ') || 'nothing comes off'}
        </td>
      </tr>
    ));
  };
  return (
    <>
      <table className="table table-sm mb-1" aria-label="Cores">
        <thead>
          <tr>
            <th>Core</th>
            <th aria-label="Figure" />
            <th className="num">
              Mean <span className="unit">{unit('stress')}</span>
            </th>
            <th className="num">
              Design <span className="unit">{unit('stress')}</span>
            </th>
            <th>What comes off</th>
          </tr>
        </thead>
        <tbody>{cores.map(row)}</tbody>
      </table>
      <p className="small soft">
        Heat and repeated load count for cores too; of what is left the pack lets its share count. Cores are taken as
        dry.{' '}
        {coreKnockDown(cores[0]!, boat.brief.knockDowns)
          .steps.map(({ source }) => `${source}.`)
          .join(' ')}
      </p>
    </>
  );
}

/** From the mean test value to the design value: what comes off, why, and the switch for each. */
export function DesignValues({ boat, evaluation }: { boat: Boat; evaluation: ZoneEvaluation }) {
  const { show, unit } = useUnits();
  const edit = useEdit();
  const fabrics = evaluation.layers.filter(
    (layer, i, all) =>
      layer.material.kind === 'fabric' && all.findIndex((other) => other.material.id === layer.material.id) === i,
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const laid = fabrics.find(({ material }) => material.id === chosen) ?? fabrics[0];
  const resin = boat.materials.find((material) => material.id === boat.brief.resin);
  if (!laid || resin?.kind !== 'resin') return <p className="soft">No fabric covers this zone yet.</p>;
  const fabric = laid.material as Fabric;
  return (
    <>
      <Form.Group className="d-flex align-items-center gap-2 mb-2" controlId="design-fabric">
        <Form.Label className="mb-0">Fabric</Form.Label>
        <Form.Select size="sm" className="w-auto" value={fabric.id} onChange={(event) => setChosen(event.target.value)}>
          {fabrics.map(({ material }) => (
            <option key={material.id} value={material.id}>
              {material.name}
            </option>
          ))}
        </Form.Select>
        <span className="small soft">
          Switches hold for the whole boat; the pack's checks have factors of their own.
        </span>
      </Form.Group>
      {laid.components.map((component, index) => {
        const { steps, factor } = knockDownChain(
          fabric.components[index]!,
          { fibre: component.fibre, resin, process: boat.brief.process },
          boat.brief.knockDowns,
        );
        const [ply] = component.plies;
        const rows = chainRows(steps, factor);
        return (
          <div key={index} className="row g-3 mb-2">
            <div className="col-lg-7">
              <svg
                viewBox={`0 0 ${BARS + 170} ${(steps.length + 2) * 24 + 4}`}
                width="100%"
                role="img"
                aria-label={`From mean to design value: factor ${formatNumber(factor, 2)}`}
              >
                {rows.map((row, i) => (
                  <g key={row.name}>
                    <text
                      x="132"
                      y={i * 24 + 16}
                      fontSize="12"
                      textAnchor="end"
                      fill={row.on ? 'var(--ink)' : 'var(--grey)'}
                    >
                      {row.name}
                    </text>
                    <rect
                      x="140"
                      y={i * 24 + 3}
                      width={BARS * row.after}
                      height="17"
                      fill={row.name === 'Design value' ? 'var(--over)' : 'var(--faint)'}
                      stroke="var(--ink)"
                      strokeWidth="0.7"
                    />
                    {row.before > row.after && (
                      <rect
                        x={140 + BARS * row.after}
                        y={i * 24 + 3}
                        width={BARS * (row.before - row.after)}
                        height="17"
                        fill="none"
                        stroke="var(--clay)"
                        strokeDasharray="3 2"
                      />
                    )}
                    <text x="147" y={i * 24 + 16} fontSize="11" fill="var(--ink)">
                      {row.factor !== undefined
                        ? `× ${formatNumber(row.factor, 2)}${row.on ? '' : ' left out'}`
                        : formatNumber(row.after, 2)}
                    </text>
                  </g>
                ))}
              </svg>
              {index === 0 &&
                steps.map((step) => (
                  <div key={step.id} className="d-flex gap-2 align-items-baseline small">
                    <Form.Check
                      type="switch"
                      id={`knock-down-${step.id}`}
                      label={KNOCK_DOWNS[step.id]}
                      checked={step.on}
                      className="text-nowrap"
                      onChange={(event) =>
                        edit({
                          type: 'brief.set',
                          patch: { knockDowns: { ...boat.brief.knockDowns, [step.id]: event.target.checked } },
                        })
                      }
                    />
                    <span className="soft">{step.source}.</span>
                  </div>
                ))}
            </div>
            <div className="col-lg-5">
              <table className="table table-sm" aria-label={`Strengths of ${fabric.name}, component ${index + 1}`}>
                <thead>
                  <tr>
                    <th>{component.fibre.name}</th>
                    <th className="num">
                      Mean <span className="unit">{unit('stress')}</span>
                    </th>
                    <th className="num">
                      Design <span className="unit">{unit('stress')}</span>
                    </th>
                    <th>Mean is</th>
                  </tr>
                </thead>
                <tbody>
                  {STRENGTHS.map((name) => (
                    <tr key={name}>
                      <td>{NAMES[name]}</td>
                      <td className="num">{show(ply!.strength![name], 'stress')}</td>
                      <td className="num fw-semibold">{show(ply!.strength![name] * factor, 'stress')}</td>
                      <td>
                        <span className="origin">{ORIGIN_WORDS[component.origins[name]]}</span>
                      </td>
                    </tr>
                  ))}
                  {(['E1', 'E2', 'G12'] as const).map((name) => (
                    <tr key={name}>
                      <td>{name}</td>
                      <td className="num">
                        {show(ply![name], 'modulus')} <span className="unit">{unit('modulus')}</span>
                      </td>
                      <td className="num soft">as it is</td>
                      <td>
                        <span className="origin">{ORIGIN_WORDS[component.origins[name]]}</span>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </div>
        );
      })}
      <CoreValues boat={boat} evaluation={evaluation} />
      <p className="small soft mb-0">
        {ids.filter((id) => boat.brief.knockDowns[id]).length} of {ids.length} knock-downs are applied.
      </p>
    </>
  );
}
