'use client';
import { Button, Modal } from 'react-bootstrap';
import { useBoat, useBoatStore } from './boat';
import { ChangeList } from './ChangeList';

/**
 * Shown when somebody else saved first: both sides' changes, and three ways on, none of which loses anything unasked.
 */
export function ConflictDialog() {
  const store = useBoatStore();
  const { conflict, boat } = useBoat();
  if (!conflict) return null;
  return (
    <Modal show size="lg" backdrop="static" keyboard={false} scrollable aria-labelledby="conflict-title">
      <Modal.Header>
        <Modal.Title as="h2" id="conflict-title">
          Somebody else changed {boat.name} first
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <h3>Their changes, already saved</h3>
        {conflict.theirChanges ? (
          <ChangeList changes={conflict.theirChanges} empty="Nothing that shows in the schedule." />
        ) : (
          <p className="soft">
            This page was reloaded meanwhile; what they changed before that is in the schedule already.
          </p>
        )}
        <h3 className="mt-3">Your changes, not saved yet</h3>
        <ChangeList changes={conflict.ourChanges} empty="Nothing that differs from theirs." />
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-primary" onClick={() => void store.settle('theirs')}>
          Take theirs, drop mine
        </Button>
        <Button variant="outline-primary" onClick={() => void store.settle('apart')}>
          Keep mine as a boat of its own
        </Button>
        <Button onClick={() => void store.settle('onTop')}>Put my changes on top of theirs</Button>
      </Modal.Footer>
    </Modal>
  );
}
