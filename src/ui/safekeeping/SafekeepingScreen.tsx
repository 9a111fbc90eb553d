'use client';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Alert, Button, Card } from 'react-bootstrap';
import { api, readFile, wordsOf } from '../shared/api';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { FileButton } from '../shared/FileButton';
import { Frame } from '../shared/Frame';
import { Moment } from '../shared/Moment';
import { Refusal } from '../shared/Refusal';
import { useWho } from '../shared/who';
import { ArchivesCard } from './ArchivesCard';
import { HappeningsCard, type Happening } from './HappeningsCard';
import { megabytes } from './megabytes';
import { SecondPlaceCard, type SecondPlace } from './SecondPlaceCard';

/** A kept copy of the database, or an archive. */
export interface Backup {
  name: string;
  bytes: number;
  at: string;
}
/** What is kept, where else, and who did what to it. */
export interface Safekeeping {
  backups: Backup[];
  archives: Backup[];
  place: SecondPlace;
  happenings: Happening[];
}
interface Restored {
  boats: number;
  revisions: number;
  aside: string | null;
}

const WHY: Readonly<Record<string, string>> = {
  daily: 'Copy of the day',
  asked: 'Backed up by hand',
  received: 'Brought from elsewhere',
  'put-aside': 'Stood here before a restore',
};
const whyOf = (name: string) => WHY[Object.keys(WHY).find((key) => name.endsWith(`-${key}.db`)) ?? ''] ?? 'Copy';

const KEY = ['safekeeping'];
/** As a new page: what stood on it was of another database. */
const BOATS = '/';

/** Copies of everything the yard has here: made, carried away, brought back. */
export function SafekeepingScreen({
  initial,
  folder,
  trouble,
}: {
  initial: Safekeeping;
  folder: string;
  /** Why the database cannot be used; null when it can. */
  trouble: string | null;
}) {
  const client = useQueryClient();
  const [said, setSaid] = useState<string | null>(null);
  const { may } = useWho();
  const mine = may('keep');
  const { data: kept } = useQuery({
    queryKey: KEY,
    queryFn: () => api<Safekeeping>('GET', '/api/safekeeping'),
    initialData: initial,
    enabled: mine,
  });
  const again = () => client.invalidateQueries({ queryKey: KEY });
  const make = useMutation({
    mutationFn: () => api<Backup>('POST', '/api/safekeeping'),
    onSuccess: ({ name }) => {
      setSaid(`Kept as ${name}.`);
      return again();
    },
  });
  const receive = useMutation({
    mutationFn: (file: File) =>
      readFile<Backup & { boats: number }>('/api/safekeeping', new File([file], file.name, { type: OCTETS })),
    onSuccess: ({ name, boats }) => {
      setSaid(`Checked and kept as ${name}: ${boats} boats. It is not in use until you restore it.`);
      return again();
    },
  });
  const restore = useMutation({
    mutationFn: (name: string) => api<Restored>('POST', '/api/safekeeping/restore', { name }),
    onSuccess: ({ boats, revisions, aside }) => {
      setSaid(
        `Restored: ${boats} boats, ${revisions} revisions. ` +
          (aside ? 'What stood here before is kept in the list: restore it to go back.' : 'Nothing stood here before.'),
      );
      return again();
    },
  });
  const archive = useMutation({
    mutationFn: () => api<Safekeeping>('POST', '/api/safekeeping/archive'),
    onSuccess: () => {
      setSaid('Everything as it stands today is in one file.');
      return again();
    },
  });
  const busy = make.isPending || receive.isPending || restore.isPending || archive.isPending;
  const refusal = make.error ?? receive.error ?? restore.error ?? archive.error;
  const columns: DataColumn<Backup>[] = [
    { id: 'at', head: 'When', by: ({ at }) => at, cell: ({ at }) => <Moment iso={at} /> },
    { id: 'why', head: 'Why', by: ({ name }) => whyOf(name), cell: ({ name }) => whyOf(name) },
    {
      id: 'size',
      head: 'Size',
      className: 'num',
      numeric: true,
      by: ({ bytes }) => bytes,
      cell: ({ bytes }) => megabytes(bytes),
    },
    {
      id: 'do',
      head: '',
      cell: ({ name, at }) => (
        <>
          <a
            className="btn btn-sm btn-outline-primary"
            download
            href={`/api/safekeeping/${name}`}
            aria-label={`Save the copy of ${at} to this computer`}
          >
            Save to this computer
          </a>{' '}
          <Button
            size="sm"
            variant="outline-primary"
            disabled={busy}
            aria-label={`Restore the copy of ${at}`}
            onClick={() => restore.mutate(name)}
          >
            Restore
          </Button>
        </>
      ),
    },
  ];
  return (
    <Frame head={<h1>Safekeeping</h1>}>
      <p className="question">What is kept if this machine fails, and how does it come back?</p>
      {trouble !== null && (
        <Alert variant="danger">
          <p className="fw-semibold mb-1">✕ The database cannot be used</p>
          <p className="mb-0">{trouble}</p>
        </Alert>
      )}
      <Refusal text={refusal ? wordsOf(refusal) : null} />
      {said !== null && !refusal && (
        <Alert variant="success" className="py-2" role="status">
          {said} {restore.isSuccess && <a href={BOATS}>To the boats</a>}
        </Alert>
      )}
      {!mine && (
        <Alert variant="light" className="border">
          Copies hold everything the yard has. Whoever keeps the accounts keeps them too: ask the yard manager.
        </Alert>
      )}
      <Card>
        <Card.Body>
          <div className="d-flex flex-wrap gap-2 mb-2">
            {trouble === null && (
              <Button size="sm" disabled={busy || !mine} onClick={() => make.mutate()}>
                Back up now
              </Button>
            )}
            <FileButton
              label="A copy from another machine"
              accept=".db"
              disabled={busy || !mine}
              onFile={(file) => receive.mutate(file)}
            >
              Bring a copy from elsewhere
            </FileButton>
          </div>
          <DataTable
            label="Copies"
            rows={kept.backups}
            columns={columns}
            rowId={({ name }) => name}
            empty="No copy yet. The first is made a minute after the start."
          />
        </Card.Body>
      </Card>
      {mine && trouble === null && (
        <>
          <SecondPlaceCard place={kept.place} onDone={again} />
          <ArchivesCard archives={kept.archives} busy={busy} onMake={() => archive.mutate()} />
        </>
      )}
      {mine && <HappeningsCard happenings={kept.happenings} />}
      <p className="small soft mt-2">
        A copy is made every day and checked as it is made; fourteen days and the first of each of twelve months are
        kept, and those you asked for until you take them away. They are in {folder}/backups: on the same disk. Carry
        one to another place now and then. Before a copy is restored its pages, its version and every boat in it are
        looked at, and what stands here is put aside.
      </p>
    </Frame>
  );
}

const OCTETS = 'application/octet-stream';
