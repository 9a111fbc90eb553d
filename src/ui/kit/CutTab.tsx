'use client';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Alert, Form } from 'react-bootstrap';
import type { Cutting, KitPieces, Piece } from '@/core/kit';
import { api, wordsOf } from '../shared/api';
import { useDesign } from '../shared/boat';
import { useKept } from '../shared/useKept';
import { AllCloth } from './AllCloth';
import { OfCore } from './OfCore';
import { countOf, cuttables, type CutFor } from './cuttables';
import { OfFabric } from './OfFabric';
import { usePieces } from './usePieces';

interface KitHead {
  id: string;
  hull: string;
  revision: string;
}
/** How the pieces of a fabric lie on its rolls: from save time to save cloth. */
export function CutTab({ cutting }: { cutting: Cutting }) {
  const { id: boatId, boat } = useDesign();
  const { data: kits } = useQuery({
    queryKey: ['kits', boatId],
    queryFn: () => api<KitHead[]>('GET', `/api/boats/${boatId}/kits`),
  });
  const [kept, setKit] = useKept<string>('kit.cutFor', '', (id) => kits?.some((kit) => kit.id === id) ?? true);
  const kit = kits?.find(({ id }) => id === kept) ?? null;
  return (
    <>
      {kits && kits.length > 0 && (
        <Form.Group controlId="kit-cut-for" className="mb-2" style={{ maxWidth: 420 }}>
          <Form.Label className="mb-0">Cut for</Form.Label>
          <Form.Select size="sm" value={kit?.id ?? ''} onChange={({ target }) => setKit(target.value)}>
            <option value="">the boat as it stands now, for no hull</option>
            {kits.map(({ id, hull, revision }) => (
              <option key={id} value={id}>
                hull {hull}, its kit of revision {revision}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      )}
      {kit ? <OfKit kit={kit} /> : <OfDraft cutting={cutting} cutFor={{ kitId: null, name: boat.name }} />}
    </>
  );
}

function OfDraft({ cutting, cutFor }: { cutting: Cutting; cutFor: CutFor }) {
  const { boat } = useDesign();
  return <Found pieces={usePieces(boat, cutting)} cutting={cutting} cutFor={cutFor} />;
}

/** The pieces of a kit as it was frozen, whatever the boat has become since. */
function OfKit({ kit: { id, hull } }: { kit: KitHead }) {
  const { id: boatId, boat } = useDesign();
  const { data, error } = useQuery({
    queryKey: ['kit', boatId, id],
    queryFn: () => api<{ kit: KitPieces; cutting: Cutting }>('GET', `/api/boats/${boatId}/kits/${id}`),
    staleTime: Infinity,
  });
  if (error) return <Found pieces={wordsOf(error)} cutting={null} cutFor={{ kitId: id, name: hull }} />;
  const cutFor = { kitId: id, name: `${boat.name}, hull ${hull}` };
  return <Found pieces={data?.kit ?? null} cutting={data?.cutting ?? null} cutFor={cutFor} />;
}

function Found({
  pieces,
  cutting,
  cutFor,
}: {
  pieces: KitPieces | string | null;
  cutting: Cutting | null;
  cutFor: CutFor;
}) {
  if (typeof pieces === 'string')
    return (
      <Alert variant="danger" role="alert">
        ✕ {pieces}.
      </Alert>
    );
  if (pieces === null || cutting === null)
    return (
      <p className="soft" role="status">
        Developing the pieces…
      </p>
    );
  if (pieces.problems.length > 0)
    return (
      <Alert variant="danger" role="alert">
        ✕ The kit stops: {pieces.problems[0]}. See Pieces.
      </Alert>
    );
  return <Materials pieces={pieces.pieces} cutting={cutting} cutFor={cutFor} />;
}

function Materials({ pieces, cutting, cutFor }: { pieces: readonly Piece[]; cutting: Cutting; cutFor: CutFor }) {
  const { boat } = useDesign();
  const all = useMemo(() => cuttables(boat, pieces), [boat, pieces]);
  const [kept, setKey] = useKept<string>('kit.fabric', '', (key) => all.some((one) => one.key === key));
  const chosen = all.find(({ key }) => key === kept) ?? all[0];
  const lost = pieces.filter(({ material }) => !boat.materials.some(({ id }) => id === material));
  if (!chosen) return <p className="soft">No cloth is laid yet: lay a first schedule in the Lay-up.</p>;
  const { key, material, pieces: own } = chosen;
  return (
    <>
      {lost.length > 0 && (
        <p>
          △ {countOf(lost)} pieces of this kit are of materials that the boat has no more: they are not laid out here.
        </p>
      )}
      <div className="d-flex gap-3 align-items-end flex-wrap mb-2">
        <Form.Group controlId="kit-fabric">
          <Form.Label className="mb-0">Fabric or board</Form.Label>
          <Form.Select size="sm" value={key} onChange={(event) => setKey(event.target.value)}>
            {all.map((one) => (
              <option key={one.key} value={one.key}>
                {one.name}, {countOf(one.pieces)} pieces
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <AllCloth all={all} cutting={cutting} cutFor={cutFor} onOpen={setKey} />
      </div>
      {material.kind === 'fabric' ? (
        <OfFabric key={key} fabric={material} pieces={own} cutting={cutting} cutFor={cutFor} />
      ) : (
        <OfCore key={key} board={material} pieces={own} cutting={cutting} cutFor={cutFor} />
      )}
    </>
  );
}
