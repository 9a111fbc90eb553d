'use client';
import { useState } from 'react';
import { Alert, Button, Card, Form } from 'react-bootstrap';
import { formatNumber } from '@/core/quantity';
import {
  coefficientLabel,
  coefficientsOf,
  PACK_KINDS,
  packDifference,
  packSchema,
  packStatus,
  withCoefficient,
  type StandardPack,
} from '@/core/standard';
import { slug } from '@/core/material';
import { api, wordsOf } from '../shared/api';
import { FileButton } from '../shared/FileButton';
import { Frame } from '../shared/Frame';
import { SignOffForm } from './SignOffForm';
import { Refusal } from '../shared/Refusal';

/** A figure of a pack, typed in place; what is refused stays until it is right. */
function CoefficientField({
  pack,
  path,
  value,
  onChange,
}: {
  pack: StandardPack;
  path: string;
  value: number;
  onChange: (pack: StandardPack) => void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const commit = () => {
    if (draft === null) return;
    const next = Number(draft.replace(',', '.'));
    if (draft.trim() === '' || !Number.isFinite(next)) return setRefusal('A number is needed.');
    if (next === value) return setDraft(null);
    try {
      onChange(withCoefficient(pack, path, next));
      setDraft(null);
      setRefusal(null);
    } catch (error) {
      setRefusal((error as Error).message);
    }
  };
  return (
    <>
      <Form.Control
        size="sm"
        className="num coefficient"
        aria-label={coefficientLabel(path)}
        value={draft ?? String(value)}
        isInvalid={refusal !== null}
        onChange={(event) => {
          setDraft(event.target.value.slice(0, 30));
          setRefusal(null);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') setDraft(null);
        }}
      />
      {refusal && <div className="invalid-feedback d-block">{refusal}</div>}
    </>
  );
}

/** The build standards: what each asks, whose copy differs from the shipped one in what, who signed for it. */
function saidDifference(count: number, from: string): string {
  if (count === 0) return 'Nothing differs from the shipped pack.';
  const differs = count === 1 ? 'coefficient differs' : 'coefficients differ';
  return `${count} ${differs} from ${from}, marked below. A change takes the sign-off away.`;
}

export function PacksScreen({ initial }: { initial: StandardPack[] }) {
  const [packs, setPacks] = useState(initial);
  const [chosen, setChosen] = useState(initial[0]!.id);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const pack = packs.find(({ id }) => id === chosen) ?? packs[0]!;
  const original = packs.find(({ id }) => id === pack.basedOn) ?? null;
  const differs = new Map((original ? packDifference(original, pack) : []).map((change) => [change.path, change]));
  const own = pack.basedOn !== null;

  const attempt = async (work: () => Promise<string>) => {
    setTrouble(null);
    setSaid(null);
    try {
      const words = await work();
      setPacks(await api<StandardPack[]>('GET', '/api/packs'));
      setSaid(words);
    } catch (error) {
      setTrouble(wordsOf(error));
      // What was not taken goes back to what the server holds.
      await api<StandardPack[]>('GET', '/api/packs').then(setPacks, () => undefined);
    }
  };
  const put = (next: StandardPack, words: string) => {
    // Shown at once: the next change must build on this one, not on what the server last said.
    setPacks((known) => known.map((one) => (one.id === next.id ? next : one)));
    return attempt(async () => {
      await api('PUT', `/api/packs/${next.id}`, next);
      return words;
    });
  };
  const copy = () =>
    attempt(async () => {
      const taken = new Set(packs.map(({ id }) => id));
      const base = slug(`${pack.title} copy`).slice(0, 50);
      const id = Array.from({ length: 99 }, (_, i) => (i === 0 ? base : `${base}-${i + 1}`)).find(
        (candidate) => !taken.has(candidate),
      )!;
      await api(
        'POST',
        '/api/packs',
        packSchema.parse({
          ...pack,
          id,
          title: `${pack.title}, copy`,
          basedOn: pack.basedOn ?? pack.id,
          signOff: null,
        }),
      );
      setChosen(id);
      return 'Copied: its coefficients can now be changed.';
    });
  const bring = (chosenFile: File) =>
    attempt(async () => {
      const saved = await api<StandardPack>('POST', '/api/packs/import', await chosenFile.text());
      setChosen(saved.id);
      return `${saved.title} is here, unverified until somebody of this yard signs.`;
    });

  return (
    <Frame head={<h1>Standards</h1>}>
      <p className="question">What do we build to, and who checked it?</p>
      <Refusal text={trouble} onClose={() => setTrouble(null)} />
      {said && (
        <Alert variant="light" dismissible onClose={() => setSaid(null)} className="py-2 border">
          {said}
        </Alert>
      )}
      <div className="packs">
        <div className="d-grid gap-2 align-content-start">
          {packs.map((one) => (
            <Card key={one.id} className={one.id === pack.id ? 'chosen-card' : ''}>
              <Card.Body className="py-2">
                <button
                  type="button"
                  className="reason-button fw-semibold"
                  aria-pressed={one.id === pack.id}
                  onClick={() => setChosen(one.id)}
                >
                  {one.title}
                </button>
                <div className="small soft">
                  {PACK_KINDS[one.kind]}, {one.edition}
                </div>
                <div className="small">
                  <span className={`verdict ${one.signOff ? 'meets' : 'thin'}`}>
                    {one.signOff ? '✓' : '△'} {packStatus(one)}
                  </span>
                  {one.basedOn && <span className="soft ms-2">a copy</span>}
                </div>
              </Card.Body>
            </Card>
          ))}
          <div className="d-flex gap-2">
            <FileButton
              label="Pack as JSON"
              accept=".json,application/json"
              onFile={(chosenFile) => void bring(chosenFile)}
            >
              Bring a pack in
            </FileButton>
          </div>
          <p className="small soft mb-0">
            A boat keeps its own copy of a pack; Brief tells when this one has moved on.
          </p>
        </div>
        <Card>
          <Card.Body>
            <div className="d-flex justify-content-between align-items-start gap-3">
              <div>
                <h2 className="mb-1">{pack.title}</h2>
                <p className="small mb-2">{pack.statement}</p>
              </div>
              <div className="d-flex gap-2">
                <Button size="sm" onClick={() => void copy()}>
                  Make a copy
                </Button>
                <a className="btn btn-outline-primary btn-sm" href={`/api/packs/${pack.id}/export`} download>
                  JSON
                </a>
                {own && (
                  <Button
                    size="sm"
                    variant="outline-primary"
                    onClick={() =>
                      void attempt(async () => {
                        await api('DELETE', `/api/packs/${pack.id}`);
                        return `${pack.title} is dropped; boats that use it keep theirs.`;
                      })
                    }
                  >
                    Drop
                  </Button>
                )}
              </div>
            </div>
            <SignOffForm
              key={`${pack.id}-${pack.signOff?.at ?? ''}`}
              pack={pack}
              onSign={(signOff) =>
                put(
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
                    void put({ ...pack, title: event.target.value, signOff: null } as StandardPack, 'Renamed.')
                  }
                />
              </Form.Group>
            )}
            <p className="small mb-1">
              {own
                ? saidDifference(differs.size, original?.title ?? 'the shipped pack')
                : 'Shipped: to change a coefficient, make a copy.'}
            </p>
            <table className="table table-sm align-middle" aria-label={`Coefficients of ${pack.title}`}>
              <thead>
                <tr>
                  <th>Coefficient</th>
                  <th className="num">Value</th>
                  {own && <th className="num">Shipped</th>}
                </tr>
              </thead>
              <tbody>
                {coefficientsOf(pack).map(({ path, value }) => {
                  const change = differs.get(path);
                  return (
                    <tr key={`${pack.id}-${path}`}>
                      <td>
                        {coefficientLabel(path)} {change && <span className="verdict thin ms-1">△ changed</span>}
                      </td>
                      <td className="num">
                        {own ? (
                          <CoefficientField
                            pack={pack}
                            path={path}
                            value={value}
                            onChange={(next) =>
                              void put(
                                next,
                                `${coefficientLabel(path)} is now ${coefficientsOf(next).find((c) => c.path === path)!.value}.`,
                              )
                            }
                          />
                        ) : (
                          String(value)
                        )}
                      </td>
                      {own && <td className="num soft">{change ? formatNumber(change.was ?? NaN, 4) : ''}</td>}
                    </tr>
                  );
                })}
              </tbody>
            </table>
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
