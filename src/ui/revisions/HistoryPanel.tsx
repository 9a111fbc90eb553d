import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Card } from 'react-bootstrap';
import type { ActionPage, ActionRecord } from '@/core/revision';
import { api, wordsOf } from '../shared/api';
import { useBoat } from '../shared/boat';
import { Moment } from '../shared/Moment';
import { Refusal } from '../shared/Refusal';
import { Said } from '../shared/Said';

const DONE = { do: '', undo: 'took back: ', redo: 'did again: ' } as const;

function Row({ version, action, description, author, at }: ActionRecord) {
  return (
    <li className="d-flex gap-2 py-1 border-bottom">
      <span className="num soft">{version}</span>
      <span className="flex-grow-1">
        {DONE[action]}
        <Said text={description} />
      </span>
      <span className="soft text-nowrap">{author || 'nobody said who'}</span>
      <span className="soft text-nowrap">
        <Moment iso={at} />
      </span>
    </li>
  );
}

/** Everything that was done to the boat, newest first, leafed through a page at a time. */
export function HistoryPanel() {
  const { id, version } = useBoat();
  const [open, setOpen] = useState(false);
  const pages = useInfiniteQuery({
    queryKey: ['boat', id, 'history', version],
    queryFn: ({ pageParam }) =>
      api<ActionPage>('GET', `/api/boats/${id}/history${pageParam === null ? '' : `?before=${pageParam}`}`),
    initialPageParam: null as number | null,
    getNextPageParam: ({ actions, more }) => (more ? actions.at(-1)!.version : undefined),
    enabled: open,
  });
  const all = pages.data?.pages ?? [];
  const actions = all.flatMap((page) => page.actions);
  const days = all.at(-1)?.days ?? [];
  return (
    <Card className="mt-3">
      <Card.Body>
        <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
          <summary className="fw-semibold">Everything that was done</summary>
          <Refusal text={pages.error ? wordsOf(pages.error) : null} />
          {pages.isSuccess && actions.length === 0 && (
            <p className="soft mb-0">Nothing yet: the boat is as it was when it came here.</p>
          )}
          <ol className="list-unstyled small mb-2" aria-label="What was done, newest first">
            {actions.map((one) => (
              <Row key={one.version} {...one} />
            ))}
            {days.map(({ day, version: last }) => (
              <li key={day} className="d-flex gap-2 py-1 border-bottom">
                <span className="num soft">{last}</span>
                <span className="flex-grow-1">
                  As it stood at the end of {day}; its single actions are no longer kept
                </span>
              </li>
            ))}
          </ol>
          {pages.hasNextPage && (
            <Button
              size="sm"
              variant="outline-primary"
              disabled={pages.isFetchingNextPage}
              onClick={() => void pages.fetchNextPage()}
            >
              Older
            </Button>
          )}
        </details>
      </Card.Body>
    </Card>
  );
}
