'use client';
import { useState } from 'react';
import { Button, Card, Form } from 'react-bootstrap';
import { api, wordsOf } from '../shared/api';
import { Moment } from '../shared/Moment';
import { Refusal } from '../shared/Refusal';

/** Where copies go besides, and how that went the last time. */
export interface SecondPlace {
  folder: string | null;
  reached: string | null;
  problem: string | null;
}

/** A folder of another disk or machine to which copies are carried. */
export function SecondPlaceCard({ place, onDone }: { place: SecondPlace; onDone: () => Promise<unknown> }) {
  const [typed, setTyped] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const set = async (folder: string | null) => {
    setRefusal(null);
    try {
      await api('PUT', '/api/safekeeping/place', { folder });
      setTyped(null);
      await onDone();
    } catch (error) {
      setRefusal(wordsOf(error));
    }
  };
  const folder = typed ?? place.folder ?? '';
  return (
    <Card className="mt-3">
      <Card.Body>
        <h2>A second place</h2>
        {place.folder === null ? (
          <p className="mb-2">
            <span className="verdict thin">△</span> All copies are on this machine: what takes it takes them too. Name a
            folder of another machine on the yard’s network, or of a disk that goes home.
          </p>
        ) : (
          <p className="mb-2">
            {place.problem !== null && (
              <>
                <span className="verdict fails">✕</span> Not reached, {place.problem}.{' '}
              </>
            )}
            {place.reached === null ? (
              'Nothing was copied there yet.'
            ) : (
              <>
                {place.problem === null && <span className="verdict meets">✓</span>} Last copied there{' '}
                <Moment iso={place.reached} />.
              </>
            )}
          </p>
        )}
        <Refusal text={refusal} />
        <Form
          className="d-flex flex-wrap gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void set(folder.trim());
          }}
        >
          <Form.Control
            className="narrow"
            aria-label="Folder of the second place"
            placeholder="/mnt/office/keramos"
            value={folder}
            maxLength={400}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button type="submit" size="sm" disabled={folder.trim() === ''}>
            Copy there too
          </Button>
          {place.folder !== null && (
            <Button size="sm" variant="outline-primary" onClick={() => void set(null)}>
              No second place
            </Button>
          )}
        </Form>
      </Card.Body>
    </Card>
  );
}
