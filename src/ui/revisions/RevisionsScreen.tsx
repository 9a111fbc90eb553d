'use client';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { BoatSummary, ChangeRequest, Revision, RevisionEvent, VariantStanding } from '@/core/revision';
import { api, wordsOf } from '../shared/api';
import { useBoat } from '../shared/boat';
import { Onward } from '../shared/Onward';
import { Refusal } from '../shared/Refusal';
import type { Signed } from '../shared/SignedForm';
import { ChangeRequests } from './ChangeRequests';
import { DifferencePanel } from './DifferencePanel';
import { HistoryPanel } from './HistoryPanel';
import { IssueForm } from './IssueForm';
import { ReaderLinks } from './ReaderLinks';
import { RevisionTable } from './RevisionTable';
import { VariantPanel } from './VariantPanel';

export interface RevisionsScreenProps {
  initial: Revision[];
  requests: ChangeRequest[];
  boats: BoatSummary[];
}

/** Everything that is recorded about the revisions of a boat, and the acts that add to it. */
function useRevisions({ initial, requests }: Pick<RevisionsScreenProps, 'initial' | 'requests'>) {
  const { id, save } = useBoat();
  const client = useQueryClient();
  const [trouble, setTrouble] = useState<string | null>(null);
  const base = `/api/boats/${id}`;
  const fetched = <T,>(what: string, path: string, initialData?: T) => ({
    queryKey: ['boat', id, what],
    queryFn: () => api<T>('GET', `${base}/${path}`),
    ...(initialData === undefined ? {} : { initialData }),
  });
  const revisions = useQuery(fetched<Revision[]>('revisions', 'revisions', initial));
  const asked = useQuery(fetched<ChangeRequest[]>('changes', 'changes', requests));
  const variant = useQuery({
    ...fetched<VariantStanding | null>('variant', 'variant'),
    enabled: save === 'saved',
  });
  const act = useMutation({
    mutationFn: ({ method, path, body }: { method: 'POST' | 'PATCH' | 'DELETE'; path: string; body?: unknown }) =>
      api(method, `${base}/${path}`, body),
    onMutate: () => setTrouble(null),
    onError: (error) => setTrouble(wordsOf(error)),
    onSuccess: () => client.invalidateQueries({ queryKey: ['boat', id] }),
  });
  /** Whether it was taken; why not is told. */
  const run = (method: 'POST' | 'PATCH' | 'DELETE', path: string, body?: unknown): Promise<boolean> =>
    act.mutateAsync({ method, path, body }).then(
      () => true,
      () => false,
    );
  return {
    revisions: revisions.data ?? [],
    requests: asked.data ?? [],
    variant: variant.data ?? null,
    trouble: trouble ?? (variant.error ? wordsOf(variant.error) : null),
    setTrouble,
    issue: (baseVersion: number, { by, why }: Signed, given: string) =>
      run('POST', 'revisions', { baseVersion, author: by, note: why, answer: given }),
    ask: (baseVersion: number, { by, why }: Signed) =>
      run('POST', 'changes', { baseVersion, askedBy: by, reason: why }),
    record: (label: string, kind: RevisionEvent['kind'], { by, why }: Signed) =>
      run('PATCH', 'revisions', { label, kind, author: by, note: why }),
    decide: (request: string, approve: boolean, { by, why }: Signed) =>
      run('PATCH', 'changes', { id: request, approve, decidedBy: by, decision: why }),
    letGo: () => run('DELETE', 'variant'),
  };
}

/** What was signed, by whom, and what has changed since? */
export function RevisionsScreen({ boats, ...first }: RevisionsScreenProps) {
  const { revisions, requests, variant, trouble, setTrouble, ...acts } = useRevisions(first);
  const standing = revisions.find(({ state }) => state === 'stands') ?? null;
  return (
    <>
      <p className="question">What was signed, by whom, and what has changed since?</p>
      <Refusal text={trouble} onClose={() => setTrouble(null)} />
      <div className="row g-3">
        <div className="col-lg-7">
          <RevisionTable revisions={revisions} onEvent={acts.record} />
        </div>
        <div className="col-lg-5">
          <IssueForm standing={standing} requests={requests} onIssue={acts.issue} onAsk={acts.ask} />
        </div>
      </div>
      {requests.length > 0 && <ChangeRequests requests={requests} onDecide={acts.decide} />}
      {variant && <VariantPanel variant={variant} onLetGo={acts.letGo} />}
      <DifferencePanel revisions={revisions} boats={boats} onTrouble={setTrouble} />
      <ReaderLinks revisions={revisions} />
      <HistoryPanel />
      <Onward to="pack">Pack: what leaves the desk?</Onward>
    </>
  );
}
