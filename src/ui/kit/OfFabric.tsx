'use client';
import { useMemo, useState } from 'react';
import { Alert, Button, Card, Form } from 'react-bootstrap';
import { CUT_WAYS, movedByHand, saidPiece, type CutPlace, type CutWay } from '@/core/kit';
import { useUnits } from '../shared/units';
import { useStock } from '../shared/useStock';
import { BookCut } from './BookCut';
import { ClothCard } from './ClothCard';
import { saidStock } from './clothInStore';
import { CutFoot } from './CutFoot';
import { countOf } from './cuttables';
import {
  nameOfPlace,
  putWay,
  runCut,
  setBooked,
  setFast,
  stopCut,
  takeBackMove,
  useCut,
  type CutState,
} from './cutStore';
import { PieceMoves } from './PieceMoves';
import { LOOKS, useCutInput, useCutKey, type CutQuestion } from './useCutInput';
import { WaysTable } from './WaysTable';
import { Progress } from '../shared/Progress';

/** The ways to cut one fabric: looked for, compared, changed by hand, booked. */
export function OfFabric(question: CutQuestion) {
  const { fabric, pieces } = question;
  const { full } = useUnits();
  const { key, mark } = useCutKey(question);
  const plan = useCut(key, mark);
  const { stock, book } = useStock(fabric.id);
  const { ask, currency } = useCutInput();
  const nested = plan.ways.find(({ name }) => name === 'nested');
  const fast = nested?.places.filter((place) => plan.fast.includes(nameOfPlace(place))) ?? [];
  const look = (looks: number, onward: boolean) => {
    if (!stock) return;
    const from = onward && fast.length === 0 ? nested?.lay : undefined;
    void runCut(key, mark, {
      ...ask(question, stock, looks),
      ...(fast.length > 0 ? { fast } : {}),
      ...(from ? { from } : {}),
    });
  };
  const nothing = !plan.running && plan.ways.length === 0 && plan.refusal === null;
  return (
    <>
      <div className="d-flex gap-2 align-items-center flex-wrap mb-2">
        <Button size="sm" disabled={plan.running || !stock} onClick={() => look(LOOKS.quick, false)}>
          {fast.length > 0 ? `Nest the rest round what lies fast (${fast.length})` : 'Lay it out'}
        </Button>
        <Button
          size="sm"
          variant="outline-primary"
          disabled={plan.running || !stock}
          onClick={() => look(LOOKS.long, true)}
        >
          {nested?.lay && fast.length === 0 ? 'Go on looking from here' : 'Look longer'}
        </Button>
        <span className="soft">
          Roll {full(fabric.width.value, 'length')} wide, {full(fabric.rollLength.value, 'length')} long;{' '}
          {saidStock(stock, full)}.
        </span>
      </div>
      {plan.running && <Looking plan={plan} onStop={() => stopCut(key, mark)} />}
      {plan.stopped && (
        <Card body className="mb-3">
          Stopped.{' '}
          {plan.ways.length > 0
            ? 'What stands here is the best until then; it can be gone on from.'
            : 'Nothing was changed.'}
        </Card>
      )}
      {plan.refusal !== null && (
        <Alert variant="danger" role="alert">
          ✕ {plan.refusal}.
        </Alert>
      )}
      {plan.ways.length > 0 && (
        <Ways
          question={question}
          plan={plan}
          currency={currency}
          store={{ key, mark }}
          input={stock && ask(question, stock, 0)}
          onBook={book}
        />
      )}
      {nothing && !plan.stopped && (
        <p className="soft">
          Three ways to cut {countOf(pieces)} pieces are compared: straight cuts that are trimmed on the mould, true
          shapes in rows, true shapes nested.
        </p>
      )}
    </>
  );
}

function Looking({ plan, onStop }: { plan: CutState; onStop: () => void }) {
  const { full } = useUnits();
  const length = plan.ways.find(({ name }) => name === 'nested')?.length ?? plan.progress?.length;
  return (
    <Card body aria-busy className="mb-3">
      <div className="d-flex gap-3 align-items-center">
        <Progress className="flex-grow-1" share={plan.progress?.done ?? 0} label="How far the nesting is" />
        <span className="soft text-nowrap" role="status">
          {length !== undefined && Number.isFinite(length)
            ? `best so far ${full(length, 'length')} of roll`
            : 'Beginning…'}
        </span>
        <Button size="sm" variant="outline-primary" onClick={onStop}>
          Stop
        </Button>
      </div>
    </Card>
  );
}

function Ways({
  question,
  plan,
  currency,
  store: { key, mark },
  input,
  onBook,
}: {
  question: CutQuestion;
  plan: CutState;
  currency: string;
  store: { key: string; mark: string };
  input: ReturnType<ReturnType<typeof useCutInput>['ask']> | null;
  onBook: ReturnType<typeof useStock>['book'];
}) {
  const { fabric, pieces, cutFor } = question;
  const { full } = useUnits();
  const { ways, fast } = plan;
  const [at, setAt] = useState(2);
  const [chosen, setChosen] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const way = ways[Math.min(at, ways.length - 1)]!;
  const byId = useMemo(() => new Map(pieces.map((piece) => [piece.id, piece])), [pieces]);
  const labelOf = (pieceId: string) => (byId.has(pieceId) ? saidPiece(byId.get(pieceId)!) : pieceId);
  const fastSet = useMemo(() => new Set(fast), [fast]);
  const place = way.places.find((one) => nameOfPlace(one) === chosen) ?? null;
  const byHand = way.name === 'nested' && !plan.running && input !== null;
  const move = (one: CutPlace, to: { clothId: string; x: number; y: number }, turnHalf = false) => {
    const next: CutWay | string = movedByHand(input!, way, { place: one, to, turnHalf });
    setRefusal(typeof next === 'string' ? next : null);
    if (typeof next !== 'string') putWay(key, mark, next);
  };
  const toggleFast = (name: string) =>
    setFast(key, mark, fastSet.has(name) ? fast.filter((one) => one !== name) : [...fast, name]);
  const moves = byHand
    ? {
        chosen,
        fast: fastSet,
        onChoose: (one: CutPlace) => setChosen(nameOfPlace(one)),
        onMove: (one: CutPlace, x: number, y: number) => move(one, { clothId: one.clothId, x, y }),
      }
    : undefined;
  return (
    <>
      <Form.Group controlId="kit-way" className="mb-2 kit-slider">
        <Form.Label className="mb-0 d-flex justify-content-between">
          <span>save time</span>
          <span className="fw-semibold">{CUT_WAYS[way.name]}</span>
          <span>save cloth</span>
        </Form.Label>
        <Form.Range
          min={0}
          max={ways.length - 1}
          value={Math.min(at, ways.length - 1)}
          onChange={(event) => setAt(Number(event.target.value))}
        />
      </Form.Group>
      <WaysTable ways={ways} way={way} currency={currency} onChoose={setAt} />
      {byHand && (
        <PieceMoves
          place={place}
          said={place ? labelOf(place.pieceId) : ''}
          cloths={way.cloth}
          isFast={chosen !== null && fastSet.has(chosen)}
          fastCount={fast.length}
          moved={plan.before.length}
          refusal={refusal}
          onRefusalClosed={() => setRefusal(null)}
          onFast={() => chosen !== null && toggleFast(chosen)}
          onLoose={() => setFast(key, mark, [])}
          onTurn={() => place && move(place, turnedAbout(place), true)}
          onCloth={(clothId) => place && move(place, { clothId, x: place.x, y: place.y })}
          onBack={() => takeBackMove(key, mark)}
        />
      )}
      {way.cloth.map((cloth) => (
        <ClothCard
          key={cloth.id}
          way={way}
          cloth={cloth}
          fabric={fabric}
          byId={byId}
          labelOf={labelOf}
          name={cutFor.name}
          moves={moves}
        />
      ))}
      {!plan.running && (
        <BookCut
          key={way.name}
          way={way}
          fabric={fabric}
          cutFor={cutFor}
          booked={plan.booked}
          onBooked={() => setBooked(key, mark)}
          onBook={onBook}
        />
      )}
      {way.offcuts.length > 0 && (
        <p className="small">
          Worth keeping:{' '}
          {way.offcuts
            .map(({ from, width, length }) => `${full(width, 'length')} × ${full(length, 'length')} from ${from}`)
            .join('; ')}
          .
        </p>
      )}
      <CutFoot name={`${cutFor.name} ${fabric.code}`} body={{ fabric: fabric.id, way, pieces }} />
    </>
  );
}

/** Where the origin comes to lie when a piece is turned by half about its middle. */
function turnedAbout({ clothId, x, y, outline }: CutPlace) {
  const [xs, ys] = [outline.map(([u]) => u), outline.map(([, v]) => v)];
  const [mx, my] = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
  return { clothId, x: 2 * mx - x, y: 2 * my - y };
}
