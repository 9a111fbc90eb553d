'use client';
import { useRef, useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import type { Cutting, Piece, StockLine } from '@/core/kit';
import type { Fabric } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { api, wordsOf } from '../shared/api';
import { useDesign } from '../shared/boat';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { useFocusBack } from '../shared/useFocusBack';
import { runCut, stopCut, useCut } from './cutStore';
import { countOf, type Cuttable, type CutFor } from './cuttables';
import { cutKey, cutMark, LOOKS, useCutInput } from './useCutInput';

type OfFabric = Cuttable & { material: Fabric };

/** All fabrics laid out one after the other, and what they come to together. */
export function AllCloth({
  all,
  cutting,
  cutFor,
  onOpen,
}: {
  all: readonly Cuttable[];
  cutting: Cutting;
  cutFor: CutFor;
  onOpen: (key: string) => void;
}) {
  const { id: boatId } = useDesign();
  const { ask, currency } = useCutInput();
  const [open, setOpen] = useState(false);
  const focus = useFocusBack(open);
  const [now, setNow] = useState<OfFabric | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const fabrics = all.filter((one): one is OfFabric => one.material.kind === 'fabric');
  const placeOf = ({ material, pieces }: OfFabric) => ({
    key: cutKey(boatId, cutFor, material.id),
    mark: cutMark(cutting, pieces),
  });
  const run = async () => {
    setRefusal(null);
    try {
      for (const one of fabrics) {
        if (stopped.current) break;
        setNow(one);
        const url = `/api/stock?material=${encodeURIComponent(one.material.id)}`;
        const stock = await api<StockLine[]>('GET', url);
        const { key, mark } = placeOf(one);
        await runCut(key, mark, ask({ fabric: one.material, pieces: one.pieces, cutting }, stock, LOOKS.quick));
      }
    } catch (error) {
      setRefusal(wordsOf(error));
    }
    setNow(null);
  };
  const stopped = useRef(false);
  return (
    <>
      <Button size="sm" variant="outline-primary" onClick={() => setOpen(true)}>
        All fabrics at once
      </Button>
      <Modal {...focus} show={open} onHide={() => setOpen(false)} size="lg" scrollable aria-labelledby="all-cloth">
        <Modal.Header closeButton>
          <Modal.Title id="all-cloth" as="h2">
            All fabrics, for {cutFor.name}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <Refusal text={refusal} onClose={() => setRefusal(null)} />
          <table className="table table-sm" aria-label="All fabrics laid out">
            <thead>
              <tr>
                <th scope="col">Fabric</th>
                <th scope="col" className="num">
                  pieces
                </th>
                <th scope="col" className="num">
                  of roll
                </th>
                <th scope="col" className="num">
                  in pieces
                </th>
                <th scope="col" className="num">
                  minutes
                </th>
                <th scope="col" className="num">
                  {currency}
                </th>
                <th scope="col">State</th>
              </tr>
            </thead>
            <tbody>
              {fabrics.map((one) => (
                <FabricRow
                  key={one.key}
                  place={placeOf(one)}
                  name={one.name}
                  pieces={one.pieces}
                  onOpen={() => {
                    onOpen(one.key);
                    setOpen(false);
                  }}
                />
              ))}
            </tbody>
          </table>
          <p className="small soft mb-0">
            Each by its least of cloth and cutting together. It goes on while other tabs are open; boards are laid out
            by themselves.
          </p>
        </Modal.Body>
        <Modal.Footer>
          {now ? (
            <Button
              variant="outline-primary"
              onClick={() => {
                stopped.current = true;
                const { key, mark } = placeOf(now);
                stopCut(key, mark);
                setNow(null);
              }}
            >
              Stop
            </Button>
          ) : (
            <Button
              onClick={() => {
                stopped.current = false;
                void run();
              }}
            >
              Lay out all {fabrics.length}
            </Button>
          )}
        </Modal.Footer>
      </Modal>
    </>
  );
}

function FabricRow({
  place: { key, mark },
  name,
  pieces,
  onOpen,
}: {
  place: { key: string; mark: string };
  name: string;
  pieces: readonly Piece[];
  onOpen: () => void;
}) {
  const { full } = useUnits();
  const { ways, running, refusal } = useCut(key, mark);
  const cost = (way: (typeof ways)[number]) => (way.clothMoney ?? 0) + way.labourMoney;
  const best = ways.length > 0 ? ways.reduce((a, b) => (cost(b) < cost(a) ? b : a)) : null;
  const state = refusal ?? (running ? 'looking…' : null) ?? (best ? 'laid out' : 'not yet');
  return (
    <tr>
      <th scope="row" className="fw-normal">
        <button type="button" className="btn btn-link btn-sm p-0 text-start" onClick={onOpen}>
          {name}
        </button>
      </th>
      <td className="num">{countOf(pieces)}</td>
      <td className="num">{best && full(best.length, 'length')}</td>
      <td className="num">{best && `${formatNumber(100 * best.utilisation, 0)} %`}</td>
      <td className="num">{best && formatNumber(best.minutes, 0)}</td>
      <td className="num">{best && formatNumber(cost(best), 0)}</td>
      <td className="small">
        {state}
        {best && best.clothMoney === null && ', cloth has no price'}
      </td>
    </tr>
  );
}
