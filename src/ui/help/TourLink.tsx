import { usePathname, useRouter } from 'next/navigation';
import { TOUR, TOUR_BOAT } from './helpData';
import { useTour } from './useTour';

/** Begins the tour, or takes it up where it was left; nothing while it is under way. */
export function TourLink() {
  const { at, isNew, leftAt, go } = useTour();
  const router = useRouter();
  const here = usePathname();
  if (at !== null) return null;
  const to = `/boats/${TOUR_BOAT}/${TOUR[leftAt]!.path}`;
  return (
    <button
      type="button"
      className="step plain-button"
      onClick={() => {
        go(leftAt);
        if (here !== to) router.push(to);
      }}
    >
      {leftAt > 0 ? 'Go on with the tour' : 'Tour'}
      {isNew && <span className="verdict thin ms-1">new</span>}
    </button>
  );
}
