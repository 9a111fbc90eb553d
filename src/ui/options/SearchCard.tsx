'use client';
import { Button, Card } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { formatReserve } from '@/core/quantity';
import { Progress } from '../shared/Progress';
import { Said } from '../shared/Said';
import type { Search } from './useSearch';

interface SearchCardProps {
  search: Search<unknown> & { stop: () => void };
  boat: Boat;
  /** How the value of a zone is said; left out where nothing is told of zones. */
  said?: (value: number) => string;
  /** What to do where nothing came out. */
  wayOut: string;
}

/** A search under way, stopped, or come to nothing; nothing before it began and once it has an answer. */
export function SearchCard({ search, boat, said, wayOut }: SearchCardProps) {
  const { running, stopped, progress, found, result, stop } = search;
  if (running)
    return (
      <Card body aria-busy className="mb-3">
        <div className="d-flex gap-3 align-items-center">
          <Progress className="flex-grow-1" share={progress?.done ?? 0} label="How far the search is" />
          <span className="soft text-nowrap" role="status">
            {progress ? progress.at : 'Beginning…'}
          </span>
          <Button size="sm" variant="outline-primary" onClick={stop}>
            Stop
          </Button>
        </div>
        {found.length > 0 && <FoundSoFar found={found} boat={boat} said={said} />}
      </Card>
    );
  if (stopped && result === null)
    return (
      <Card body className="mb-3">
        Stopped. Nothing was changed.
        {found.length > 0 && <FoundSoFar found={found} boat={boat} said={said} />}
      </Card>
    );
  if (typeof result === 'string')
    return (
      <Card body className="mb-3">
        <p className="mb-2" role="alert">
          ✕ <Said text={result} />.
        </p>
        <p className="soft mb-0">{wayOut}</p>
      </Card>
    );
  return null;
}

function FoundSoFar({
  found,
  boat,
  said,
}: Pick<SearchCardProps['search'], 'found'> & { boat: Boat; said: SearchCardProps['said'] }) {
  const names = new Map(boat.parts.flatMap(({ zones }) => zones.map(({ id, name }) => [id, name])));
  return (
    <p className="small soft mb-0 mt-2">
      Best so far:{' '}
      {found
        .map(
          ({ zoneId, value, reserveFactor }) =>
            `${names.get(zoneId) ?? zoneId} ${said ? `${said(value)}, ` : ''}${formatReserve(reserveFactor)}`,
        )
        .join('; ')}
    </p>
  );
}
