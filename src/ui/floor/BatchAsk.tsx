'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { hardenerOff, lifeInPot, saidOff, type HardenerOff, type Step } from '@/core/build';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';
import { Ask } from './Ask';
import { MixAtScale } from './MixAtScale';
import { PastLots } from './PastLots';
import { useFloor } from './useFloor';

/** A life in the pot that is told so many times as long as the plan has it is questioned. */
const MUCH_LONGER = 1.25;

/** A batch that was mixed: how much, how warm, from which cans; from now on its time runs. */
export function BatchAsk({ step, onLeave }: { step: Step; onLeave: () => void }) {
  const { state, note } = useFloor();
  const { full } = useUnits();
  const { plan } = state;
  const [resin, setResin] = useState<number | null>(Math.min(3, plan.resin.largestPot));
  const [celsius, setCelsius] = useState<number | null>(state.air?.body.celsius ?? 20);
  const [hardener, setHardener] = useState<number | null>(null);
  const [lots, setLots] = useState('');
  const life = celsius === null ? null : Math.round(lifeInPot(plan, celsius) * 10) / 10;
  const [told, setTold] = useState('');
  const share = plan.resin.share ?? 0;
  const found = resin === null ? null : hardenerOff(plan, { resin, hardener: hardener ?? 0 });
  const own = told.trim() === '' ? life : Number(told.replace(',', '.'));
  return (
    <Ask
      title="A batch is mixed"
      act="It is mixed now"
      disabled={resin === null || celsius === null || own === null || !(own > 0)}
      onAct={() =>
        note('batch', { step: step.id, resin: resin!, hardener: hardener ?? 0, celsius: celsius!, life: own!, lots })
      }
      onLeave={onLeave}
    >
      <p>
        {plan.resin.name}
        {step.kind !== 'fill' && `, at most ${full(plan.resin.largestPot, 'batchMass')} in one pot`}. Goggles on;
        hardener never near the accelerator.
      </p>
      <div className="d-grid gap-2">
        <QuantityField label="Resin" kind="batchMass" value={resin} minimum={0.01} maximum={2000} onCommit={setResin} />
        {plan.resin.share !== undefined && resin !== null && (
          <MixAtScale
            target={resin}
            share={plan.resin.share}
            onMixed={(mixedResin, mixedHardener) => {
              setResin(mixedResin);
              setHardener(mixedHardener);
            }}
          />
        )}
        <QuantityField
          label="Hardener"
          kind="smallMass"
          value={hardener}
          minimum={0}
          maximum={1000}
          optional
          onCommit={setHardener}
        />
        {share > 0 && resin !== null && (
          <div>
            The plan has <strong>{full(share * resin, 'smallMass')}</strong> of it to {full(resin, 'batchMass')} of
            resin.
          </div>
        )}
        {found !== null && found.is !== 'right' && <Off found={found} adhesive={step.kind === 'bond'} />}
        <QuantityField
          label="Resin and shop"
          kind="temperature"
          value={celsius}
          minimum={-30}
          maximum={80}
          onCommit={setCelsius}
        />
        <Form.Group controlId="batch-life">
          <Form.Label className="mb-0">Life in the pot, min</Form.Label>
          <Form.Control
            inputMode="decimal"
            placeholder={life === null ? '' : String(life)}
            value={told}
            onChange={(event) => setTold(event.target.value)}
          />
          <div className="form-text">As the Shelf has it at this temperature; type it where the can says otherwise</div>
          {own !== null && life !== null && own > MUCH_LONGER * life && (
            <p className="floor-held mb-0" role="alert">
              △ Longer than the plan has it at this temperature, {life} min: the pot may be hot before it rings.
            </p>
          )}
        </Form.Group>
        <Form.Group controlId="batch-lots">
          <Form.Label className="mb-0">Lots of the cans</Form.Label>
          <Form.Control value={lots} maxLength={120} onChange={(event) => setLots(event.target.value)} />
          <PastLots typed={lots} />
        </Form.Group>
      </div>
    </Ask>
  );
}

/** A batch that does not cure as planned, in words; an adhesive may have a share of its own. */
function Off({ found, adhesive }: { found: HardenerOff; adhesive: boolean }) {
  const { full } = useUnits();
  const what = saidOff(found);
  if (adhesive)
    return (
      <p className="floor-held mb-0" role="alert">
        △ {what} for the laminating resin: right only for an adhesive that wants it so.
      </p>
    );
  return (
    <p className="pot-late" role="alert">
      {found.is === 'tooMuch'
        ? `✕ STOP: ${what}. Do not use it: set the bucket outside, it may heat itself up.`
        : `✕ ${what}: it may never cure. It wants ${full(found.wanted, 'smallMass')} in all.`}
    </p>
  );
}
