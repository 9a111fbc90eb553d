'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { isWet, openPots, toLay, type LaidPiece, type StepState } from '@/core/build';
import { CodeCamera } from '../shared/CodeCamera';
import { useUnits } from '../shared/units';
import { LessonsFor } from './Lessons';
import { NotTaken } from './NotTaken';
import { PastLots } from './PastLots';
import { PartPlace, PieceOutline } from './PiecePicture';
import { TakeBack } from './TakeBack';
import { useFloor } from './useFloor';

const NEXT = 3;

/** One piece at a time, large: where it lies, which way, what is under it; its label is read, or it is ticked off. */
export function LayCard({ own }: { own: StepState }) {
  const { state, note } = useFloor();
  const { full, words } = useUnits();
  const [chosen, setChosen] = useState<string | null>(null);
  const [lot, setLot] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [read, setRead] = useState(false);
  const left = toLay(state, own);
  const piece = left.find(({ code }) => code === chosen) ?? left[0];
  if (!piece)
    return (
      <>
        <p className="floor-done">✓ All {own.step.pieces.length} pieces lie.</p>
        <LastLaid own={own} />
      </>
    );
  const part = state.plan.parts.find(({ id }) => id === piece.partId)!;
  const pot = isWet(own.step) ? openPots(state, own.step.id)[0] : undefined;
  const lay = async (code: string, how: 'scanned' | 'ticked') => {
    const batch = pot?.record.id ?? null;
    const said = await note('piece', { step: own.step.id, code: code.trim(), how, lot: lot.trim(), batch });
    setRefusal(said);
    setRead(said === null && how === 'scanned');
    if (said === null) setChosen(null);
  };
  const laid = own.step.pieces.length - left.length;
  const under = underOf(piece, state.pieces, own);
  return (
    <article className="lay-card" aria-label="The next piece">
      <header>
        <div className="lay-count">
          <strong>{laid + 1}</strong> of {own.step.pieces.length}
        </div>
        <div className="lay-what">
          <h2>{piece.cloth}</h2>
          <p>
            Layer {piece.layerNumber || '–'}, <strong>{piece.angleDeg}°</strong>
            {piece.copies > 1 && `, copy ${piece.copy} of ${piece.copies}`}: {piece.name}
          </p>
        </div>
      </header>
      <LessonsFor step={own.step} piece={piece} />
      <PartPlace part={part} piece={piece} />
      <div className="lay-two">
        <PieceOutline piece={piece} />
        <ul className="lay-says">
          <li>
            Over <strong>{piece.place}</strong>
          </li>
          <li>{under === null ? 'Onto the mould or what is on it' : `Onto ${under.cloth}, ${under.angleDeg}°`}</li>
          {piece.lap !== null && <li>Keep {full(piece.lap, 'shortLength')} over the next width</li>}
          {piece.two && <li>Two people: one at each end</li>}
          <li>{howToLay(piece, isWet(own.step))}</li>
          {piece.notes.map((text) => (
            <li key={text}>{words(text)}</li>
          ))}
        </ul>
      </div>
      <NotTaken text={refusal} />
      {read && refusal === null && (
        <p className="floor-done" role="status">
          ✓ Label read
        </p>
      )}
      <div className="lay-acts">
        <Scan onCode={(code) => void lay(code, 'scanned')} />
        <Button className="lay-tick" onClick={() => void lay(piece.code, 'ticked')}>
          It lies
        </Button>
      </div>
      <Form.Control
        className="mt-2"
        aria-label="Lot of the roll"
        placeholder="Lot of the roll, kept for the next pieces"
        value={lot}
        maxLength={60}
        onChange={(event) => setLot(event.target.value)}
      />
      <PastLots typed={lot} />
      <h3 className="mt-3">Then</h3>
      <ol className="lay-next" start={laid + 2}>
        {left
          .filter(({ code }) => code !== piece.code)
          .slice(0, NEXT)
          .map((one) => (
            <li key={one.code}>
              <button type="button" className="plain-button" onClick={() => setChosen(one.code)}>
                {one.cloth}, {one.angleDeg}°, {one.place}{' '}
                {one.hand !== 'none' && one.hand !== 'across' && `(${one.hand})`}
              </button>
            </li>
          ))}
      </ol>
      <LastLaid own={own} />
    </article>
  );
}

/** How it is laid: a core is bedded, wet cloth rolled, dry cloth smoothed in. */
function howToLay({ isCore }: LaidPiece, wet: boolean): string {
  if (isCore) return wet ? 'Bed it, press from the middle out' : 'Butt it up to the next, no gap wider than a match';
  return wet
    ? 'Roll from the middle out, take off what is too much'
    : 'Smooth it in from the middle out, no bridge in a corner';
}

/** What lies under a piece already: the last layer over one of its zones. */
function underOf(piece: LaidPiece, pieces: ReadonlyMap<string, LaidPiece>, { laid }: StepState): LaidPiece | null {
  const below = [...pieces.values()].filter(
    (one) =>
      one.partId === piece.partId &&
      one.layerNumber < piece.layerNumber &&
      one.zones.some((zone) => piece.zones.includes(zone)),
  );
  const lying = below.filter(({ code }) => laid.has(code));
  const all = lying.length > 0 ? lying : below;
  return all.reduce<LaidPiece | null>((top, one) => (top && top.layerNumber > one.layerNumber ? top : one), null);
}

/** A hand scanner types and ends with Enter; the camera reads; a hand types. */
function Scan({ onCode }: { onCode: (code: string) => void }) {
  const [typed, setTyped] = useState('');
  return (
    <div className="lay-scan">
      <Form
        className="d-flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim() !== '') onCode(typed);
          setTyped('');
        }}
      >
        <Form.Control
          aria-label="Label of the piece"
          placeholder="Scan its label"
          autoComplete="off"
          value={typed}
          maxLength={200}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="submit" variant="outline-primary">
          Read
        </Button>
      </Form>
      <CodeCamera onCode={onCode} />
    </div>
  );
}

/** The piece that was laid last, and the way back. */
function LastLaid({ own }: { own: StepState }) {
  const { state } = useFloor();
  const last = [...own.laid.values()].at(-1);
  if (!last) return null;
  const piece = state.pieces.get(last.body.code);
  return (
    <p className="lay-last">
      Last: {piece?.cloth}, {piece?.place}, by {last.person}{' '}
      <TakeBack record={last} title="Take the last piece back" act="It does not lie" />
    </p>
  );
}
