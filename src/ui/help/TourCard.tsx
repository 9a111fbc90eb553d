'use client';
import { usePathname, useRouter } from 'next/navigation';
import { Button, Card } from 'react-bootstrap';
import { TOUR, TOUR_BOAT } from './helpData';
import { useTour } from './useTour';

const placeOf = (stop: number) => `/boats/${TOUR_BOAT}/${TOUR[stop]!.path}`;

/** The stop of the tour that is under way, beside the work; nothing while it is not. */
export function TourCard() {
  const { at, go, leave } = useTour();
  const router = useRouter();
  const here = usePathname();
  if (at === null) return null;
  const stop = TOUR[at]!;
  const walk = (to: number) => {
    go(to);
    if (here !== placeOf(to)) router.push(placeOf(to));
  };
  return (
    <Card className="tour" role="complementary" aria-label="Tour">
      <Card.Body className="d-grid gap-2">
        <div>
          <div className="small soft">
            Tour of the demo boat, {at + 1} of {TOUR.length}
          </div>
          <h2 className="mb-1">{stop.title}</h2>
          <p className="mb-0">{stop.text}</p>
        </div>
        <div className="d-flex flex-wrap gap-2">
          {here !== placeOf(at) && (
            <Button size="sm" onClick={() => walk(at)}>
              Take me there
            </Button>
          )}
          <Button size="sm" variant="outline-primary" disabled={at === 0} onClick={() => walk(at - 1)}>
            Back
          </Button>
          {at + 1 < TOUR.length ? (
            <Button
              size="sm"
              variant={here === placeOf(at) ? 'primary' : 'outline-primary'}
              onClick={() => walk(at + 1)}
            >
              Next
            </Button>
          ) : (
            <Button size="sm" onClick={leave}>
              Done
            </Button>
          )}
          <Button size="sm" variant="outline-primary" className="ms-auto" onClick={leave}>
            Leave
          </Button>
        </div>
      </Card.Body>
    </Card>
  );
}
