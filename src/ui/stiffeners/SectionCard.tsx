'use client';
import { Card } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import {
  stiffenerWorking,
  targetOf,
  type LoadedSpan,
  type SectionProperties,
  type StiffenerCheck,
  type StiffenerEvaluation,
} from '@/core/evaluate';
import type { Support } from '@/core/geometry';
import type { QuantityKind } from '@/core/quantity';
import type { StiffenerSection } from '@/core/stiffener';
import { Term } from '../help/Term';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';
import type { WorkingRequest } from '../shared/WorkingPanel';
import { HeldForm } from './HeldForm';
import { StiffenerDrawing } from './SectionDrawing';

const UNIT_KINDS: Record<StiffenerCheck['unit'], QuantityKind> = {
  m: 'thickness',
  'm²': 'smallArea',
  N: 'force',
  'N·m': 'moment',
  'N·m²': 'bendingRigidity',
  Pa: 'stress',
};

const MAY: Record<SectionProperties['walls']['crown']['gives'], string> = {
  'wrinkles on its former': 'may wrinkle on its former',
  buckles: 'may buckle',
  'turns over at its free edge': 'may turn over at its free edge',
};
/** How the walls of a section would give way sideways, in words. */
function saidWalls({ crown, web }: SectionProperties['walls']): string {
  if (web === null) return `Sideways the bar ${MAY[crown.gives]}.`;
  const webs = web.gives === crown.gives ? 'and so may the webs' : `a web ${MAY[web.gives]}`;
  return `Sideways the crown ${MAY[crown.gives]}, ${webs}.`;
}

/** What a section comes to by itself, and with the plating of the span where it is worst. */
function Facts({
  properties,
  worst,
  glued,
}: {
  properties: SectionProperties;
  worst: LoadedSpan | null;
  glued: boolean;
}) {
  const { full } = useUnits();
  return (
    <dl className="facts mb-0">
      {(
        [
          ['Bending stiffness', worst ? full(worst.EI, 'bendingRigidity') : '–'],
          ['Web, thickness', full(properties.web.thickness, 'thickness')],
          ['Web, modulus', full(properties.web.E, 'modulus')],
          ['Web, shear strength', full(properties.web.shearStrength, 'stress')],
          ...(properties.crown
            ? [
                ['Crown, thickness', full(properties.crown.thickness, 'thickness')],
                ['Crown, modulus', full(properties.crown.E, 'modulus')],
              ]
            : []),
          [glued ? 'Mass without its glue' : 'Mass', full(properties.mass, 'massPerLength')],
          ...(worst
            ? [
                [
                  'Span × spacing',
                  [worst.span.length, worst.span.spacing].map((value) => full(value, 'length')).join(' × '),
                ],
                ['Pressure', full(worst.pressure, 'pressure')],
                ['Plating of', worst.zone.zone.name],
              ]
            : []),
        ] as [string, string][]
      ).map(([term, value]) => (
        <div key={term} className="contents">
          <dt>{term}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}

/** The checks of a member, each on the span where it is worst. */
function Checks({ boat, shown, onWorking }: { boat: Boat; shown: StiffenerEvaluation } & Pick<CardProps, 'onWorking'>) {
  const { full } = useUnits();
  const target = targetOf(boat);
  return (
    <table className="table table-sm mb-1" aria-label={`Checks of ${shown.support.name}`}>
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
        {shown.checks.map((check) => (
          <tr key={check.id} className={check === shown.governing ? 'fw-semibold' : ''}>
            <td>
              {check.name}
              {check.on !== shown.worst && (
                <span className="soft small">
                  {' '}
                  on a span of {full(check.on.span.length, 'length')}, {check.on.zone.zone.name}
                </span>
              )}
            </td>
            <td className="num">{full(check.demand, UNIT_KINDS[check.unit])}</td>
            <td className="num">{full(check.capacity, UNIT_KINDS[check.unit])}</td>
            <td className="num">
              <button
                type="button"
                className="plain-button"
                title="Opens the working"
                onClick={() =>
                  onWorking({
                    title: `${shown.support.name}: worst span`,
                    record: () => [{ title: 'Stiffener', steps: stiffenerWorking(boat, shown, check.on) }],
                  })
                }
              >
                <Verdict reserveFactor={check.reserveFactor} target={target} words={false} />
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface CardProps {
  boat: Boat;
  section: StiffenerSection;
  properties: SectionProperties;
  /** The member that is looked at. */
  shown: StiffenerEvaluation | null;
  onSet: (support: Support) => string | undefined;
  onWorking: (request: WorkingRequest) => void;
}

/** A section drawn on its plating, what it comes to, and how the member that is looked at holds with it. */
export function SectionCard({ boat, section, properties, shown, onSet, onWorking }: CardProps) {
  const target = targetOf(boat);
  return (
    <Card>
      <Card.Body>
        <div className="d-flex justify-content-between align-items-baseline">
          <h2 className="mb-0">
            {section.name} {shown && <span className="soft fw-normal small">on {shown.support.name}</span>}
          </h2>
          {shown?.governing && <Verdict reserveFactor={shown.governing.reserveFactor} target={target} />}
        </div>
        <div className="stiffener-view">
          <StiffenerDrawing section={section} properties={properties} loaded={shown?.worst ?? null} />
          <Facts properties={properties} worst={shown?.worst ?? null} glued={section.adhesive !== null} />
        </div>
        {shown?.worst && <Checks boat={boat} shown={shown} onWorking={onWorking} />}
        <p className="small soft">{saidWalls(properties.walls)}</p>
        {shown && <HeldForm key={shown.support.id} boat={boat} support={shown.support} onSet={onSet} />}
      </Card.Body>
    </Card>
  );
}
