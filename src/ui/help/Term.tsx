'use client';
import { useId, useRef, useState, type ReactNode } from 'react';
import { Overlay, Popover } from 'react-bootstrap';
import Link from 'next/link';
import { GLOSSARY, type TermId } from './helpData';

/** A word of a label with what it means, on demand. */
export function Term({ of, children }: { of: TermId; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const id = useId();
  const { term, means } = GLOSSARY[of];
  return (
    <>
      <button
        ref={button}
        type="button"
        className="term"
        aria-expanded={open}
        aria-describedby={open ? id : undefined}
        onClick={() => setOpen(!open)}
        onBlur={() => setOpen(false)}
        onKeyDown={(event) => event.key === 'Escape' && setOpen(false)}
      >
        {children}
      </button>
      <Overlay target={button} show={open} placement="auto" rootClose onHide={() => setOpen(false)}>
        <Popover id={id}>
          <Popover.Header as="h3">{term}</Popover.Header>
          <Popover.Body>
            {means}{' '}
            <Link prefetch={false} href={`/guide#term-${of}`} onMouseDown={(event) => event.preventDefault()}>
              Glossary
            </Link>
          </Popover.Body>
        </Popover>
      </Overlay>
    </>
  );
}
