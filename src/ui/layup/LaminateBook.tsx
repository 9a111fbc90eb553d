'use client';
import { nanoid } from 'nanoid';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Button, Card } from 'react-bootstrap';
import { layLaminate, usesOf, type Edit } from '@/core/edit';
import type { BookLaminate } from '@/core/revision';
import type { Boat, Part, Reference } from '@/core/document';
import { api, wordsOf } from '../shared/api';
import { useBoat } from '../shared/boat';
import { useUnits } from '../shared/units';

type Act = (label: string | null, ...edits: Edit[]) => string | undefined;

/** A stack in the notation of the literature: [BX45 600 45 / UD 300 0]. */
export function notation(
  materials: Boat['materials'],
  layers: Reference['layers'],
  said: (metres: number) => string,
): string {
  const codes = new Map(materials.map((material) => [material.id, 'code' in material ? material.code : material.name]));
  const each = layers.map(({ material, angleDeg, thickness }) => {
    const given = thickness === null ? `${angleDeg}°` : said(thickness);
    return `${codes.get(material) ?? material} ${given}`.replace('-', '−');
  });
  return `[${each.join(' / ')}]`;
}

/** Laminates defined once: where each is laid, and those of other boats to take over. */
export function LaminateBook({
  boat,
  part,
  zoneIds,
  act,
  say,
  onLaid,
}: {
  boat: Boat;
  part: Part;
  zoneIds: readonly string[];
  act: Act;
  say: (text: string | undefined) => void;
  onLaid: () => void;
}) {
  const { id, save } = useBoat();
  const { full } = useUnits();
  const thick = (metres: number) => full(metres, 'thickness');
  const { data: others, error } = useQuery({
    queryKey: ['laminates'],
    queryFn: () => api<BookLaminate[]>('GET', '/api/laminates'),
    enabled: save === 'saved',
  });
  useEffect(() => {
    if (error) say(wordsOf(error));
  }, [error, say]);
  const zoneNames = part.zones.filter((zone) => zoneIds.includes(zone.id)).map(({ name }) => name);
  const foreign = (others ?? []).filter(({ boatId }) => boatId !== id);
  const fetching = (found: BookLaminate): Edit[] =>
    found.materials
      .filter((material) => !boat.materials.some((own) => own.id === material.id))
      .map((material) => ({ type: 'material.put', material }));
  return (
    <div className="d-grid gap-3 laminate-book">
      <Card>
        <Card.Body>
          <h2>Laminates of this boat</h2>
          {boat.references.length === 0 ? (
            <p className="soft mb-0">
              None yet. Group some layers (G), then keep the group as a laminate (K): it can be laid in other zones,
              parts and boats, and changed once for all.
            </p>
          ) : (
            <table className="table table-sm" aria-label="Laminates of this boat">
              <thead>
                <tr>
                  <th>Laminate</th>
                  <th>Stack from the mould face</th>
                  <th>Where it is used</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                {boat.references.map((laminate) => {
                  const uses = usesOf(boat, laminate);
                  const family = foreign.filter((one) => one.laminate.id === laminate.id);
                  return (
                    <tr key={laminate.id}>
                      <td className="fw-semibold">{laminate.name}</td>
                      <td className="small">{notation(boat.materials, laminate.layers, thick)}</td>
                      <td className="small">
                        {uses.length === 0 && <span className="soft">nowhere in this boat</span>}
                        {uses.map(({ part: name, place, how, differs }) => (
                          <div key={`${name}${place}${how}`}>
                            {name}, {place}
                            {how !== 'laid' && ` (${how})`}
                            {differs && <span className="verdict thin ms-1">△ changed here</span>}
                          </div>
                        ))}
                        {family.map((one) => (
                          <div key={one.boatId}>
                            {one.boatName}{' '}
                            {JSON.stringify(one.laminate.layers) === JSON.stringify(laminate.layers) ? (
                              <span className="soft">the same</span>
                            ) : (
                              <>
                                <span className="verdict thin">△ differs</span>{' '}
                                <button
                                  type="button"
                                  className="reason-button"
                                  title={notation(one.materials, one.laminate.layers, thick)}
                                  onClick={() => {
                                    void import('@/core/edit').then(({ changeLaminate }) => {
                                      const { edits } = changeLaminate(
                                        boat,
                                        { ...laminate, layers: one.laminate.layers },
                                        () => nanoid(8),
                                      );
                                      say(
                                        act(
                                          `took laminate ${laminate.name} as ${one.boatName} has it`,
                                          ...fetching(one),
                                          ...edits,
                                        ),
                                      );
                                    });
                                  }}
                                >
                                  take theirs
                                </button>
                              </>
                            )}
                          </div>
                        ))}
                      </td>
                      <td className="text-nowrap text-end">
                        <Button
                          size="sm"
                          disabled={zoneNames.length === 0}
                          title={`Lay it after the last layer, in ${zoneNames.join(', ')}`}
                          onClick={() => {
                            const said = act(
                              `laid laminate ${laminate.name} in ${zoneNames.join(', ')}`,
                              ...layLaminate(part, laminate, { zones: zoneIds, index: part.layers.length }, () =>
                                nanoid(8),
                              ),
                            );
                            say(said);
                            if (!said) onLaid();
                          }}
                        >
                          Lay in {zoneNames.join(', ')}
                        </Button>{' '}
                        <Button
                          size="sm"
                          variant="outline-primary"
                          disabled={uses.length > 0}
                          title={uses.length > 0 ? 'It is in use' : 'Take it out of the book'}
                          onClick={() => say(act(null, { type: 'reference.remove', id: laminate.id }))}
                        >
                          Remove
                        </Button>
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          )}
        </Card.Body>
      </Card>
      <Card>
        <Card.Body>
          <h2>Laminates of other boats</h2>
          {others === null && <p className="soft mb-0">Fetching them…</p>}
          {others !== null && foreign.length === 0 && <p className="soft mb-0">No other boat keeps a laminate yet.</p>}
          {foreign.length > 0 && (
            <table className="table table-sm" aria-label="Laminates of other boats">
              <thead>
                <tr>
                  <th>Boat</th>
                  <th>Laminate</th>
                  <th>Stack from the mould face</th>
                  <th>Where they use it</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                {foreign.map((one) => {
                  const known = boat.references.some((own) => own.id === one.laminate.id);
                  return (
                    <tr key={`${one.boatId}${one.laminate.id}`}>
                      <td>{one.boatName}</td>
                      <td className="fw-semibold">{one.laminate.name}</td>
                      <td className="small">{notation(one.materials, one.laminate.layers, thick)}</td>
                      <td className="small">{one.uses.join('; ') || <span className="soft">nowhere</span>}</td>
                      <td className="text-end">
                        <Button
                          size="sm"
                          variant="outline-primary"
                          disabled={known}
                          onClick={() =>
                            say(
                              act(`took laminate ${one.laminate.name} from ${one.boatName}`, ...fetching(one), {
                                type: 'reference.add',
                                item: { ...one.laminate, note: one.laminate.note || `From ${one.boatName}` },
                                index: boat.references.length,
                              }),
                            )
                          }
                        >
                          {known ? 'In the book' : 'Take it over'}
                        </Button>
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          )}
        </Card.Body>
      </Card>
    </div>
  );
}
