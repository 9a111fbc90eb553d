import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { PRICED_BY, type Offer, type PriceList } from '@/core/cost';
import { formatNumber } from '@/core/quantity';
import { api, wordsOf } from '../shared/api';
import { OfferFields, newOffer } from '../shared/OfferFields';
import { Refusal } from '../shared/Refusal';

interface Kept {
  body: PriceList;
  version: number;
}
const KEY = ['prices of the yard'];

/** What the yard pays for a material: shown, entered, and kept for all its boats. */
export function YardPrice({ material }: { material: string }) {
  const cache = useQueryClient();
  const { data } = useQuery({ queryKey: KEY, queryFn: () => api<Kept>('GET', '/api/yard/prices') });
  const [draft, setDraft] = useState<Offer | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  if (!data) return null;
  const offer = data.body.offers.find((one) => one.material === material);
  const keep = async (next: Offer | null) => {
    setRefusal(null);
    const others = data.body.offers.filter((one) => one.material !== material);
    const body: PriceList = { offers: next ? [...others, next] : others };
    try {
      cache.setQueryData(KEY, await api<Kept>('PUT', '/api/yard/prices', { body, version: data.version }));
      await cache.invalidateQueries({ queryKey: ['yard books'] });
      setDraft(null);
    } catch (error) {
      setRefusal(wordsOf(error));
    }
  };
  return (
    <div className="mb-2">
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <p className="mb-1">
        {offer
          ? `The yard pays ${formatNumber(offer.price, 2)} ${offer.currency} for ${PRICED_BY[offer.by]}, ` +
            `${offer.supplier || 'an offer'} of ${offer.date}. `
          : 'The yard has no price of its own for it; costs go by the figure above. '}
        {!draft && (
          <Button size="sm" variant="outline-primary" onClick={() => setDraft(offer ?? newOffer(material, 'EUR'))}>
            {offer ? 'Change the price' : 'Enter a price'}
          </Button>
        )}
      </p>
      {draft && (
        <div className="d-grid gap-2">
          <OfferFields offer={draft} onSet={setDraft} />
          <div className="d-flex gap-2">
            <Button size="sm" onClick={() => void keep(draft)}>
              Keep this price
            </Button>
            {offer && (
              <Button size="sm" variant="outline-primary" onClick={() => void keep(null)}>
                Take it off the list
              </Button>
            )}
            <Button size="sm" variant="outline-primary" onClick={() => setDraft(null)}>
              Leave it
            </Button>
          </div>
        </div>
      )}
    </div>
  );
}
