'use client';
import { useMemo, useState } from 'react';
import { Alert, Button, Card } from 'react-bootstrap';
import { KeramosError } from '@/core/error';
import {
  evaluateStiffeners,
  sectionProperties,
  STIFFENER_CHECKED,
  STIFFENER_NOT_CHECKED,
  type StiffenerEvaluation,
} from '@/core/evaluate';
import type { Support } from '@/core/geometry';
import type { Material } from '@/core/material';
import type { StiffenerSection } from '@/core/stiffener';
import { useDesign } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { Refusal } from '../shared/Refusal';
import { useEdit } from '../shared/useEdit';
import { useKept } from '../shared/useKept';
import { useTurned } from '../shared/useTurned';
import { useUnits } from '../shared/units';
import { WorkingPanel, type WorkingRequest } from '../shared/WorkingPanel';
import { MembersTable } from './MembersTable';
import { SectionCard } from './SectionCard';
import { bring, SectionEditor } from './SectionEditor';
import { starter } from './starter';

/** Do the supports hold? Every frame, stringer, beam and rib with a section, against what the pack asks of it. */
export function StiffenersScreen({ shelf }: { shelf: Material[] }) {
  const { boat } = useDesign();
  const { full, words } = useUnits();
  const edit = useEdit();
  const [chosen, setChosen] = useKept<string | null>('stiffeners.section', boat.sections[0]?.id ?? null);
  const [member, setMember] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [working, setWorking] = useState<WorkingRequest | null>(null);
  useTurned(({ of, id }) => {
    if (of === 'section') setChosen(id);
    if (of === 'support') setMember(id);
  });
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
  const set = (item: Support) => act({ type: 'support.set', item });
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
            <SectionCard
              boat={boat}
              section={section}
              properties={properties}
              shown={shown}
              onSet={set}
              onWorking={setWorking}
            />
          )}
          {typeof properties === 'string' && <Alert variant="danger">{words(properties)}</Alert>}
          <MembersTable
            boat={boat}
            evaluations={evaluations}
            shown={shown?.support.id ?? null}
            onChoose={(id, of) => {
              setMember(id);
              if (of !== null) setChosen(of);
            }}
            onSet={set}
          />
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
