'use client';
import { Button, Nav } from 'react-bootstrap';
import type { Part } from '@/core/document';

export type View = 'grid' | 'section' | 'book';
const VIEWS: Record<View, string> = { grid: 'Layers by zones', section: 'Section and lines', book: 'Laminates' };

/** The parts of the boat, how often this one is made, and the way it is looked at. */
export function PartTabs({
  parts,
  part,
  view,
  onPart,
  onView,
  onSettings,
}: {
  parts: readonly Part[];
  part: Part;
  view: View;
  onPart: (id: string) => void;
  onView: (view: View) => void;
  onSettings: () => void;
}) {
  return (
    <div className="d-flex align-items-end gap-2 mb-2">
      <Nav variant="tabs" activeKey={part.id} onSelect={(id) => id && onPart(id)} className="flex-grow-1">
        {parts.map((candidate) => (
          <Nav.Item key={candidate.id}>
            <Nav.Link eventKey={candidate.id} as="button" type="button">
              {candidate.name}
            </Nav.Link>
          </Nav.Item>
        ))}
      </Nav>
      <button
        type="button"
        className="plain-button small soft pb-1 text-nowrap"
        title="Hands, number-off, drop-off ratio"
        onClick={onSettings}
      >
        {part.number} off{part.hands === 'two' ? ', two hands' : ''} ▾
      </button>
      <div className="btn-group btn-group-sm" role="group" aria-label="View">
        {(Object.keys(VIEWS) as View[]).map((key, i) => (
          <Button
            key={key}
            size="sm"
            variant={view === key ? 'primary' : 'outline-primary'}
            aria-pressed={view === key}
            title={`Alt+${i + 1}`}
            onClick={() => onView(key)}
          >
            {VIEWS[key]}
          </Button>
        ))}
      </div>
    </div>
  );
}
