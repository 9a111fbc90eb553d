'use client';
import { useMutation } from '@tanstack/react-query';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { Alert, Button } from 'react-bootstrap';
import { api, wordsOf } from '../shared/api';
import { Frame } from '../shared/Frame';
import { Moment } from '../shared/Moment';
import { Refusal } from '../shared/Refusal';
import { Said } from '../shared/Said';

export interface RepairViewProps {
  boatId: string;
  name: string;
  version: number;
  /** What is wrong, and with which field. */
  problem: string;
  path: string;
  /** The same in words. */
  place: string;
  /** The last state that reads; null where none does. */
  good: { from: string; at: string } | null;
}

/** A boat that does not read: what is wrong, all that is stored, and its last state that reads. */
export function RepairView({ boatId, name, version, problem, path, place, good }: RepairViewProps) {
  const router = useRouter();
  const rescue = useMutation({
    mutationFn: () => api<{ id: string }>('POST', `/api/boats/${boatId}/repair`),
    onSuccess: ({ id }) => router.push(`/boats/${id}/brief`),
  });
  return (
    <Frame head={<span className="fw-semibold">{name}</span>}>
      <p className="question">What is wrong with this boat, and what can be saved of it?</p>
      <Alert variant="danger">
        <p className="fw-semibold mb-1">✕ What is stored of this boat does not read</p>
        <p className="mb-0">
          <Said text={problem} />
        </p>
        {(place || path) && <p className="small mb-0">In: {place || path}</p>}
      </Alert>
      <p>
        Nothing was thrown away: it stands at version {version}, with its history and its revisions. Other boats are not
        touched.
      </p>
      <Refusal text={rescue.error ? wordsOf(rescue.error) : null} />
      <div className="d-flex flex-wrap gap-2 align-items-center">
        {good ? (
          <Button disabled={rescue.isPending} onClick={() => rescue.mutate()}>
            Open it as it was {good.from}
          </Button>
        ) : (
          <span className="verdict fails text-wrap">
            ✕ No earlier state of it reads either; a copy under <Link href="/safekeeping">Safekeeping</Link> may hold it
          </span>
        )}
        <a className="btn btn-outline-primary" download href={`/api/boats/${boatId}/repair?stored`}>
          Save all that is stored
        </a>
      </div>
      {good && (
        <p className="small soft mt-2">
          That state is of <Moment iso={good.at} />. It opens as a boat of its own; this one stays as it is, until you
          archive it.
        </p>
      )}
    </Frame>
  );
}
