'use client';
import { Card, Form } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { targetOf, type StiffenerEvaluation } from '@/core/evaluate';
import type { Support } from '@/core/geometry';
import { Term } from '../help/Term';
import { useUnits } from '../shared/units';
import { Verdict } from '../shared/Verdict';

/** Every member of the boat: its section, what governs it, and the way to look at it. */
export function MembersTable({
  boat,
  evaluations,
  shown,
  onChoose,
  onSet,
}: {
  boat: Boat;
  evaluations: readonly StiffenerEvaluation[];
  /** The member that is looked at. */
  shown: string | null;
  /** Looks at a member, and at its section where it has one. */
  onChoose: (member: string, section: string | null) => void;
  onSet: (support: Support) => string | undefined;
}) {
  const { show, unit, words } = useUnits();
  const target = targetOf(boat);
  return (
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
              <tr key={e.support.id} className={e.support.id === shown ? 'chosen-row' : ''}>
                <td>
                  <button
                    type="button"
                    className="reason-button"
                    onClick={() => onChoose(e.support.id, e.section?.id ?? null)}
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
                      const refused = onSet({ ...e.support, section: value || null });
                      // What is looked at goes along with the member that is changed.
                      if (!refused && value !== '') onChoose(e.support.id, value);
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
                  {e.governing && <Verdict reserveFactor={e.governing.reserveFactor} target={target} words={false} />}
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
  );
}
