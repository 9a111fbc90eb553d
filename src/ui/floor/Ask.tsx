'use client';
import { useState, type ReactNode } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { NotTaken } from './NotTaken';

/** A question over the work, large enough for gloves; what it was refused for stands in it. */
export function Ask({
  title,
  act,
  disabled = false,
  onAct,
  onLeave,
  children,
}: {
  title: string;
  act: string;
  disabled?: boolean;
  /** Does it; what it returns was refused. */
  onAct: () => Promise<string | null>;
  onLeave: () => void;
  children?: ReactNode;
}) {
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const go = async () => {
    setBusy(true);
    const said = await onAct();
    setBusy(false);
    setRefusal(said);
    if (said === null) onLeave();
  };
  return (
    <Modal show centered onHide={onLeave} dialogClassName="floor-ask" aria-labelledby="floor-ask-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="floor-ask-title">
          {title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body className="floor">
        {children}
        <NotTaken text={refusal} />
      </Modal.Body>
      <Modal.Footer className="floor">
        <Button variant="outline-primary" onClick={onLeave}>
          Leave it
        </Button>
        <Button disabled={disabled || busy} onClick={() => void go()}>
          {act}
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
