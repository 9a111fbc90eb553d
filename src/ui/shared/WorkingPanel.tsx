'use client';
import type katexType from 'katex';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Offcanvas } from 'react-bootstrap';
import { formatNumber, formatWorkingValue } from '@/core/quantity';
import { zoneWorking, type Boat, type Part, type WorkingPart, type Zone } from '@/core/schedule';
import { CHECKS, SMALL_CRAFT_PACK, type CheckId } from '@/core/standard';
import { texToText } from '@/core/working';

/** The typesetter is loaded when the first working is opened. */
function Formula({ tex }: { tex: string }) {
  const box = useRef<HTMLSpanElement>(null);
  const [katex, setKatex] = useState<typeof katexType | null>(null);
  useEffect(() => {
    let here = true;
    void import('katex').then((module) => here && setKatex(() => module.default));
    return () => {
      here = false;
    };
  }, []);
  useEffect(() => {
    if (katex && box.current) katex.render(tex, box.current, { throwOnError: false, output: 'html' });
  }, [katex, tex]);
  return <span ref={box} role="math" aria-label={texToText(tex)}>{texToText(tex)}</span>;
}

export interface WorkingRequest {
  part: Part;
  zone: Zone;
  /** Absent for the whole working of the zone. */
  check?: CheckId;
}

/** The reason behind a number: every formula, what was put in, units, source. */
export function WorkingPanel({ boat, request, onClose }: { boat: Boat; request: WorkingRequest | null; onClose: () => void }) {
  const sections = useMemo((): WorkingPart[] | string => {
    if (!request) return [];
    try {
      return zoneWorking(boat, request.part, request.zone, request.check);
    } catch (error) {
      return (error as Error).message;
    }
  }, [boat, request]);
  return (
    <Offcanvas show={request !== null} onHide={onClose} placement="end" aria-labelledby="working-title">
      <Offcanvas.Header closeButton>
        <Offcanvas.Title as="h2" id="working-title">{request && `${request.zone.name}: ${request.check ? CHECKS[request.check] : 'working'}`}</Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body className="pt-0">
        <p className="small soft">{SMALL_CRAFT_PACK.title}, {SMALL_CRAFT_PACK.status}. {SMALL_CRAFT_PACK.statement} Reserve factor = capacity / demand; margin = reserve factor − 1.</p>
        {typeof sections === 'string' ? <p>{sections}</p> : [...sections].reverse().filter(({ steps }) => steps.length > 0).map(({ section, title, steps }) => (
          <section key={section} className="mb-3">
            <h3>{title}</h3>
            {steps.map((step, index) => (
              <div key={index} className="working-step">
                <div className="d-flex justify-content-between gap-3">
                  <span>{step.quantity}</span>
                  <strong className="text-nowrap">{step.unit === '' && section === 'result' ? formatNumber(step.value, 2) : formatWorkingValue(step.value, step.unit)}</strong>
                </div>
                <div className="working-formula"><Formula tex={`${step.symbol} = ${step.formula}`} /></div>
                {step.inputs.length > 0 && (
                  <div className="small">
                    {step.inputs.map((input, at) => <span key={at} className="me-3 text-nowrap"><Formula tex={input.symbol} /> = {formatWorkingValue(input.value, input.unit)}</span>)}
                  </div>
                )}
                <div className="small soft">{step.note ? `${step.note} ` : ''}Source: {step.source}</div>
              </div>
            ))}
          </section>
        ))}
      </Offcanvas.Body>
    </Offcanvas>
  );
}
