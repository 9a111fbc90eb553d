'use client';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Card, Col, Row } from 'react-bootstrap';
import { boatToJson } from '@/core/document';
import type { Material } from '@/core/material';
import type { NewBoatOrder } from '@/core/option';
import type { BoatSummary, TemplateSummary } from '@/core/revision';
import { api, wordsOf } from '../shared/api';
import { Frame } from '../shared/Frame';
import { Refusal } from '../shared/Refusal';
import { HouseUnitsProvider, UnitsSwitch } from '../shared/units';
import { useBegun } from '../shared/useProofs';
import { Outcome } from './Outcome';
import { OrderForm } from './OrderForm';
import { SourcePicker } from './SourcePicker';
import { useSource, type SourceChoice } from './useSource';

const ORDER: NewBoatOrder = { name: '', particulars: {}, process: null, layup: 'first', parts: null };

/** What does the new boat begin from? */
export function NewBoatScreen({ templates, boats }: { templates: TemplateSummary[]; boats: BoatSummary[] }) {
  const router = useRouter();
  const [choice, setChoice] = useState<SourceChoice>({ kind: 'template', id: templates[0]!.id });
  const [order, setOrder] = useState<NewBoatOrder>(ORDER);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { data: shelf } = useQuery({
    queryKey: ['shelf', 'materials'],
    queryFn: async () => (await api<{ material: Material }[]>('GET', '/api/shelf')).map(({ material }) => material),
  });
  const { source, error } = useSource(choice);
  const { begun, current } = useBegun(source, { ...order, name: order.name.trim() || 'New boat' }, shelf ?? null);

  const choose = (next: SourceChoice) => {
    setChoice(next);
    // Particulars and parts are those of the source; the name stays.
    setOrder({ ...ORDER, name: order.name, layup: next.kind === 'boat' ? 'source' : 'first' });
  };
  const create = async () => {
    if (begun === null || typeof begun === 'string') return;
    setBusy(true);
    setTrouble(null);
    try {
      const { id } = await api<{ id: string }>('POST', '/api/boats/import', boatToJson(begun.boat));
      router.push(`/boats/${id}/layup`);
    } catch (refused) {
      setTrouble(wordsOf(refused));
      setBusy(false);
    }
  };
  const ready = current && begun !== null && typeof begun !== 'string' && order.name.trim() !== '';
  return (
    <Frame
      head={
        <>
          <h1>New boat</h1>
          <span className="spacer" />
          <UnitsSwitch />
        </>
      }
    >
      <p className="question">What does it begin from?</p>
      <Refusal text={trouble ?? error} onClose={() => setTrouble(null)} />
      <HouseUnitsProvider units={source?.brief.units ?? 'metric'}>
        <Row className="g-3">
          <Col lg={5} className="d-grid gap-3 align-content-start">
            <SourcePicker
              templates={templates}
              boats={boats}
              choice={choice}
              onChoose={choose}
              onTrouble={setTrouble}
            />
          </Col>
          <Col lg={7} className="d-grid gap-3 align-content-start">
            <Card>
              <Card.Body className="d-grid gap-2">
                {source ? (
                  <OrderForm source={source} order={order} onChange={setOrder} />
                ) : (
                  <p className="soft mb-0">Reading what it begins from …</p>
                )}
                <div className="d-flex align-items-center gap-2">
                  <Button disabled={!ready || busy} onClick={() => void create()}>
                    Create the boat
                  </Button>
                  {order.name.trim() === '' && <span className="soft">It needs a name.</span>}
                </div>
              </Card.Body>
            </Card>
            <Card>
              <Card.Body>
                <Outcome begun={begun} current={current} />
              </Card.Body>
            </Card>
          </Col>
        </Row>
      </HouseUnitsProvider>
    </Frame>
  );
}
