'use client';
import { Form } from 'react-bootstrap';
import { formFields } from '@/core/field';
import { briefSchema, SINGLE_SKIN_PATHS, type Brief } from '@/core/document';

const SAYS: Record<keyof Brief['proofs'], string> = {
  rule: 'every check of every build standard of the boat',
  match: 'as stiff and as strong in every way as the laminate that the zone must match',
  analysis: 'plate theory with design strengths, every panel; over the factor of the Yard rule where the boat has it',
};

/** Which proofs a zone must hold, and by which path a single skin is proven: the headline is the least of those. */
export function ProofsField({ brief, onSet }: { brief: Brief; onSet: (patch: Partial<Brief>) => void }) {
  const fields = formFields(briefSchema.shape.proofs);
  return (
    <fieldset>
      <legend className="fs-6 mb-1">Proofs that must hold</legend>
      {fields.map(({ key, label }) => (
        <Form.Check
          key={key}
          id={`proof-${key}`}
          label={
            <>
              {label} <span className="small soft">{SAYS[key as keyof Brief['proofs']]}</span>
            </>
          }
          checked={brief.proofs[key as keyof Brief['proofs']]}
          onChange={(event) => onSet({ proofs: { ...brief.proofs, [key]: event.target.checked } })}
        />
      ))}
      <Form.Group controlId="single-skin" className="mt-2">
        <Form.Label className="mb-0">Single skin by</Form.Label>
        <Form.Select
          value={brief.singleSkin}
          onChange={(event) => onSet({ singleSkin: event.target.value as Brief['singleSkin'] })}
        >
          {Object.entries(SINGLE_SKIN_PATHS).map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </Form.Select>
        <Form.Text>
          The flexural law covers glass mat and 0/90 glass alone and asks up to a third more thickness of mat-rich
          skins.
        </Form.Text>
      </Form.Group>
    </fieldset>
  );
}
