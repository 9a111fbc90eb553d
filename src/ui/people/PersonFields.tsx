'use client';
import { Form } from 'react-bootstrap';
import { ALL_ROLES, ROLES, type Role } from '@/core/people';

/** What a person is there for; several may be ticked. */
export function RoleBoxes({
  roles,
  refusal,
  onSet,
}: {
  roles: readonly Role[];
  refusal?: string | undefined;
  onSet: (roles: Role[]) => void;
}) {
  return (
    <fieldset>
      <legend className="fs-6 mb-0">Roles</legend>
      {ALL_ROLES.map((role) => (
        <Form.Check
          key={role}
          id={`role-${role}`}
          label={ROLES[role]}
          checked={roles.includes(role)}
          onChange={(event) => onSet(event.target.checked ? [...roles, role] : roles.filter((one) => one !== role))}
        />
      ))}
      {refusal && <div className="invalid-feedback d-block">{refusal}</div>}
    </fieldset>
  );
}
