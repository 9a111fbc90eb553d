'use client';
import { Card } from 'react-bootstrap';
import type { ChangeRequest, Revision } from '@/core/revision';
import { useBoat } from '../shared/boat';
import { useDraft } from '../shared/useDraft';
import { SignedForm, type Signed } from '../shared/SignedForm';
import { useOpenPoints } from '../shared/useLater';
import { OpenPoints } from './OpenPoints';

export interface IssueFormProps {
  standing: Revision | null;
  requests: readonly ChangeRequest[];
  onIssue: (baseVersion: number, signed: Signed, answer: string) => Promise<boolean>;
  onAsk: (baseVersion: number, signed: Signed) => Promise<boolean>;
}

/** Issue the draft, or ask for the change that it is to the revision that stands. */
export function IssueForm({ standing, requests, onIssue, onAsk }: IssueFormProps) {
  const { boat, version, save, archived } = useBoat();
  const [given, setGiven] = useDraft('answer to what is open');
  const points = useOpenPoints(boat);
  const own = requests.filter((request) => request.against === standing?.label && request.version === version);
  const approved = own.some(({ state }) => state === 'approved');
  const open = own.some(({ state }) => state === 'open');
  const asks = standing !== null && !approved;
  const act = asks
    ? { name: 'Ask for this change', run: (signed: Signed) => onAsk(version, signed) }
    : { name: 'Issue next revision', run: (signed: Signed) => onIssue(version, signed, given ?? '') };
  return (
    <Card>
      <Card.Body>
        <h2>{asks ? `Ask for a change to revision ${standing.label}` : 'Issue the draft'}</h2>
        {!asks && points !== null && points.length > 0 && (
          <OpenPoints points={points} given={given ?? ''} onGiven={setGiven} />
        )}
        <SignedForm
          key={String(asks)}
          labels={asks ? { by: 'Asked by', why: 'Reason for the change' } : { by: 'Issued by', why: 'What it is for' }}
          acts={[act]}
          disabled={save !== 'saved' || archived || (asks && open)}
        >
          {save !== 'saved' && <span className="form-text">Wait until the draft is saved.</span>}
          {asks && open && (
            <span className="form-text">This draft is asked for already: somebody else decides below.</span>
          )}
        </SignedForm>
        <p className="form-text mb-0 mt-2">
          {asks
            ? `Revision ${standing.label} stands. The draft becomes the next revision when somebody ` +
              'else has approved the change; approval holds for the draft as it is now and for no ' +
              'other.'
            : 'An issued revision keeps its results and its print, and cannot be ' +
              'changed or removed; editing goes on in the draft.'}
        </p>
      </Card.Body>
    </Card>
  );
}
