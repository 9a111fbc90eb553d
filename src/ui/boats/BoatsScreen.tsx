'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Alert, Badge, Button, Card, Form } from 'react-bootstrap';
import type { BoatSummary } from '@/core/revision';
import { api, wordsOf } from '../shared/api';
import { DataTable, type DataColumn } from '../shared/DataTable';
import { Moment } from '../shared/Moment';
import { Frame } from '../shared/Frame';
import { UnitsSwitch, useUnits } from '../shared/units';
import { Refusal } from '../shared/Refusal';
import { FileButton } from '../shared/FileButton';
import { MassCell, StandingCell } from './StandingCell';
import { Thumb } from './Thumb';
import { failuresOf, useStandings, type KnownStanding } from './useStandings';

/** A boat taken in, and the fields of its document that were left out. */
interface Imported {
  id: string;
  leftOut: string[];
}

/** So few boats that their profiles may be drawn large. */
const ROOMY = 8;
const FILTERS = {
  all: 'All boats',
  fails: 'Something fails',
  over: 'Over their weight',
  floor: 'On the floor',
  draft: 'Never issued',
  variant: 'Variants',
} as const;
type Filter = keyof typeof FILTERS;

const outlineOf = (standing: KnownStanding | undefined) => (typeof standing === 'object' ? standing.outline : null);
const massOf = (standing: KnownStanding | undefined) => (typeof standing === 'object' ? standing.mass : null);
/** One that does not read stands with the worst. */
function failureCount(standing: KnownStanding | undefined): number | null {
  if (typeof standing === 'object') return failuresOf(standing);
  return standing === 'unread' ? 1e6 : null;
}
const PASSES: Readonly<Record<Filter, (boat: BoatSummary, standing: KnownStanding | undefined) => boolean>> = {
  all: () => true,
  fails: (_, standing) => (failureCount(standing) ?? 0) > 0,
  over: (_, standing) => typeof standing === 'object' && standing.mass > standing.weightTarget,
  floor: ({ onFloor }) => onFloor !== null,
  draft: ({ revision }) => revision === null,
  variant: ({ variantOf }) => variantOf !== null,
};

/** Which boat? List, create, duplicate as a variant, archive, import. */
export function BoatsScreen({ boats }: { boats: BoatSummary[] }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [showArchived, setShowArchived] = useState(false);
  const [imported, setImported] = useState<Imported | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [find, setFind] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const { unit } = useUnits();
  const listed = boats.filter((boat) => showArchived || !boat.archived);
  const standings = useStandings(listed);
  const shown = listed.filter((boat) => PASSES[filter](boat, standings.get(boat.id)));

  const run = async (work: () => Promise<void>) => {
    setBusy(true);
    setTrouble(null);
    try {
      await work();
    } catch (error) {
      setTrouble(wordsOf(error));
    } finally {
      setBusy(false);
    }
  };
  const create = () =>
    run(async () => {
      const { id } = await api<{ id: string }>('POST', '/api/boats', { name });
      router.push(`/boats/${id}/brief`);
    });
  const duplicate = (boat: BoatSummary) =>
    run(async () => {
      const { id } = await api<{ id: string }>('POST', '/api/boats', {
        name: `${boat.name}, variant`.slice(0, 80),
        variantOf: boat.id,
      });
      router.push(`/boats/${id}/brief`);
    });
  const archive = (boat: BoatSummary) =>
    run(async () => {
      await api('PATCH', `/api/boats/${boat.id}`, { archived: !boat.archived });
      router.refresh();
    });
  const importFile = (chosen: File | undefined) =>
    chosen &&
    run(async () => {
      if (chosen.size > 5 * 1024 * 1024) throw new Error(`${chosen.name} is larger than the 5 MB allowed.`);
      const { id, leftOut } = await api<Imported>('POST', '/api/boats/import', await chosen.text());
      if (leftOut.length === 0) return router.push(`/boats/${id}/layup`);
      setImported({ id, leftOut });
      router.refresh();
    });

  const doubles = new Set(boats.map(({ name }) => name).filter((one, i, all) => all.indexOf(one) !== i));
  const columns: DataColumn<BoatSummary>[] = [
    {
      id: 'profile',
      head: <span className="visually-hidden">Profile</span>,
      cell: ({ id }) => <Thumb outline={outlineOf(standings.get(id))} />,
    },
    {
      id: 'name',
      head: 'Boat',
      by: ({ name }) => name,
      cell: (boat) => (
        <div className="boat-name">
          <Link prefetch={false} href={`/boats/${boat.id}/layup`} className="fw-semibold">
            {boat.name}
          </Link>{' '}
          {boat.archived && <Badge bg="secondary">archived</Badge>}
          <div className="small soft">
            {boat.variantOf && (
              <>
                variant of{' '}
                <Link prefetch={false} href={`/boats/${boat.variantOf.id}/layup`}>
                  {boat.variantOf.name}
                </Link>
                ,{' '}
              </>
            )}
            {boat.parts} {boat.parts === 1 ? 'part' : 'parts'}, {boat.layers} {boat.layers === 1 ? 'layer' : 'layers'}
            {doubles.has(boat.name) && (
              <>
                , begun <Moment iso={boat.createdAt} />
              </>
            )}
          </div>
        </div>
      ),
    },
    {
      id: 'stands',
      head: 'Stands',
      by: ({ id }) => failureCount(standings.get(id)),
      cell: ({ id }) => <StandingCell standing={standings.get(id) ?? 'waiting'} />,
    },
    {
      id: 'mass',
      head: (
        <>
          Laminate <span className="unit">{unit('mass')}</span>
        </>
      ),
      numeric: true,
      by: ({ id }) => massOf(standings.get(id)),
      cell: ({ id }) => <MassCell standing={standings.get(id) ?? 'waiting'} />,
    },
    {
      id: 'issued',
      head: 'Issued',
      by: ({ revision }) => revision ?? '',
      cell: (boat) => (
        <>
          {boat.revision ? `Revision ${boat.revision}` : 'draft only'}
          {boat.onFloor && <div className="small">on the floor: {boat.onFloor}</div>}
        </>
      ),
    },
    {
      id: 'changed',
      head: 'Last change',
      className: 'd-none d-lg-table-cell',
      headClass: 'd-none d-lg-table-cell',
      by: ({ updatedAt }) => updatedAt,
      cell: (boat) => (
        <>
          <Moment iso={boat.updatedAt} dayOnly />
        </>
      ),
    },
    {
      id: 'acts',
      head: <span className="visually-hidden">Actions</span>,
      numeric: true,
      cell: (boat) => (
        <div className="d-flex flex-wrap gap-1 justify-content-end">
          <Button
            size="sm"
            variant="outline-primary"
            disabled={busy}
            onClick={() => void duplicate(boat)}
            aria-label={`Duplicate ${boat.name} as a variant`}
          >
            Duplicate as variant
          </Button>
          <Button
            size="sm"
            variant="outline-primary"
            disabled={busy}
            onClick={() => void archive(boat)}
            aria-label={`${boat.archived ? 'Bring back' : 'Archive'} ${boat.name}`}
          >
            {boat.archived ? 'Bring back' : 'Archive'}
          </Button>
        </div>
      ),
    },
  ];
  return (
    <Frame
      head={
        <>
          <h1>Boats</h1>
          <span className="spacer" />
          <Link prefetch={false} className="btn btn-sm btn-primary me-2" href="/new">
            New boat
          </Link>
          <UnitsSwitch />
        </>
      }
    >
      <Refusal text={trouble} onClose={() => setTrouble(null)} />
      {imported && (
        <Alert variant="warning" className="py-2" dismissible onClose={() => setImported(null)}>
          △ <Link href={`/boats/${imported.id}/layup`}>The boat was imported</Link>, but for what no boat here has:{' '}
          {imported.leftOut.slice(0, 8).join(', ')}
          {imported.leftOut.length > 8 && ` and ${imported.leftOut.length - 8} more`}. It was left out.
        </Alert>
      )}
      <Card className={listed.length <= ROOMY ? 'roomy' : ''}>
        <Card.Body>
          <div className="d-flex flex-wrap gap-2 mb-2">
            <Form.Select
              size="sm"
              className="w-auto"
              aria-label="Which boats are shown"
              value={filter}
              onChange={(event) => setFilter(event.target.value as Filter)}
            >
              {Object.entries(FILTERS).map(([key, words]) => (
                <option key={key} value={key}>
                  {words}
                </option>
              ))}
            </Form.Select>
            {boats.length > 5 && (
              <Form.Control
                size="sm"
                type="search"
                className="w-auto"
                aria-label="Find a boat"
                placeholder="Find a boat"
                value={find}
                onChange={(event) => setFind(event.target.value)}
              />
            )}
          </div>
          <DataTable
            label="Boats"
            rows={shown}
            rowId={({ id }) => id}
            columns={columns}
            find={find}
            empty={
              listed.length > 0
                ? `No boat here: ${FILTERS[filter].toLowerCase()}.`
                : 'No boats here. Begin one from a template, name one below, or import a boat document.'
            }
          />
          {boats.some((boat) => boat.archived) && (
            <Form.Check
              className="mt-2"
              id="show-archived"
              label="Show archived boats"
              checked={showArchived}
              onChange={(event) => setShowArchived(event.target.checked)}
            />
          )}
        </Card.Body>
      </Card>
      <div className="row g-3 mt-1">
        <div className="col-md-6">
          <Card>
            <Card.Body>
              <h2>An empty boat</h2>
              <Form
                className="d-flex gap-2"
                onSubmit={(event) => {
                  event.preventDefault();
                  void create();
                }}
              >
                <Form.Control
                  aria-label="Name of the new boat"
                  placeholder="Name, e.g. Teal 62"
                  value={name}
                  maxLength={80}
                  onChange={(event) => setName(event.target.value)}
                />
                <Button type="submit" disabled={busy || name.trim() === ''}>
                  Create
                </Button>
              </Form>
              <p className="form-text mb-0">
                Hull and deck of a small motor boat, nothing laid; the Brief comes next. From a template, another boat
                or a revision: <Link href="/new">New boat</Link>.
              </p>
            </Card.Body>
          </Card>
        </div>
        <div className="col-md-6">
          <Card>
            <Card.Body>
              <h2>Import</h2>
              <FileButton
                label="Boat document"
                accept=".json,application/json"
                disabled={busy}
                onFile={(chosen) => void importFile(chosen)}
              >
                Choose a boat document (JSON)
              </FileButton>
              <p className="form-text mb-0">Comes in as a new boat; nothing that is here is overwritten.</p>
            </Card.Body>
          </Card>
        </div>
      </div>
    </Frame>
  );
}
