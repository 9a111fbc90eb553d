'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import type { Revision } from '@/core/revision';
import { api, wordsOf } from '../shared/api';
import { useBoat } from '../shared/boat';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { Moment } from '../shared/Moment';
import { Refusal } from '../shared/Refusal';
import { useWho } from '../shared/who';

/** A link by which somebody without an account looks at one revision. */
interface ReaderLink {
  id: string;
  label: string;
  reader: string;
  author: string;
  at: string;
  endsAt: string;
  withdrawnAt: string | null;
  seen: number;
}
const DAYS = [7, 30, 90];

/** Whether a link still opens, as the server would say it now. */
function standOf({ withdrawnAt, endsAt }: ReaderLink, now: number) {
  if (withdrawnAt !== null) return 'withdrawn';
  return Date.parse(endsAt) < now ? 'run out' : 'opens';
}

/** Links to one revision for a surveyor or an owner: they run out, and can be withdrawn. */
export function ReaderLinks({ revisions }: { revisions: readonly Revision[] }) {
  const { id } = useBoat();
  const { may } = useWho();
  const client = useQueryClient();
  const [reader, setReader] = useState('');
  const [chosen, setLabel] = useState<string | null>(null);
  const label = chosen ?? revisions.find(({ state }) => state === 'stands')?.label ?? revisions[0]?.label;
  const [days, setDays] = useState(30);
  const [made, setMade] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const key = ['links', id];
  const { data: links, dataUpdatedAt } = useQuery({
    queryKey: key,
    queryFn: () => api<ReaderLink[]>('GET', `/api/boats/${id}/links`),
    initialData: [],
    initialDataUpdatedAt: 0,
  });
  const act = async (work: () => Promise<unknown>) => {
    setRefusal(null);
    try {
      await work();
      await client.invalidateQueries({ queryKey: key });
    } catch (error) {
      setRefusal(wordsOf(error));
    }
  };
  const make = () =>
    act(async () => {
      const { secret } = await api<{ secret: string }>('POST', `/api/boats/${id}/links`, { label, reader, days });
      setMade(`${window.location.origin}/read/${secret}`);
      setReader('');
    });
  const withdraw = (link: string) =>
    act(async () => {
      await api('DELETE', `/api/boats/${id}/links/${link}`);
      setMade(null);
    });
  const columns: DataColumn<ReaderLink>[] = [
    { id: 'reader', head: 'For', by: (link) => link.reader, cell: (link) => link.reader },
    { id: 'label', head: 'Revision', by: (link) => link.label, cell: (link) => link.label },
    { id: 'by', head: 'Given by', by: ({ author }) => author, cell: ({ author }) => author || '–' },
    { id: 'ends', head: 'Until', by: ({ endsAt }) => endsAt, cell: ({ endsAt }) => <Moment iso={endsAt} dayOnly /> },
    { id: 'seen', head: 'Opened', className: 'num', numeric: true, by: ({ seen }) => seen, cell: ({ seen }) => seen },
    {
      id: 'state',
      head: 'State',
      cell: (link) => {
        const stand = standOf(link, dataUpdatedAt);
        if (stand !== 'opens') return <span className="soft">{stand}</span>;
        return (
          may('issue') && (
            <Button
              size="sm"
              variant="outline-primary"
              aria-label={`Withdraw the link of ${link.reader}`}
              onClick={() => void withdraw(link.id)}
            >
              Withdraw
            </Button>
          )
        );
      },
    },
  ];
  if (revisions.length === 0) return null;
  return (
    <Card className="mt-3 no-print">
      <Card.Body>
        <h2>Links for a reader</h2>
        <p className="mb-2">
          A surveyor or owner without an account sees one revision, with its print, and nothing else of the yard.
          Whoever holds the link may look: send it to one person.
        </p>
        <Refusal text={refusal} />
        {made !== null && (
          <p role="status">
            The link, shown this once: <code className="user-select-all">{made}</code>
          </p>
        )}
        {may('issue') && (
          <Form
            className="d-flex flex-wrap gap-2 mb-2"
            onSubmit={(event) => {
              event.preventDefault();
              void make();
            }}
          >
            <Form.Control
              className="person-field"
              aria-label="For whom"
              placeholder="For whom"
              maxLength={60}
              value={reader}
              onChange={(event) => setReader(event.target.value)}
            />
            <Form.Select
              className="w-auto"
              aria-label="Revision the link opens"
              value={label}
              onChange={(event) => setLabel(event.target.value)}
            >
              {revisions.map((revision) => (
                <option key={revision.label} value={revision.label}>
                  Revision {revision.label}
                </option>
              ))}
            </Form.Select>
            <Form.Select
              className="w-auto"
              aria-label="Days the link opens for"
              value={days}
              onChange={(event) => setDays(Number(event.target.value))}
            >
              {DAYS.map((count) => (
                <option key={count} value={count}>
                  {count} days
                </option>
              ))}
            </Form.Select>
            <Button type="submit" size="sm" disabled={reader.trim().length < 2}>
              Make a link
            </Button>
          </Form>
        )}
        {links.length > 0 && (
          <DataTable label="Links" rows={links} columns={columns} rowId={(link) => link.id} empty="" />
        )}
      </Card.Body>
    </Card>
  );
}
