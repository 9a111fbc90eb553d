'use client';
import { useEffect, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { openPots, type Pot, type StepState } from '@/core/build';
import { useUnits } from '../shared/units';
import { beep } from './beep';
import { BatchAsk } from './BatchAsk';
import { useFloor } from './useFloor';
import { clock, useNow } from './useNow';

/** The pots that are open in a step, each with its time left for ten paces; it sounds before it is over, and then. */
export function PotBar({ own }: { own: StepState }) {
  const { state } = useFloor();
  const [mixing, setMixing] = useState(false);
  const pots = openPots(state, own.step.id);
  return (
    <section className="pots" aria-label="Pots">
      {pots.map((pot) => (
        <OpenPot key={pot.record.id} pot={pot} />
      ))}
      <Button variant={pots.length === 0 ? 'primary' : 'outline-primary'} onClick={() => setMixing(true)}>
        {pots.length === 0 ? 'A batch is mixed' : 'Another batch is mixed'}
      </Button>
      {mixing && <BatchAsk step={own.step} onLeave={() => setMixing(false)} />}
    </section>
  );
}

const standOf = ({ over, warn }: { over: boolean; warn: boolean }) => {
  if (over) return 'over';
  return warn ? 'soon' : 'good';
};
/** How often it sounds when it is over (ms). */
const AGAIN = 20_000;

function OpenPot({ pot }: { pot: Pot }) {
  const { state, note } = useFloor();
  const { full, words } = useUnits();
  const now = useNow();
  const [refusal, setRefusal] = useState<string | null>(null);
  const sounded = useRef({ warned: false, over: 0 });
  const life = pot.record.body.life * 60_000;
  const left = pot.until - now;
  const warn = now > 0 && left < life * state.plan.warnAt;
  const over = now > 0 && left <= 0;
  useEffect(() => {
    if (now === 0) return;
    if (over && now - sounded.current.over > AGAIN) {
      sounded.current = { warned: true, over: now };
      beep(3);
    } else if (warn && !sounded.current.warned) {
      sounded.current.warned = true;
      beep(1);
    }
  }, [now, warn, over]);
  const empty = async (how: 'used' | 'thrown away') =>
    setRefusal(await note('potEmpty', { batch: pot.record.id, how }));
  const stand = standOf({ over, warn });
  return (
    <div className={`pot ${stand}`} role="timer" aria-label={`Pot of ${full(pot.record.body.resin, 'batchMass')}`}>
      <div className="pot-time">
        {now === 0 ? '…' : clock(left)}
        <span className="pot-word">
          {{ good: 'left in the pot', soon: '△ nearly over', over: '✕ past its life' }[stand]}
        </span>
      </div>
      <progress className="pot-life" aria-hidden="true" max={life} value={Math.max(0, left)} />
      <div className="pot-acts">
        <span>{full(pot.record.body.resin + pot.record.body.hardener, 'batchMass')} mixed</span>
        <Button variant="outline-primary" onClick={() => void empty('used')}>
          Pot is empty
        </Button>
        <Button variant="outline-primary" onClick={() => void empty('thrown away')}>
          Thrown away
        </Button>
      </div>
      {refusal !== null && <p role="alert">✕ {words(refusal)}</p>}
    </div>
  );
}
