'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { PersonField } from '../shared/PersonField';
import { useWho } from '../shared/who';
import { ChangeOver } from './ChangeOver';
import { useFloor } from './useFloor';

const SAID = {
  unknown: 'Asking the server…',
  reached: '✓ All sent',
  away: '△ Server away',
  signIn: '△ Sign in',
} as const;

/** Where one is, who one is, and whether the server has everything. */
export function FloorTop() {
  const { build, reach, waiting, person } = useFloor();
  const { who } = useWho();
  const [changing, setChanging] = useState(false);
  return (
    <header className="floor-top">
      {/* Loaded as a whole, so that it opens while the server is away. */}
      {/* eslint-disable-next-line @next/next/no-html-link-for-pages */}
      <a href="/floor" className="floor-home">
        Keramos
      </a>
      <strong>
        {build.boat}, hull {build.hull}
      </strong>
      <span className="soft">revision {build.revision}</span>
      <span className="spacer" />
      <span className={reach === 'reached' ? 'soft' : 'floor-bad'} role="status" data-testid="reach">
        {waiting > 0 ? `△ ${waiting} kept here${reach === 'away' ? ', server away' : ', sending…'}` : SAID[reach]}
      </span>
      {who ? (
        <Button variant="outline-primary" onClick={() => setChanging(true)}>
          {person}
        </Button>
      ) : (
        <PersonField />
      )}
      {changing && <ChangeOver onLeave={() => setChanging(false)} />}
    </header>
  );
}
