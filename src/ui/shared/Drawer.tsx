'use client';
import { useState, type ReactNode } from 'react';
import { Offcanvas } from 'react-bootstrap';
import { useFocusBack } from './useFocusBack';

/**
 * A drawer from the right that tells of one thing, and is shut while there is none. While it slides out it goes on
 * showing what it told.
 */
export function Drawer<T>({
  id,
  of,
  title,
  onClose,
  className,
  children,
}: {
  id: string;
  /** What it tells of; null shuts it. */
  of: T | null;
  title: (of: T) => string;
  onClose: () => void;
  className?: string;
  children: (of: T) => ReactNode;
}) {
  const [told, setTold] = useState(of);
  if (of !== null && of !== told) setTold(of);
  const open = of !== null;
  const focus = useFocusBack(open);
  const shown = of ?? told;
  return (
    <Offcanvas {...focus} show={open} onHide={onClose} placement="end" aria-labelledby={`${id}-title`}>
      <Offcanvas.Header closeButton>
        <Offcanvas.Title as="h2" id={`${id}-title`}>
          {shown !== null && title(shown)}
        </Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body className={className} tabIndex={0}>
        {shown !== null && children(shown)}
      </Offcanvas.Body>
    </Offcanvas>
  );
}
