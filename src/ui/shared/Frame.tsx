'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { memo, type ReactNode } from 'react';
import { Alert } from 'react-bootstrap';
import { TourCard } from '../help/TourCard';
import { TourLink } from '../help/TourLink';
import { Account } from './Account';
import { useReachable } from './useReachable';

/** The steps of a boat in the order of the work. */
export const STEPS = [
  { path: 'brief', name: 'Brief' },
  { path: 'zones', name: 'Zones' },
  { path: 'layup', name: 'Lay-up' },
  { path: 'analysis', name: 'Analysis' },
  { path: 'panel', name: 'Panel' },
  { path: 'stiffeners', name: 'Stiffeners' },
  { path: 'details', name: 'Details' },
  { path: 'check', name: 'Check' },
  { path: 'options', name: 'Options' },
  { path: 'weights', name: 'Weights' },
  { path: 'revisions', name: 'Revisions' },
  { path: 'pack', name: 'Pack' },
  { path: 'kit', name: 'Kit' },
  { path: 'fill', name: 'Fill & cure' },
] as const;

function Step({ href, children }: { href: string; children: ReactNode }) {
  const here = usePathname();
  return (
    <Link prefetch={false} className="step" href={href} aria-current={here === href ? 'page' : undefined}>
      {children}
    </Link>
  );
}

/** The way to every screen; what the boat comes to does not draw it anew. */
const Rail = memo(function Rail({ boatId }: { boatId: string | undefined }) {
  return (
    <nav className="rail" aria-label="Steps of the work">
      <Link prefetch={false} className="name" href="/">
        Keramos
      </Link>
      <Step href="/">Boats</Step>
      <Step href="/floor">Floor</Step>
      <Step href="/log">Log</Step>
      {boatId && (
        <>
          <hr className="my-2" />
          {STEPS.map(({ path, name }) => (
            <Step key={path} href={`/boats/${boatId}/${path}`}>
              {name}
            </Step>
          ))}
        </>
      )}
      <hr className="my-2" />
      <Step href="/shelf">Shelf</Step>
      <Step href="/packs">Standards</Step>
      <Step href="/people">People</Step>
      <Step href="/safekeeping">Safekeeping</Step>
      <hr className="my-2" />
      <Step href="/guide">Guide</Step>
      <TourLink />
      <div className="gap" />
      <Account />
    </nav>
  );
});

/** Rail on the left, head above, the screen below. */
export function Frame({ boatId, head, children }: { boatId?: string; head: ReactNode; children: ReactNode }) {
  const { stayed, forget } = useReachable();
  return (
    <div className="frame">
      <a className="skip-link visually-hidden-focusable" href="#work">
        To the work
      </a>
      <Rail boatId={boatId} />
      <div>
        <header className="head">{head}</header>
        <main className="page" id="work" tabIndex={-1}>
          {stayed && (
            <Alert variant="warning" dismissible onClose={forget} className="py-2">
              The server cannot be reached, so this page stays. What was changed is kept here and sent when it answers.
            </Alert>
          )}
          {children}
        </main>
      </div>
      <TourCard />
    </div>
  );
}
