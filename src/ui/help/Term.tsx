'use client';
import { useId, useRef, useState, type ReactNode } from 'react';
import { Overlay, Popover } from 'react-bootstrap';
import Link from 'next/link';
import { GLOSSARY, type TermId } from './helpData';

/** A word of a label with what it means, on demand. */
export function Term({ of, children }: { of: TermId; children: ReactNode }) {
  const [open, setOpen] = useState<'left' | 'right' | null>(null);
  const button = useRef<HTMLButtonElement>(null);
  const id = useId();
  const { term, means } = GLOSSARY[of];
  const toggle = () => {
    const { left = 0 } = button.current?.getBoundingClientRect() ?? {};
    setOpen((now) => {
      if (now) return null;
      return left > window.innerWidth / 2 ? 'left' : 'right';
    });
  };
  return (
    <>
      <button
        ref={button}
        type="button"
        className="term"
        aria-expanded={open !== null}
        aria-describedby={open ? id : undefined}
        onClick={toggle}
        onBlur={() => setOpen(null)}
        onKeyDown={(event) => event.key === 'Escape' && setOpen(null)}
      >
        {children}
      </button>
      <Overlay target={button} show={open !== null} placement={open ?? 'left'} rootClose onHide={() => setOpen(null)}>
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
