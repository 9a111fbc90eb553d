'use client';
import { Button, Card } from 'react-bootstrap';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { Moment } from '../shared/Moment';
import { megabytes } from './megabytes';
import type { Backup } from './SafekeepingScreen';

const COLUMNS: DataColumn<Backup>[] = [
  { id: 'name', head: 'Archive', by: ({ name }) => name, cell: ({ name }) => name },
  { id: 'at', head: 'Made', by: ({ at }) => at, cell: ({ at }) => <Moment iso={at} /> },
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
    cell: ({ name }) => (
      <a
        className="btn btn-sm btn-outline-primary"
        download
        href={`/api/safekeeping/${name}`}
        aria-label={`Save ${name} to this computer`}
      >
        Save to this computer
      </a>
    ),
  },
];

/** What is put away for good: everything of a year, readable without this application. */
export function ArchivesCard({ archives, busy, onMake }: { archives: Backup[]; busy: boolean; onMake: () => void }) {
  return (
    <Card className="mt-3">
      <Card.Body>
        <h2>Archives</h2>
        <p className="mb-2">
          At each new year everything of the one before is put into one file that can be read without Keramos: the
          database, every boat as a document, every issued revision with its print. Archives are never taken away.
        </p>
        <Button size="sm" className="mb-2" disabled={busy} onClick={onMake}>
          Archive today’s state
        </Button>
        <DataTable
          label="Archives"
          rows={archives}
          columns={COLUMNS}
          rowId={({ name }) => name}
          empty="No archive yet. The first is made at the new year."
        />
      </Card.Body>
    </Card>
  );
}
