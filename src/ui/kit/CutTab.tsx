'use client';
import { useMemo, useState } from 'react';
import { Alert, Button, Card, Form, ProgressBar } from 'react-bootstrap';
import { USUAL_RATES } from '@/core/cost';
import {
  cutSvg,
  CUT_WAYS,
  saidPiece,
  type Cloth,
  type CutInput,
  type CutWay,
  type Cutting,
  type Piece,
  type StockLine,
} from '@/core/kit';
import type { Boat } from '@/core/document';
import { fabricArealWeight, type Core, type Fabric } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { useDesign } from '../shared/boat';
import { saveFile } from '../shared/saveFile';
import { useKept } from '../shared/useKept';
import { useUnits } from '../shared/units';
import { useStock } from '../shared/useStock';
import { useYard } from '../shared/useYard';
import { BookCut } from './BookCut';
import { OfCore } from './OfCore';
import { RollPicture } from './RollPicture';
import { useCutPlan } from './useCutPlan';
import { usePieces } from './usePieces';

/** Places looked at for the nested way: about ten seconds. */
const LOOKS = { quick: 2_000_000, long: 12_000_000 };

/** How the pieces of a fabric lie on its rolls: from save time to save cloth. */
export function CutTab({ cutting }: { cutting: Cutting }) {
  const { boat } = useDesign();
  const pieces = usePieces(boat, cutting);
  if (pieces === null)
    return (
      <p className="soft" role="status">
        Developing the pieces…
      </p>
    );
  if (typeof pieces === 'string')
    return (
      <Alert variant="danger" role="alert">
        ✕ {pieces}.
      </Alert>
    );
  if (pieces.problems.length > 0)
    return (
      <Alert variant="danger" role="alert">
        ✕ The kit stops: {pieces.problems[0]}. See Pieces.
      </Alert>
    );
  return <Fabrics pieces={pieces.pieces} cutting={cutting} />;
}

const countOf = (pieces: readonly Piece[]) => pieces.reduce((sum, { count }) => sum + count, 0);

/** A fabric, or a core of one thickness, with its pieces. */
interface Cuttable {
  key: string;
  name: string;
  material: Fabric | Core;
  pieces: Piece[];
}

function cuttables(boat: Boat, pieces: readonly Piece[]): Cuttable[] {
  const groups = new Map<string, Cuttable>();
  for (const piece of pieces) {
    const material = boat.materials.find(({ id }) => id === piece.material);
    if (material?.kind !== 'fabric' && material?.kind !== 'core') continue;
    const key = material.kind === 'core' ? `${material.id} ${piece.thickness}` : material.id;
    const thick = piece.thickness === null ? '' : `, ${formatNumber(1000 * piece.thickness, 0)} mm`;
    const group = groups.get(key) ?? { key, name: `${material.name}${thick}`, material, pieces: [] };
    group.pieces.push(piece);
    groups.set(key, group);
  }
  return [...groups.values()].sort((a, b) => Number(a.material.kind === 'core') - Number(b.material.kind === 'core'));
}

function Fabrics({ pieces, cutting }: { pieces: readonly Piece[]; cutting: Cutting }) {
  const { boat } = useDesign();
  const all = useMemo(() => cuttables(boat, pieces), [boat, pieces]);
  const [kept, setKey] = useKept<string>('kit.fabric', '', (key) => all.some((one) => one.key === key));
  const chosen = all.find(({ key }) => key === kept) ?? all[0];
  if (!chosen) return <p className="soft">No cloth is laid yet: lay a first schedule in the Lay-up.</p>;
  const { key, material, pieces: own } = chosen;
  return (
    <>
      <div className="d-flex gap-3 align-items-end flex-wrap mb-2">
        <Form.Group controlId="kit-fabric">
          <Form.Label className="mb-0">Fabric or core</Form.Label>
          <Form.Select size="sm" value={key} onChange={(event) => setKey(event.target.value)}>
            {all.map((one) => (
              <option key={one.key} value={one.key}>
                {one.name}, {countOf(one.pieces)} pieces
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      {material.kind === 'fabric' ? (
        <OfFabric key={key} fabric={material} pieces={own} cutting={cutting} />
      ) : (
        <OfCore key={key} core={material} pieces={own} cutting={cutting} />
      )}
    </>
  );
}

function OfFabric({ fabric, pieces, cutting }: { fabric: Fabric; pieces: readonly Piece[]; cutting: Cutting }) {
  const { id: boatId, boat } = useDesign();
  const { full } = useUnits();
  const yard = useYard();
  const { labour, overhead, currency } = yard?.rates ?? USUAL_RATES;
  const mark = useMemo(
    () => JSON.stringify([boatId, cutting, pieces.map(({ id, count, outline }) => [id, count, outline])]),
    [boatId, cutting, pieces],
  );
  const plan = useCutPlan(fabric.id, mark);
  const { stock, book } = useStock(fabric.id);
  const ask = (looks: number): CutInput => ({
    material: fabric,
    pieces,
    cutting,
    cloth: clothIn(stock ?? []),
    looks,
    seed: 1,
    clothPrice: fabric.price ? fabric.price.value * fabricArealWeight(fabric) : null,
    labour: labour * (1 + overhead),
  });
  const ways = plan.result !== null && typeof plan.result !== 'string' ? plan.result : null;
  return (
    <>
      <div className="d-flex gap-2 align-items-center flex-wrap mb-2">
        <Button size="sm" disabled={plan.running || !stock} onClick={() => plan.run(ask(LOOKS.quick))}>
          Lay it out
        </Button>
        <Button
          size="sm"
          variant="outline-primary"
          disabled={plan.running || !stock}
          onClick={() => plan.run(ask(LOOKS.long))}
        >
          Look longer
        </Button>
        <span className="soft">
          Roll {full(fabric.width.value, 'length')} wide, {full(fabric.rollLength.value, 'length')} long;{' '}
          {saidStock(stock, full)}.
        </span>
      </div>
      {plan.running && (
        <Card body aria-busy className="mb-3">
          <div className="d-flex gap-3 align-items-center">
            <ProgressBar
              className="flex-grow-1"
              now={(plan.progress?.done ?? 0) * 100}
              aria-label="How far the nesting is"
            />
            <span className="soft text-nowrap" role="status">
              {plan.progress && Number.isFinite(plan.progress.length)
                ? `best so far ${full(plan.progress.length, 'length')} of roll`
                : 'Beginning…'}
            </span>
            <Button size="sm" variant="outline-primary" onClick={plan.stop}>
              Stop
            </Button>
          </div>
        </Card>
      )}
      {plan.stopped && plan.result === null && (
        <Card body className="mb-3">
          Stopped. Nothing was changed.
        </Card>
      )}
      {typeof plan.result === 'string' && (
        <Alert variant="danger" role="alert">
          ✕ {plan.result}.
        </Alert>
      )}
      {ways && (
        <Ways
          ways={ways}
          fabric={fabric}
          pieces={pieces}
          boatName={boat.name}
          booked={plan.booked}
          onBooked={plan.book}
          onBook={book}
          currency={currency}
        />
      )}
      {!plan.running && !ways && !plan.stopped && typeof plan.result !== 'string' && (
        <p className="soft">
          Three ways to cut {countOf(pieces)} pieces are compared: straight cuts that are trimmed on the mould, true
          shapes in rows, true shapes nested.
        </p>
      )}
    </>
  );
}

interface WaysProps {
  ways: CutWay[];
  fabric: Fabric;
  pieces: readonly Piece[];
  boatName: string;
  booked: boolean;
  onBooked: () => void;
  onBook: ReturnType<typeof useStock>['book'];
  currency: string;
}

/** What of the store can be cut from: offcuts first, the smallest first, then rolls. */
const clothIn = (stock: readonly StockLine[]): Cloth[] => {
  const today = new Date().toISOString().slice(0, 10);
  const there = stock.filter(({ left, expires }) => left > 0 && (expires === null || expires >= today));
  const offcuts = there.filter(({ kind }) => kind === 'offcut');
  const rolls = there.filter(({ kind }) => kind === 'roll').sort((a, b) => a.left - b.left);
  return [
    ...offcuts.map(({ id, lot, outline }): Cloth => ({ id, name: `offcut ${lot}`, length: null, outline })),
    ...rolls.map(({ id, lot, left }): Cloth => ({ id, name: `roll ${lot || id}`, length: left, outline: null })),
  ];
};
function saidStock(stock: readonly StockLine[] | null, full: (value: number, kind: 'length') => string): string {
  if (!stock) return 'looking into the store';
  const cloth = clothIn(stock);
  const rolls = cloth.filter(({ outline }) => outline === null);
  const offcuts = cloth.length - rolls.length;
  if (cloth.length === 0) return 'none of it lies in the store, so new rolls are taken';
  const metres = rolls.reduce((sum, { length }) => sum + (length ?? 0), 0);
  return `in the store ${full(metres, 'length')} on ${rolls.length} rolls and ${offcuts} offcuts`;
}

function Ways({ ways, fabric, pieces, boatName, booked, onBooked, onBook, currency }: WaysProps) {
  const { show, full, unit } = useUnits();
  const [at, setAt] = useState(ways.length - 1);
  const way = ways[Math.min(at, ways.length - 1)]!;
  const byId = useMemo(() => new Map(pieces.map((piece) => [piece.id, piece])), [pieces]);
  const labelOf = (pieceId: string) => {
    const piece = byId.get(pieceId);
    return piece ? saidPiece(piece) : pieceId;
  };
  const money = (value: number | null) => (value === null ? 'no price' : formatNumber(value, 0));
  const file = `${boatName} ${fabric.code}`.replace(/[^\p{L}\p{N}]+/gu, '-');
  const dxf = async (clothId: string) => {
    const { cutDxf } = await import('@/core/kit/out/cutDxf');
    saveFile(`${file}-${clothId}.dxf`, cutDxf(way, clothId, labelOf), 'image/vnd.dxf');
  };
  return (
    <>
      <Form.Group controlId="kit-way" className="mb-2 kit-slider">
        <Form.Label className="mb-0 d-flex justify-content-between">
          <span>save time</span>
          <span className="fw-semibold">{CUT_WAYS[way.name]}</span>
          <span>save cloth</span>
        </Form.Label>
        <Form.Range min={0} max={ways.length - 1} value={at} onChange={(event) => setAt(Number(event.target.value))} />
      </Form.Group>
      <Card className="mb-3">
        <Card.Body className="p-0 table-responsive">
          <table className="table table-sm mb-0" aria-label="Ways to cut it">
            <thead>
              <tr>
                <th scope="col">Way</th>
                <th scope="col" className="num">
                  of roll, {unit('length')}
                </th>
                <th scope="col" className="num">
                  in pieces
                </th>
                <th scope="col" className="num">
                  knife, {unit('length')}
                </th>
                <th scope="col" className="num">
                  pieces
                </th>
                <th scope="col" className="num">
                  minutes
                </th>
                <th scope="col" className="num">
                  cloth, {currency}
                </th>
                <th scope="col" className="num">
                  cutting
                </th>
                <th scope="col" className="num">
                  together
                </th>
                <th scope="col" className="num">
                  of it falls away
                </th>
              </tr>
            </thead>
            <tbody>
              {ways.map((one, i) => (
                <tr key={one.name} className={one === way ? 'table-active' : undefined}>
                  <th scope="row" className="fw-normal">
                    <button
                      type="button"
                      className="btn btn-link btn-sm p-0 text-start"
                      aria-pressed={one === way}
                      onClick={() => setAt(i)}
                    >
                      {CUT_WAYS[one.name]}
                    </button>
                  </th>
                  <td className="num">{show(one.length, 'length')}</td>
                  <td className="num">{formatNumber(100 * one.utilisation, 0)} %</td>
                  <td className="num">{show(one.cutLength, 'length')}</td>
                  <td className="num">{one.cuts}</td>
                  <td className="num">{formatNumber(one.minutes, 0)}</td>
                  <td className="num">{money(one.clothMoney)}</td>
                  <td className="num">{money(one.labourMoney)}</td>
                  <td className="num">{one.clothMoney === null ? '?' : money(one.clothMoney + one.labourMoney)}</td>
                  <td className="num">{money(one.wasteMoney)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Card.Body>
      </Card>
      {way.cloth.map((cloth) => (
        <Card body className="mb-3" key={cloth.id}>
          <div className="d-flex gap-2 align-items-center flex-wrap mb-1">
            <h2 className="me-auto mb-0">
              {fabric.code}, {cloth.name}
              {cloth.outline === null && `: ${full(cloth.taken, 'length')}`}
              {cloth.length !== null && <span className="soft fw-normal"> of {full(cloth.length, 'length')}</span>}
            </h2>
            <Button size="sm" variant="outline-primary" onClick={() => void dxf(cloth.id)}>
              DXF
            </Button>
            <Button
              size="sm"
              variant="outline-primary"
              onClick={() =>
                saveFile(
                  `${file}-${cloth.id}.svg`,
                  cutSvg(way, cloth.id, { width: fabric.width.value, labelOf }),
                  'image/svg+xml',
                )
              }
            >
              SVG
            </Button>
          </div>
          <RollPicture way={way} cloth={cloth} width={fabric.width.value} byId={byId} />
        </Card>
      ))}
      <BookCut
        key={way.name}
        way={way}
        fabric={fabric}
        boatName={boatName}
        booked={booked}
        onBooked={onBooked}
        onBook={onBook}
      />
      {way.offcuts.length > 0 && (
        <p className="small">
          Worth keeping:{' '}
          {way.offcuts
            .map(({ from, width, length }) => `${full(width, 'length')} × ${full(length, 'length')} from ${from}`)
            .join('; ')}
          .
        </p>
      )}
      <p className="small soft">
        Warp along the roll, nothing mirrored; pieces for port and starboard are drawn apart. A fresh blade and gloves;
        cut carbon dust conducts and irritates: extract it, keep it off plugs.{' '}
        <Button
          size="sm"
          variant="link"
          className="p-0 align-baseline"
          onClick={() =>
            saveFile(`${file}.json`, JSON.stringify({ fabric: fabric.id, way, pieces }, null, 1), 'application/json')
          }
        >
          The lay as JSON
        </Button>
      </p>
    </>
  );
}
