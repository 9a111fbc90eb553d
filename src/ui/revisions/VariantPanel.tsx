'use client';
import Link from 'next/link';
import { Button, Card } from 'react-bootstrap';
import type { VariantStanding } from '@/core/revision';
import { ChangeList } from '../shared/ChangeList';
import { Said } from '../shared/Said';

/** The boat this one follows, and where it goes its own way. */
export function VariantPanel({ variant, onLetGo }: { variant: VariantStanding; onLetGo: () => void }) {
  return (
    <Card className="mt-3">
      <Card.Body>
        <div className="d-flex justify-content-between align-items-start gap-3">
          <h2>
            Follows{' '}
            <Link prefetch={false} href={`/boats/${variant.parent.id}/layup`}>
              {variant.parent.name}
            </Link>
            , except for this
          </h2>
          <Button size="sm" variant="outline-primary" onClick={onLetGo}>
            Follow it no longer
          </Button>
        </div>
        {variant.problem && (
          <p className="verdict fails d-block text-wrap">
            ✕ Its last changes could not be followed: <Said text={variant.problem} />
          </p>
        )}
        <ChangeList
          changes={variant.departures}
          empty={`Nothing yet: whatever changes in ${variant.parent.name} changes here.`}
        />
      </Card.Body>
    </Card>
  );
}
