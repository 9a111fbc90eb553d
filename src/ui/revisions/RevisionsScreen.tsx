'use client';
import { useCallback, useEffect, useState } from 'react';
import type { BoatSummary, ChangeRequest, Revision, VariantStanding } from '@/core/revision';
import { api, wordsOf } from '../shared/api';
import { useBoat } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { Refusal } from '../shared/Refusal';
import { ChangeRequests } from './ChangeRequests';
import { DifferencePanel } from './DifferencePanel';
import { IssueForm } from './IssueForm';
import { RevisionTable } from './RevisionTable';
import { VariantPanel } from './VariantPanel';

/** What was signed, by whom, and what has changed since? */
export function RevisionsScreen({
  initial,
  requests: first,
  boats,
}: {
  initial: Revision[];
  requests: ChangeRequest[];
  boats: BoatSummary[];
}) {
  const { id, save } = useBoat();
  const [revisions, setRevisions] = useState(initial);
  const [requests, setRequests] = useState(first);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [variant, setVariant] = useState<VariantStanding | null>(null);
  const standing = revisions.find(({ state }) => state === 'stands') ?? null;

  useEffect(() => {
    if (save === 'saved')
      api<VariantStanding | null>('GET', `/api/boats/${id}/variant`).then(setVariant, (error) =>
        setTrouble(wordsOf(error)),
      );
  }, [id, save]);
  /** Do it, and say why not where it was refused. */
  const attempt = useCallback(async (work: () => Promise<void>) => {
    setTrouble(null);
    try {
      await work();
      return true;
    } catch (error) {
      setTrouble(wordsOf(error));
      return false;
    }
  }, []);
  const issued = async () => {
    setRevisions(await api<Revision[]>('GET', `/api/boats/${id}/revisions`));
    setRequests(await api<ChangeRequest[]>('GET', `/api/boats/${id}/changes`));
  };

  return (
    <>
      <p className="question">What was signed, by whom, and what has changed since?</p>
      <Refusal text={trouble} onClose={() => setTrouble(null)} />
      <div className="row g-3">
        <div className="col-lg-7">
          <RevisionTable
            revisions={revisions}
            onEvent={(label, kind, author, note) =>
              attempt(async () =>
                setRevisions(
                  await api<Revision[]>('PATCH', `/api/boats/${id}/revisions`, { label, kind, author, note }),
                ),
              )
            }
          />
        </div>
        <div className="col-lg-5">
          <IssueForm
            standing={standing}
            requests={requests}
            onIssue={(baseVersion, author, note) =>
              attempt(async () => {
                await api('POST', `/api/boats/${id}/revisions`, { baseVersion, author, note });
                await issued();
              })
            }
            onAsk={(baseVersion, askedBy, reason) =>
              attempt(async () =>
                setRequests(
                  await api<ChangeRequest[]>('POST', `/api/boats/${id}/changes`, { baseVersion, askedBy, reason }),
                ),
              )
            }
          />
        </div>
      </div>
      {requests.length > 0 && (
        <ChangeRequests
          requests={requests}
          onDecide={(request, approve, decidedBy, decision) =>
            attempt(async () =>
              setRequests(
                await api<ChangeRequest[]>('PATCH', `/api/boats/${id}/changes`, {
                  id: request,
                  approve,
                  decidedBy,
                  decision,
                }),
              ),
            )
          }
        />
      )}
      {variant && (
        <VariantPanel
          variant={variant}
          onLetGo={() =>
            attempt(async () => {
              await api('DELETE', `/api/boats/${id}/variant`);
              setVariant(null);
            })
          }
        />
      )}
      <DifferencePanel revisions={revisions} boats={boats} onTrouble={setTrouble} />
      <Onward to="pack">Pack: what leaves the desk?</Onward>
    </>
  );
}
