'use client';
import { Card } from 'react-bootstrap';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { Moment } from '../shared/Moment';

/** What was done to accounts and copies, by whom. */
export interface Happening {
  at: string;
  who: string;
  what: string;
}
const COLUMNS: DataColumn<Happening>[] = [
  { id: 'at', head: 'When', by: ({ at }) => at, cell: ({ at }) => <Moment iso={at} /> },
  { id: 'who', head: 'Who', by: ({ who }) => who, cell: ({ who }) => who },
  { id: 'what', head: 'What', by: ({ what }) => what, cell: ({ what }) => what },
];

/** Who did what to accounts and copies; a restore does not undo it. */
export function HappeningsCard({ happenings }: { happenings: Happening[] }) {
  return (
    <Card className="mt-3">
      <Card.Body>
        <h2>Who did what</h2>
        <DataTable
          label="Who did what to accounts and copies"
          rows={happenings}
          columns={COLUMNS}
          rowId={({ at, what }) => `${at} ${what}`}
          empty="Nothing yet."
        />
      </Card.Body>
    </Card>
  );
}
