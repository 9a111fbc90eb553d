import { useEffect, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Progress } from '@/core/job';
import { errorOfBody, followLines, textOf } from '../shared/api';
import { Refusal } from '../shared/Refusal';

type Line = Progress | { ready: true } | { error: { code: string; message: string; path: string } };

/** A print to save: shows how far it is while it is made, can be given up, and is saved when it lies ready. */
export function PrintLink({ href, children }: { href: string; children: React.ReactNode }) {
  const [step, setStep] = useState<Progress | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const link = useRef<HTMLAnchorElement>(null);
  const making = useRef<AbortController | null>(null);
  // The click that saves what lies ready is the browser's own.
  const ready = useRef(false);
  useEffect(() => () => making.current?.abort(), []);

  const make = async () => {
    const leave = new AbortController();
    making.current = leave;
    setRefusal(null);
    setStep({ done: 0, at: 'start' });
    try {
      await followLines<Line>(href.replace('/export?', '/print?'), leave.signal, (line) => {
        if ('error' in line) throw errorOfBody(line);
        if ('ready' in line) ready.current = true;
        else setStep(line);
      });
      if (ready.current) link.current?.click();
    } catch (error) {
      if (!leave.signal.aborted) setRefusal(textOf(error));
    } finally {
      ready.current = false;
      setStep(null);
    }
  };
  return (
    <>
      <a
        ref={link}
        className={`btn btn-primary ${step ? 'disabled' : ''}`}
        aria-disabled={step !== null}
        download
        href={href}
        onClick={(event) => {
          if (ready.current) return;
          event.preventDefault();
          if (step === null) void make();
        }}
      >
        {children}
      </a>
      {step && (
        <div className="mt-2">
          <progress className="w-100" value={step.done} aria-label="How far the print is" />
          <div className="d-flex justify-content-between align-items-center small">
            <span role="status">
              {Math.round(100 * step.done)} %, at {step.at}
            </span>
            <Button size="sm" variant="link" onClick={() => making.current?.abort()}>
              Give up
            </Button>
          </div>
        </div>
      )}
      <Refusal text={refusal} onClose={() => setRefusal(null)} className="mt-2 mb-0" />
    </>
  );
}
