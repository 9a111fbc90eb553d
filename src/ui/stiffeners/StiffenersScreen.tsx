'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { Alert, Button, Card, Form } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { KeramosError } from '@/core/error';
import type { Material } from '@/core/material';
import type { QuantityKind } from '@/core/quantity';
import {
  evaluateStiffeners,
  sectionProperties,
  type SectionProperties,
  STIFFENER_CHECKED,
  STIFFENER_NOT_CHECKED,
  stiffenerWorking,
  targetOf,
  type StiffenerCheck,
  type StiffenerEvaluation,
} from '@/core/evaluate';
import { SECTION_KINDS, type StiffenerSection } from '@/core/stiffener';
import { Term } from '../help/Term';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { useUnits } from '../shared/units';
import { useEdit } from '../shared/useEdit';
import { Verdict } from '../shared/Verdict';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { StiffenerDrawing } from './SectionDrawing';
import { HeldForm } from './HeldForm';
import { bring, SectionEditor } from './SectionEditor';
import { Refusal } from '../shared/Refusal';
import { useKept } from '../shared/useKept';
import { useTurned } from '../shared/useTurned';

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

/** A top-hat or flat bar to begin with, of the first glass fabrics at hand; a hat on the boat's own core. */
function starter(kind: StiffenerSection['kind'], { sections, materials }: Boat): StiffenerSection {
  const [slanted, along] = ['bx45-450', 'ud-300'];
  const layer = (material: string, place: Partial<Record<'crown' | 'web' | 'flange', boolean>>) => ({
    material,
    angleDeg: 0,
    ...{ crown: false, web: false, flange: false, ...place },
  });
  const section = {
    id: nanoid(8),
    name: `${SECTION_KINDS[kind]} ${sections.length + 1}`,
    flangeWidth: 0.04,
    bonded: 'notSaid' as const,
    adhesive: null,
  };
  if (kind === 'flatBar') {
    const [face, inside] = [layer(slanted, { web: true, flange: true }), layer(slanted, { web: true })];
    const middle = layer(along, { web: true });
    const layers = [face, inside, inside, inside, middle, middle, inside, inside, inside, face];
    return { ...section, kind, height: 0.04, baseWidth: 0.03, crownWidth: 0.03, former: null, layers };
  }
  const all = layer(slanted, { crown: true, web: true, flange: true });
  const former = materials.find((one) => one.kind === 'core')?.id ?? null;
  const layers = [all, all, layer(along, { crown: true })];
  return { ...section, kind, height: 0.06, baseWidth: 0.06, crownWidth: 0.045, former, layers };
}

/** Do the supports hold? Every frame, stringer, beam and rib with a section, against what the pack asks of it. */
export function StiffenersScreen({ shelf }: { shelf: Material[] }) {
  const { boat } = useDesign();
  const { show, full, unit, words } = useUnits();
  const edit = useEdit();
  const [chosen, setChosen] = useKept<string | null>('stiffeners.section', boat.sections[0]?.id ?? null);
  const [member, setMember] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  useTurned(({ of, id }) => {
    if (of === 'section') setChosen(id);
    if (of === 'support') setMember(id);
  });
  const target = targetOf(boat);
  const evaluations = useMemo(() => evaluateStiffeners(boat), [boat]);
  const section = boat.sections.find(({ id }) => id === chosen) ?? boat.sections[0] ?? null;
  const users = evaluations.filter((e) => e.section?.id === section?.id);
  const shown =
    users.find((e) => e.support.id === member) ??
    users.reduce<StiffenerEvaluation | null>(
      (low, e) =>
        e.governing && (!low?.governing || e.governing.reserveFactor < low.governing.reserveFactor) ? e : low,
      null,
    );
  const properties = useMemo(() => {
    if (!section) return null;
    try {
      return sectionProperties(boat, section);
    } catch (error) {
      if (error instanceof KeramosError) return error.text;
      throw error;
    }
  }, [boat, section]);
  const act = (...edits: Parameters<typeof edit>) => {
    const said = edit(...edits);
    setRefusal(said ?? null);
    return said;
  };
  const add = (kind: StiffenerSection['kind']) => {
    const item = starter(kind, boat);
    const materials = [...new Set(item.layers.map(({ material }) => material))].flatMap((id) => bring(boat, shelf, id));
    const once = materials.filter(
      (one, i) =>
        one.type === 'material.put' &&
        materials.findIndex((other) => other.type === 'material.put' && other.material.id === one.material.id) === i,
    );
    if (!act(...once, { type: 'section.add', item, index: boat.sections.length })) setChosen(item.id);
  };
  const mass = evaluations.reduce((sum, e) => sum + e.mass, 0);

  return (
    <>
      <p className="question">
        Do the supports hold? Each check on the span where it is worst, with the plating that works with it.
      </p>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <div className="layup">
        <div className="d-grid gap-3 align-content-start">
          {section && properties !== null && typeof properties !== 'string' && (
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
                  <dl className="facts mb-0">
                    {(
                      [
                        ['Bending stiffness', shown?.worst ? full(shown.worst.EI, 'bendingRigidity') : '–'],
                        ['Web, thickness', full(properties.web.thickness, 'thickness')],
                        ['Web, modulus', full(properties.web.E, 'modulus')],
                        ['Web, shear strength', full(properties.web.shearStrength, 'stress')],
                        ...(properties.crown
                          ? [
                              ['Crown, thickness', full(properties.crown.thickness, 'thickness')],
                              ['Crown, modulus', full(properties.crown.E, 'modulus')],
                            ]
                          : []),
                        ['Mass', full(properties.mass, 'massPerLength')],
                        ...(shown?.worst
                          ? [
                              [
                                'Span × spacing',
                                [shown.worst.span.length, shown.worst.span.spacing]
                                  .map((value) => full(value, 'length'))
                                  .join(' × '),
                              ],
                              ['Pressure', full(shown.worst.pressure, 'pressure')],
                              ['Plating of', shown.worst.zone.zone.name],
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
                </div>
                {shown?.worst && (
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
                                setWorking({
                                  title: `${shown.support.name}: worst span`,
                                  record: () => [
                                    { title: 'Stiffener', steps: stiffenerWorking(boat, shown, check.on) },
                                  ],
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
                )}
                <p className="small soft">{saidWalls(properties.walls)}</p>
                {shown && (
                  <HeldForm
                    key={shown.support.id}
                    boat={boat}
                    support={shown.support}
                    onSet={(item) => act({ type: 'support.set', item })}
                  />
                )}
              </Card.Body>
            </Card>
          )}
          {typeof properties === 'string' && <Alert variant="danger">{words(properties)}</Alert>}
          <Card>
            <Card.Body className="p-0">
              <table className="table align-middle mb-0" aria-label="Stiffeners">
                <thead>
                  <tr>
                    <th>Member</th>
                    <th>Section</th>
                    <th className="num">
                      Length <span className="unit">{unit('length')}</span>
                    </th>
                    <th className="num">
                      Mass <span className="unit">{unit('mass')}</span>
                    </th>
                    <th>
                      <Term of="governs">Governs</Term>
                    </th>
                    <th className="num">
                      <Term of="reserve">Reserve</Term>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {evaluations.map((e) => (
                    <tr key={e.support.id} className={e.support.id === shown?.support.id ? 'chosen-row' : ''}>
                      <td>
                        <button
                          type="button"
                          className="reason-button"
                          onClick={() => {
                            setMember(e.support.id);
                            if (e.section) setChosen(e.section.id);
                          }}
                        >
                          {e.support.name}
                        </button>
                      </td>
                      <td className="member-section">
                        <Form.Select
                          size="sm"
                          aria-label={`Section of ${e.support.name}`}
                          value={e.support.section ?? ''}
                          onChange={({ target: { value } }) => {
                            const item = { ...e.support, section: value || null };
                            if (act({ type: 'support.set', item }) || value === '') return;
                            setMember(e.support.id);
                            setChosen(value);
                          }}
                        >
                          <option value="">holds only</option>
                          {boat.sections.map((one) => (
                            <option key={one.id} value={one.id}>
                              {one.name}
                            </option>
                          ))}
                        </Form.Select>
                      </td>
                      <td className="num">{show(e.geometry?.length ?? null, 'length')}</td>
                      <td className="num">{e.section ? show(e.mass, 'mass') : ''}</td>
                      <td className="small">
                        {(e.problem && words(e.problem)) ?? e.governing?.name ?? (
                          <span className="soft">not computed: another member, furniture or edge does the work</span>
                        )}
                      </td>
                      <td className="num">
                        {e.governing && (
                          <Verdict reserveFactor={e.governing.reserveFactor} target={target} words={false} />
                        )}
                      </td>
                    </tr>
                  ))}
                  {evaluations.length === 0 && (
                    <tr>
                      <td colSpan={6} className="soft">
                        No frames, stringers or beams yet: add them under Zones, Supports.
                      </td>
                    </tr>
                  )}
                </tbody>
              </table>
            </Card.Body>
          </Card>
          <p className="small mb-0">
            All stiffeners together {full(mass, 'mass')}; they are in the Weights. Checked against{' '}
            {boat.packs[0]!.title}: {STIFFENER_CHECKED}. Not checked: {STIFFENER_NOT_CHECKED}.
          </p>
        </div>
        <Card className="align-self-start">
          <Card.Body className="d-grid gap-2">
            <h2 className="mb-0">Sections</h2>
            <div className="d-flex gap-1 flex-wrap">
              {boat.sections.map((one) => (
                <Button
                  key={one.id}
                  size="sm"
                  variant={one.id === section?.id ? 'primary' : 'outline-primary'}
                  aria-pressed={one.id === section?.id}
                  onClick={() => {
                    setChosen(one.id);
                    setMember(null);
                  }}
                >
                  {one.name}
                </Button>
              ))}
            </div>
            <div className="d-flex gap-2">
              <Button size="sm" variant="outline-primary" onClick={() => add('topHat')}>
                New top-hat
              </Button>
              <Button size="sm" variant="outline-primary" onClick={() => add('flatBar')}>
                New flat bar
              </Button>
              {section && (
                <Button
                  size="sm"
                  variant="outline-primary"
                  onClick={() => {
                    if (!act({ type: 'section.remove', id: section.id })) setChosen(null);
                  }}
                >
                  Remove
                </Button>
              )}
            </div>
            {section ? (
              <SectionEditor boat={boat} shelf={shelf} section={section} />
            ) : (
              <p className="small mb-0">No section yet: make one, then give it to members.</p>
            )}
          </Card.Body>
        </Card>
      </div>
      <Onward to="check">Check: what holds, what does not?</Onward>
      <WorkingPanel request={working} onClose={() => setWorking(null)} />
    </>
  );
}
