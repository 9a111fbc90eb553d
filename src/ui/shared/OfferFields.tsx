import { format } from 'date-fns';
import { Form } from 'react-bootstrap';
import { offerSchema, type Offer } from '@/core/cost';
import { formFields, writeAt } from '@/core/field';
import { EntityForm } from './EntityForm';
import { TextField } from './TextField';

/** An offer to begin with, of today. */
export const newOffer = (material: string, currency: string): Offer => ({
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
});

/** Everything an offer is entered by. */
export function OfferFields({ offer, onSet }: { offer: Offer; onSet: (next: Offer) => void }) {
  const set = (next: Offer) => {
    onSet(next);
    return undefined;
  };
  return (
    <>
      <TextField
        label="Supplier"
        value={offer.supplier}
        maximum={80}
        onCommit={(supplier) => set({ ...offer, supplier })}
      />
      <div className="detail-fields">
        <TextField
          label="In the money"
          value={offer.currency}
          maximum={8}
          onCommit={(currency) => set({ ...offer, currency })}
        />
        <Form.Group controlId={`offer-day-${offer.material}`}>
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
        onSet={(key, value) => set(writeAt(offer, key, value))}
      />
    </>
  );
}
