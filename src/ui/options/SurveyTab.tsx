'use client';
import { useQuery } from '@tanstack/react-query';
import { Button, Card } from 'react-bootstrap';
import { X } from 'react-bootstrap-icons';
import type { Part, Zone } from '@/core/document';
import type { Material } from '@/core/material';
import { MOST_PICTURE, type KeptSurvey, type PartRead, type Reading, type Survey } from '@/core/option';
import { api } from '../shared/api';
import { useDesign } from '../shared/boat';
import { FileButton } from '../shared/FileButton';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { TextField } from '../shared/TextField';
import { useZoneShown } from '../shared/useZoneShown';
import { ZonePicker } from '../shared/ZonePicker';
import { PartPicture } from './PartPicture';
import { Picks } from './Picks';
import { ReadView } from './ReadView';
import { SearchCard } from './SearchCard';
import { useSearch } from './useSearch';
import { surveyKey, useSurvey } from './useSurvey';

/** An existing part, read at places of it: which laminates it may be, and what they come to. */
export function SurveyTab({ shelf }: { shelf: readonly Material[] }) {
  const { id: boatId, boat } = useDesign();
  const { part, zone, choose } = useZoneShown(boat);
  const zoneId = zone?.id ?? '';
  const { data, error } = useQuery({
    queryKey: surveyKey(boatId, zoneId),
    queryFn: () => api<KeptSurvey>('GET', `/api/boats/${boatId}/surveys/${zoneId}`),
    enabled: zone !== undefined,
    refetchOnWindowFocus: false,
  });
  if (!part || !zone) return <p className="soft">This boat has no zones yet. Add one under Zones.</p>;
  return (
    <>
      <div className="d-flex align-items-center gap-3 mb-2 flex-wrap">
        <ZonePicker zoneId={zone.id} onChoose={choose} />
        <span className="soft">
          Read it at some places: thickness, what is seen in a drilled or sawn edge, what is left after burning off.
        </span>
      </div>
      {error && (
        <p className="verdict fails d-block" role="alert">
          ✕ {error.message}
        </p>
      )}
      {data && <Readings key={zone.id} kept={data} part={part} zone={zone} shelf={shelf} />}
    </>
  );
}

const NEW: Omit<Reading, 'at'> = { thickness: null, coating: null, core: null, layers: null, fibre: null, note: '' };

interface ReadingsProps {
  kept: KeptSurvey;
  part: Part;
  zone: Zone;
  shelf: readonly Material[];
}

function Readings({ kept, part, zone, shelf }: ReadingsProps) {
  const { id: boatId, boat } = useDesign();
  const { now, change, refusal, setRefusal } = useSurvey(kept, boatId, zone.id);
  const search = useSearch<Survey, PartRead>(
    'read',
    boat,
    (remote, ask, { boat: of, known, onStep }) =>
      remote.read({ boat: of, partId: part.id, zoneId: zone.id, ...ask, shelf: [...shelf] }, known, onStep) as Promise<
        PartRead | string
      >,
  );
  const put = (i: number, patch: Partial<Reading>) =>
    change({ readings: now.readings.map((reading, at) => (at === i ? { ...reading, ...patch } : reading)) });
  const load = (file: File) => {
    if (file.size > 0.74 * MOST_PICTURE) return setRefusal('The picture is larger than 2 MB: load a smaller one');
    const reader = new FileReader();
    reader.onload = () => change({}, String(reader.result));
    reader.onerror = () => setRefusal('The picture could not be read');
    reader.readAsDataURL(file);
  };
  const inPart = new Set(part.layers.map(({ material }) => material));
  const byId = new Map([...shelf, ...boat.materials].map((material) => [material.id, material]));
  const picksOf = (kind: 'fabric' | 'core', chosen: readonly string[]) => {
    const all = [...byId.values()].filter((one) => one.kind === kind).map(({ id, name }) => ({ id, name }));
    const first = all.filter(({ id }) => inPart.has(id) || chosen.includes(id));
    return { options: first, more: all.filter((one) => !first.includes(one)) };
  };
  const { result } = search;
  const read = result !== null && typeof result !== 'string' ? result : null;
  return (
    <div className="d-grid gap-3">
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <Card body>
        <div className="d-flex gap-2 mb-2 flex-wrap">
          <FileButton label="A photograph of the part" accept="image/png,image/jpeg,image/webp" onFile={load}>
            Load a picture
          </FileButton>
          {now.picture && (
            <Button size="sm" variant="outline-primary" onClick={() => change({}, null)}>
              Take the picture off
            </Button>
          )}
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() => change({ readings: [...now.readings, { ...NEW, at: [0.5, 0.5] }] })}
          >
            Add a reading
          </Button>
          <Button
            size="sm"
            disabled={search.running || now.readings.length === 0}
            onClick={() => search.run({ readings: now.readings, cloths: now.cloths, cores: now.cores }, boat)}
          >
            What may it be?
          </Button>
        </div>
        <PartPicture
          boat={boat}
          zone={zone}
          picture={now.picture}
          readings={now.readings}
          thickest={read?.thickest ?? null}
          onAdd={(at) => change({ readings: [...now.readings, { ...NEW, at }] })}
        />
        {now.readings.length === 0 && (
          <p className="soft mb-0 mt-2">Nothing is read yet. Click on the picture where you read, or add a reading.</p>
        )}
        {now.readings.length > 0 && (
          <div className="table-responsive mt-2">
            <table className="table table-sm sheet-table mb-0" aria-label="Readings">
              <thead>
                <tr>
                  <th scope="col">No.</th>
                  <th scope="col">Thickness, coating included</th>
                  <th scope="col">Coating</th>
                  <th scope="col">Core, 0 for none</th>
                  <th scope="col">Layers seen</th>
                  <th scope="col">Fibre after burning off</th>
                  <th scope="col">Note</th>
                  <th scope="col">
                    <span className="visually-hidden">Take out</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {now.readings.map((reading, i) => (
                  <tr key={i}>
                    <td className="num">{i + 1}</td>
                    {(['thickness', 'coating', 'core'] as const).map((key) => (
                      <td key={key}>
                        <QuantityField
                          label={`${key} of reading ${i + 1}`}
                          hideLabel
                          kind="thickness"
                          value={reading[key]}
                          minimum={key === 'core' ? 0 : 0.00005}
                          maximum={key === 'core' ? 0.2 : 0.3}
                          optional
                          onCommit={(value) => put(i, { [key]: value })}
                        />
                      </td>
                    ))}
                    <td>
                      <QuantityField
                        label={`layers of reading ${i + 1}`}
                        hideLabel
                        kind="ratio"
                        value={reading.layers}
                        minimum={1}
                        maximum={80}
                        optional
                        onCommit={(value) => {
                          if (value !== null && !Number.isInteger(value)) return 'A whole number';
                          put(i, { layers: value });
                          return undefined;
                        }}
                      />
                    </td>
                    <td>
                      <QuantityField
                        label={`fibre of reading ${i + 1}`}
                        hideLabel
                        kind="arealWeight"
                        value={reading.fibre}
                        minimum={0.01}
                        maximum={60}
                        optional
                        onCommit={(value) => put(i, { fibre: value })}
                      />
                    </td>
                    <td>
                      <TextField
                        label={`Note of reading ${i + 1}`}
                        hideLabel
                        value={reading.note}
                        maximum={200}
                        onCommit={(note) => {
                          put(i, { note });
                          return undefined;
                        }}
                      />
                    </td>
                    <td>
                      <button
                        type="button"
                        className="plain-button"
                        aria-label={`Take out reading ${i + 1}`}
                        onClick={() => change({ readings: now.readings.filter((_, at) => at !== i) })}
                      >
                        <X aria-hidden />
                      </button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        <div className="habit-lists">
          <Picks
            label="Cloths it may be laid of, at most three"
            {...picksOf('fabric', now.cloths)}
            chosen={now.cloths}
            onChoose={(cloths) => change({ cloths })}
          />
          <Picks
            label="Cores it may have"
            {...picksOf('core', now.cores)}
            chosen={now.cores}
            onChoose={(cores) => change({ cores })}
          />
        </div>
      </Card>
      <SearchCard search={search} boat={boat} wayOut="Add or correct a reading, or tick other cloths or cores." />
      {read && search.of && (
        <ReadView read={read} of={search.of} current={search.of === boat} part={part} zone={zone} shelf={shelf} />
      )}
    </div>
  );
}
