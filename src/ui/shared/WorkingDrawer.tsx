'use client';
import { useMemo } from 'react';
import { formatNumber, formatWorkingValue } from '@/core/quantity';
import type { WorkingPart } from '@/core/evaluate';
import { packStatus } from '@/core/standard';
import { useDesign } from './boat';
import { Drawer } from './Drawer';
import { Formula } from './Formula';
import type { WorkingRequest } from './WorkingPanel';

/** The reason behind a number: every formula, what was put in, units, source. */
export function WorkingDrawer({ request, onClose }: { request: WorkingRequest | null; onClose: () => void }) {
  return (
    <Drawer id="working" of={request} title={({ title }) => title} onClose={onClose} className="pt-0">
      {(of) => <Working request={of} />}
    </Drawer>
  );
}

function Working({ request }: { request: WorkingRequest }) {
  const { boat } = useDesign();
  const sections = useMemo((): WorkingPart[] | string => {
    try {
      return request.record();
    } catch (error) {
      return (error as Error).message;
    }
  }, [request]);
  return (
    <>
      <p className="small soft">
        {boat.packs.map((pack) => `${pack.title}: ${packStatus(pack)}.`).join(' ')} {boat.packs[0]!.statement} Reserve
        factor = capacity / demand; margin = reserve factor − 1.
      </p>
      {typeof sections === 'string' ? (
        <p>{sections}</p>
      ) : (
        sections.map(({ title, steps }) => (
          <section key={title} className="mb-3">
            <h3>{title}</h3>
            {steps.map((step, index) => (
              <div key={index} className="working-step">
                <div className="d-flex justify-content-between gap-3">
                  <span>{step.quantity}</span>
                  <strong className="text-nowrap">
                    {step.symbol === 'RF' ? formatNumber(step.value, 2) : formatWorkingValue(step.value, step.unit)}
                  </strong>
                </div>
                <div className="working-formula">
                  <Formula tex={`\\displaystyle ${step.symbol} = ${step.formula}`} />
                </div>
                {step.inputs.length > 0 && (
                  <div className="small">
                    {step.inputs.map((input, at) => (
                      <span key={at} className="me-3 text-nowrap">
                        <Formula tex={input.symbol} /> = {formatWorkingValue(input.value, input.unit)}
                      </span>
                    ))}
                  </div>
                )}
                <div className="small soft">
                  {step.note ? `${step.note} ` : ''}Source: {step.source}
                </div>
              </div>
            ))}
          </section>
        ))
      )}
    </>
  );
}
