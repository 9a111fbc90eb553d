'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { api, wordsOf } from '../shared/api';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { Moment } from '../shared/Moment';
import { Refusal } from '../shared/Refusal';
import { useWho, type SessionState } from '../shared/who';

/** A tablet of the floor. */
export interface Tablet {
  id: string;
  name: string;
  author: string;
  at: string;
  withdrawnAt: string | null;
}
const KEY = ['tablets'];

/** Tablets on which whoever has a PIN or a badge may change over. */
export function TabletsCard({ initial }: { initial: Tablet[] }) {
  const client = useQueryClient();
  const { tablet, may, setSession } = useWho();
  const [name, setName] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const { data: tablets } = useQuery({
    queryKey: KEY,
    queryFn: () => api<Tablet[]>('GET', '/api/tablets'),
    initialData: initial,
    initialDataUpdatedAt: 0,
  });
  const act = async (work: () => Promise<unknown>) => {
    setRefusal(null);
    try {
      await work();
      await client.invalidateQueries({ queryKey: KEY });
    } catch (error) {
      setRefusal(wordsOf(error));
    }
  };
  const enrol = () =>
    act(async () => {
      setSession(await api<SessionState>('POST', '/api/tablets', { name }));
      setName('');
    });
  const withdraw = (id: string) =>
    act(async () => {
      await api('DELETE', `/api/tablets/${id}`);
      setSession(await api<SessionState>('GET', '/api/session'));
    });
  const columns: DataColumn<Tablet>[] = [
    {
      id: 'name',
      head: 'Tablet',
      by: (one) => one.name,
      cell: (one) => (
        <>
          {one.name} {one.id === tablet?.id && <span className="soft">this one</span>}
        </>
      ),
    },
    { id: 'by', head: 'Enrolled by', by: ({ author }) => author, cell: ({ author }) => author },
    { id: 'at', head: 'On', by: ({ at }) => at, cell: ({ at }) => <Moment iso={at} /> },
    {
      id: 'do',
      head: '',
      cell: (one) =>
        one.withdrawnAt !== null ? (
          <span className="soft">
            withdrawn <Moment iso={one.withdrawnAt} dayOnly />
          </span>
        ) : (
          may('tablets') && (
            <Button
              size="sm"
              variant="outline-primary"
              aria-label={`Withdraw ${one.name}`}
              onClick={() => void withdraw(one.id)}
            >
              Withdraw
            </Button>
          )
        ),
    },
  ];
  return (
    <Card className="mb-3">
      <Card.Body>
        <h2>Tablets of the floor</h2>
        <p className="mb-2">
          Enrol a tablet once, on the tablet itself: whoever has a PIN or a badge changes over on it from then on. One
          that is lost is withdrawn here, and lets nobody in any more.
        </p>
        <Refusal text={refusal} />
        <DataTable
          label="Tablets"
          rows={tablets}
          columns={columns}
          rowId={({ id }) => id}
          empty="No tablet is enrolled yet."
        />
        {may('tablets') && tablet === null && (
          <Form
            className="d-flex gap-2 mt-2"
            onSubmit={(event) => {
              event.preventDefault();
              void enrol();
            }}
          >
            <Form.Control
              className="person-field"
              aria-label="Name of this tablet"
              placeholder="Name, Laminating shop"
              value={name}
              maxLength={40}
              onChange={(event) => setName(event.target.value)}
            />
            <Button type="submit" size="sm" disabled={name.trim().length < 2}>
              Enrol the device I hold
            </Button>
          </Form>
        )}
      </Card.Body>
    </Card>
  );
}
