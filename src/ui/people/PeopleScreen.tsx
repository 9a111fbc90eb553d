'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Alert, Badge, Button, Card } from 'react-bootstrap';
import { ROLE_NAMES, type Person } from '@/core/people';
import { api } from '../shared/api';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { Frame } from '../shared/Frame';
import { Moment } from '../shared/Moment';
import { useWho, type SessionState } from '../shared/who';
import { NewPersonForm } from './NewPersonForm';
import { PersonCard } from './PersonCard';
import { TabletsCard, type Tablet } from './TabletsCard';

const KEY = ['people'];

/** Who works here, as what, and on which tablets. */
export function PeopleScreen({ initial }: { initial: { people: Person[]; tablets: Tablet[] } }) {
  const { accounts, setSession } = useWho();
  return (
    <Frame head={<h1>People</h1>}>
      <p className="question">Who works here, as what, and who signed in where?</p>
      {accounts ? (
        <Accounts initial={initial} />
      ) : (
        <Card className="narrow">
          <Card.Body>
            <h2>The first account</h2>
            <p>
              There are no accounts yet: whoever sits at this machine may do everything, and nobody else is let in. With
              the first account everybody has to sign in, the tablets of the floor can be enrolled, and the server may
              answer on the yard’s network.
            </p>
            <NewPersonForm
              first
              onMake={async (person) => setSession(await api<SessionState>('POST', '/api/people', person))}
            />
          </Card.Body>
        </Card>
      )}
    </Frame>
  );
}

function Accounts({ initial }: { initial: { people: Person[]; tablets: Tablet[] } }) {
  const client = useQueryClient();
  const { who, may } = useWho();
  const [chosen, setChosen] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const { data: people } = useQuery({
    queryKey: KEY,
    queryFn: () => api<Person[]>('GET', '/api/people'),
    initialData: initial.people,
    initialDataUpdatedAt: 0,
  });
  const again = () => client.invalidateQueries({ queryKey: KEY });
  const person = people.find(({ id }) => id === chosen);
  const columns: DataColumn<Person>[] = [
    {
      id: 'name',
      head: 'Name',
      by: ({ name }) => name,
      cell: ({ name, id, left }) => (
        <>
          {name} {id === who?.id && <Badge bg="secondary">you</Badge>} {left && <span className="soft">left</span>}
        </>
      ),
    },
    { id: 'login', head: 'Signs in as', by: ({ login }) => login, cell: ({ login }) => login },
    {
      id: 'roles',
      head: 'Roles',
      by: ({ roles }) => roles.join(),
      cell: ({ roles }) => roles.map((role) => ROLE_NAMES[role]).join(', '),
    },
    {
      id: 'tablet',
      head: 'On a tablet',
      cell: ({ hasPin, hasBadge }) => [hasPin && 'PIN', hasBadge && 'badge'].filter(Boolean).join(', ') || '–',
    },
    {
      id: 'seen',
      head: 'Last signed in',
      by: ({ seenAt }) => seenAt ?? '',
      cell: ({ seenAt }) => (seenAt === null ? 'never' : <Moment iso={seenAt} />),
    },
    {
      id: 'do',
      head: '',
      cell: ({ id, name }) =>
        (may('people') || id === who?.id) && (
          <Button
            size="sm"
            variant="outline-primary"
            aria-label={`Open the account of ${name}`}
            aria-pressed={id === chosen}
            onClick={() => setChosen(id === chosen ? null : id)}
          >
            Open
          </Button>
        ),
    },
  ];
  return (
    <>
      {said !== null && (
        <Alert variant="success" className="py-2" role="status" dismissible onClose={() => setSaid(null)}>
          {said}
        </Alert>
      )}
      <Card className="mb-3">
        <Card.Body>
          <DataTable label="People" rows={people} columns={columns} rowId={({ id }) => id} empty="Nobody yet." />
          {may('people') && !adding && (
            <Button size="sm" className="mt-2" onClick={() => setAdding(true)}>
              Add somebody
            </Button>
          )}
        </Card.Body>
      </Card>
      {adding && (
        <Card className="mb-3 narrow">
          <Card.Body>
            <h2>Somebody new</h2>
            <NewPersonForm
              onMake={async (typed) => {
                await api('POST', '/api/people', typed);
                setSaid(`${typed.name} can sign in from now on.`);
                setAdding(false);
                await again();
              }}
            />
          </Card.Body>
        </Card>
      )}
      {person && (
        <PersonCard
          key={person.id}
          person={person}
          onDone={async (words) => {
            setSaid(words);
            await again();
          }}
        />
      )}
      <TabletsCard initial={initial.tablets} />
    </>
  );
}
