'use client';
import type { ReactNode } from 'react';
import { Modal } from 'react-bootstrap';
import { useWhenGone } from './useWhenGone';

/**
 * A dialog opened and left by keys: it stands and goes at once, without fading, so that the next key already finds
 * its place.
 */
export function KeyDialog({
  id,
  show,
  title,
  onClose,
  onClosed,
  children,
}: {
  id: string;
  show: boolean;
  title: string;
  onClose: () => void;
  /** When it is gone from the screen: the place to put the focus back. */
  onClosed: () => void;
  children: ReactNode;
}) {
  useWhenGone(show, onClosed);
  return (
    <Modal show={show} animation={false} onHide={onClose} restoreFocus={false} aria-labelledby={`${id}-title`}>
      <Modal.Header closeButton>
        <Modal.Title as="h2" id={`${id}-title`}>
          {title}
        </Modal.Title>
      </Modal.Header>
      {children}
    </Modal>
  );
}
