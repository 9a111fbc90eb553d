'use client';
import { useState } from 'react';
import { Alert, Button, Card, Form } from 'react-bootstrap';
import { PACK_KINDS, packDifference, packStatus, type StandardPack } from '@/core/standard';
import { FileButton } from '../shared/FileButton';
import { Frame } from '../shared/Frame';
import { HeldByBoats } from '../shared/HeldByBoats';
import { Refusal } from '../shared/Refusal';
import { CoefficientTable } from './CoefficientTable';
import { SignOffForm } from './SignOffForm';
import { usePacks } from './usePacks';

function saidDifference(count: number, from: string): string {
  if (count === 0) return 'Nothing differs from the shipped pack.';
  const differs = count === 1 ? 'coefficient differs' : 'coefficients differ';
  return `${count} ${differs} from ${from}, marked below. A change takes the sign-off away.`;
}

/** The build standards: what each asks, whose copy differs from the shipped one in what, who signed for it. */
export function PacksScreen({ initial }: { initial: StandardPack[] }) {
  const packs = usePacks(initial);
  const [chosen, setChosen] = useState(initial[0]!.id);
  const choose = (id: string | undefined) => id !== undefined && setChosen(id);
  const pack = packs.packs.find(({ id }) => id === chosen) ?? packs.packs[0]!;
  const original = packs.packs.find(({ id }) => id === pack.basedOn) ?? null;
  const differs = new Map((original ? packDifference(original, pack) : []).map((change) => [change.path, change]));
  const own = pack.basedOn !== null;

  return (
    <Frame head={<h1>Standards</h1>}>
      <p className="question">What do we build to, and who checked it?</p>
      <Refusal text={packs.trouble} onClose={packs.calm} />
      {packs.said && (
        <Alert variant="light" dismissible onClose={packs.hush} className="py-2 border">
          {packs.said}
        </Alert>
      )}
      <div className="packs">
        <div className="d-grid gap-2 align-content-start">
          {packs.packs.map((one) => (
            <PackCard key={one.id} pack={one} chosen={one.id === pack.id} onChoose={() => setChosen(one.id)} />
          ))}
          <div className="d-flex gap-2">
            <FileButton
              label="Pack as JSON"
              accept=".json,application/json"
              onFile={(file) => void packs.bring(file).then(choose)}
            >
              Bring a pack in
            </FileButton>
          </div>
          <HeldByBoats
            key={pack.id}
            url={`/api/packs/${pack.id}/boats`}
            of={pack}
            none="No boat is built to it."
            why="A boat keeps its own copy of a pack: a coefficient changed here reaches it when it is taken over."
          />
        </div>
        <Card>
          <Card.Body>
            <div className="d-flex justify-content-between align-items-start gap-3">
              <div>
                <h2 className="mb-1">{pack.title}</h2>
                <p className="small mb-2">{pack.statement}</p>
              </div>
              <div className="d-flex gap-2 text-nowrap align-items-start">
                <Button size="sm" onClick={() => void packs.copy(pack).then(choose)}>
                  Make a copy
                </Button>
                <a className="btn btn-outline-primary btn-sm" href={`/api/packs/${pack.id}/export`} download>
                  JSON
                </a>
                {own && (
                  <Button size="sm" variant="outline-primary" onClick={() => void packs.drop(pack)}>
                    Drop
                  </Button>
                )}
              </div>
            </div>
            <SignOffForm
              key={`${pack.id}-${pack.signOff?.at ?? ''}`}
              pack={pack}
              onSign={(signOff) =>
                packs.put(
                  { ...pack, signOff } as StandardPack,
                  signOff ? `${signOff.by} signed for ${pack.title}.` : 'The sign-off is withdrawn.',
                )
              }
            />
            {own && (
              <Form.Group controlId="pack-title" className="mb-2">
                <Form.Label className="mb-0">Title of this copy</Form.Label>
                <Form.Control
                  key={pack.id}
                  size="sm"
                  defaultValue={pack.title}
                  maxLength={120}
                  onBlur={(event) =>
                    event.target.value.trim() !== pack.title &&
                    void packs.put({ ...pack, title: event.target.value, signOff: null } as StandardPack, 'Renamed.')
                  }
                />
              </Form.Group>
            )}
            <p className="small mb-1">
              {own
                ? saidDifference(differs.size, original?.title ?? 'the shipped pack')
                : 'Shipped: to change a coefficient, make a copy.'}
            </p>
            <CoefficientTable
              pack={pack}
              differs={differs}
              onChange={own ? (next, words) => void packs.put(next, words) : null}
            />
            <p className="small soft mb-0">
              The formulas are those of the working behind every number. Only the standard itself, applied by a
              competent person, decides compliance.
            </p>
          </Card.Body>
        </Card>
      </div>
    </Frame>
  );
}

function PackCard({ pack, chosen, onChoose }: { pack: StandardPack; chosen: boolean; onChoose: () => void }) {
  return (
    <Card className={chosen ? 'chosen-card' : ''}>
      <Card.Body className="py-2">
        <button type="button" className="reason-button fw-semibold" aria-pressed={chosen} onClick={onChoose}>
          {pack.title}
        </button>
        <div className="small soft">
          {PACK_KINDS[pack.kind]}, {pack.edition}
        </div>
        <div className="small">
          <span className={`verdict ${pack.signOff ? 'meets' : 'thin'}`}>
            {pack.signOff ? '✓' : '△'} {packStatus(pack)}
          </span>
          {pack.basedOn && <span className="soft ms-2">a copy</span>}
        </div>
      </Card.Body>
    </Card>
  );
}
