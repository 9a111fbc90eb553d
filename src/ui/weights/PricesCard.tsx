import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { PRICED_BY, type Offer, type PriceList } from '@/core/cost';
import type { Boat } from '@/core/document';
import { isLayerMaterial } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { OfferFields, newOffer } from '../shared/OfferFields';
import { PickButton } from '../shared/PickButton';
import { Refusal } from '../shared/Refusal';
import { isOld } from './CostTables';
import { useSetting } from '../shared/useSetting';
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
    const fresh = newOffer(material, currency);
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
                    <PickButton onPick={() => setChosen(one.material)}>{nameOf(one.material)}</PickButton>
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
              <OfferFields offer={offer} onSet={set} />
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
