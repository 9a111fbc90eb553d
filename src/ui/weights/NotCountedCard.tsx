import Link from 'next/link';
import { Button, Card } from 'react-bootstrap';
import { CheckCircleFill } from 'react-bootstrap-icons';
import type { Boat } from '@/core/document';
import { MAY_BE_ABSENT } from '@/core/document';
import type { NotCounted } from '@/core/weight';
import { useDesign } from '../shared/boat';
import { useEdit } from '../shared/useEdit';
import { newItem } from './newItem';

const PLACES = { 'lay-up': 'layup', zones: 'zones', stiffeners: 'stiffeners', details: 'details' } as const;

/** What the total leaves out, each with the way to put it in or to say that it is not in this boat. */
export function NotCountedCard({
  boat,
  missing,
  onAdd,
}: {
  boat: Boat;
  missing: readonly NotCounted[];
  onAdd: (itemId: string) => void;
}) {
  const edit = useEdit();
  const { id: boatId } = useDesign();
  const { absent } = boat.brief;
  const add = (kind: NonNullable<NotCounted['kind']>) => {
    const item = newItem(boat, kind);
    if (!edit({ type: 'item.add', item, index: boat.items.length })) onAdd(item.id);
  };
  return (
    <Card>
      <Card.Body>
        <h2>Not counted</h2>
        {missing.length === 0 && (
          <p className="mb-1">
            <CheckCircleFill className="me-1" aria-hidden />
            Nothing that is asked of such a boat is missing.
          </p>
        )}
        <ul className="list-unstyled d-grid gap-1 mb-1" aria-label="Not counted">
          {missing.map(({ id, what, where, kind }) => (
            <li key={id} className="d-flex flex-wrap gap-2 align-items-center">
              <span className="flex-grow-1">{what}</span>
              {kind && (
                <>
                  <Button size="sm" variant="outline-primary" onClick={() => add(kind)}>
                    Add
                  </Button>
                  <Button
                    size="sm"
                    variant="outline-primary"
                    onClick={() => edit({ type: 'brief.set', patch: { absent: [...absent, kind] } })}
                  >
                    Not in this boat
                  </Button>
                </>
              )}
              {!kind && where !== 'items' && <Link href={`/boats/${boatId}/${PLACES[where]}`}>Look at it</Link>}
            </li>
          ))}
        </ul>
        {absent.length > 0 && (
          <p className="small soft mb-0">
            Said not to be in this boat:{' '}
            {absent.map((kind, i) => (
              <span key={kind}>
                {i > 0 && ', '}
                {MAY_BE_ABSENT[kind].toLowerCase()}{' '}
                <button
                  type="button"
                  className="plain-button opens"
                  aria-label={`Ask for ${MAY_BE_ABSENT[kind].toLowerCase()} again`}
                  onClick={() => edit({ type: 'brief.set', patch: { absent: absent.filter((one) => one !== kind) } })}
                >
                  ask again
                </button>
              </span>
            ))}
          </p>
        )}
      </Card.Body>
    </Card>
  );
}
