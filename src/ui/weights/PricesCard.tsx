import { format } from 'date-fns';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { offerSchema, PRICED_BY, type Offer, type PriceList } from '@/core/cost';
import type { Boat } from '@/core/document';
import { formFields, writeAt } from '@/core/field';
import { isLayerMaterial } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { EntityForm } from '../shared/EntityForm';
import { Refusal } from '../shared/Refusal';
import { TextField } from '../shared/TextField';
import { isOld } from './CostTables';
import { useSetting } from './useSetting';
import type { YardSettings } from './WeightsScreen';

/** What suppliers ask: one offer a material, by weight, area, length, roll or piece, with its day and breaks. */
export function PricesCard({
  boat,
  prices,
  currency,
  onKept,
}: {
  boat: Boat;
  prices: YardSettings['prices'];
  currency: string;
  onKept: (prices: YardSettings['prices']) => void;
}) {
  const { draft, setDraft, refusal, setRefusal, busy, changed, keep } = useSetting<PriceList>('prices', prices, onKept);
  const [chosen, setChosen] = useState<string | null>(null);
  const bought = boat.materials.filter((material) => isLayerMaterial(material) || material.kind === 'resin');
  const nameOf = (id: string) => boat.materials.find((material) => material.id === id)?.name ?? id;
  const open = bought.filter(({ id }) => !draft.offers.some(({ material }) => material === id));
  const offer = draft.offers.find(({ material }) => material === chosen);
  const set = (next: Offer) =>
    setDraft({ offers: draft.offers.map((one) => (one.material === next.material ? next : one)) });
  const add = (material: string) => {
    const fresh: Offer = {
      material,
      supplier: '',
      by: 'weight',
      price: 0,
      currency,
      date: format(new Date(), 'yyyy-MM-dd'),
      breaks: [],
      waste: null,
      width: null,
      length: null,
    };
    setDraft({ offers: [...draft.offers, fresh] });
    setChosen(material);
  };
  const today = new Date();
  return (
    <Card className="mb-3">
      <Card.Body>
        <div className="d-flex justify-content-between flex-wrap gap-2">
          <h2>
            Prices <span className="soft fw-normal">of the yard, for all boats; the rest is as on the Shelf</span>
          </h2>
          <div className="d-flex gap-2 align-items-center">
            <Form.Select
              size="sm"
              className="w-auto"
              aria-label="Add the price of"
              value=""
              onChange={({ target }) => target.value && add(target.value)}
            >
              <option value="">Add the price of…</option>
              {open.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Form.Select>
            <Button size="sm" disabled={!changed || busy} onClick={() => void keep()}>
              Keep these prices
            </Button>
          </div>
        </div>
        <Refusal text={refusal} onClose={() => setRefusal(null)} />
        <div className="details-columns">
          <table className="table table-sm" aria-label="Prices">
            <tbody>
              {draft.offers.map((one) => (
                <tr key={one.material} className={one.material === chosen ? 'chosen-row' : ''}>
                  <td>
                    <button
                      type="button"
                      className="plain-button fw-semibold text-start"
                      onClick={() => setChosen(one.material)}
                    >
                      {nameOf(one.material)}
                    </button>
                    {isOld(one.date, today) && <span className="verdict thin"> △ over a year old</span>}
                  </td>
                  <td className="num">
                    {formatNumber(one.price, 2)} {one.currency}
                  </td>
                  <td className="small">{PRICED_BY[one.by]}</td>
                </tr>
              ))}
              {draft.offers.length === 0 && (
                <tr>
                  <td className="soft">None yet: every material stands at its price on the Shelf.</td>
                </tr>
              )}
            </tbody>
          </table>
          {offer && (
            <div className="d-grid gap-2 align-content-start" key={offer.material}>
              <TextField
                label="Supplier"
                value={offer.supplier}
                maximum={80}
                onCommit={(supplier) => {
                  set({ ...offer, supplier });
                  return undefined;
                }}
              />
              <div className="detail-fields">
                <TextField
                  label="In the money"
                  value={offer.currency}
                  maximum={8}
                  onCommit={(money) => {
                    set({ ...offer, currency: money });
                    return undefined;
                  }}
                />
                <Form.Group controlId="offer-day">
                  <Form.Label className="mb-0">Day of the offer</Form.Label>
                  <Form.Control
                    type="date"
                    value={offer.date}
                    onChange={({ target }) => target.value && set({ ...offer, date: target.value })}
                  />
                </Form.Group>
              </div>
              <EntityForm
                fields={formFields(offerSchema, '', ['material', 'supplier', 'currency', 'date'], offer)}
                value={offer}
                optionsOf={() => []}
                additionTo={() => ({ from: 100, price: offer.price })}
                onSet={(key, value) => {
                  set(writeAt(offer, key, value));
                  return undefined;
                }}
              />
              <div>
                <Button
                  size="sm"
                  variant="outline-primary"
                  onClick={() => setDraft({ offers: draft.offers.filter((one) => one !== offer) })}
                >
                  Take it off the list
                </Button>
              </div>
            </div>
          )}
        </div>
      </Card.Body>
    </Card>
  );
}
