'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useQuery } from '@tanstack/react-query';
import {
  DEFECT_KINDS,
  DISPOSITIONS,
  USUAL_REPAIR,
  type CheckedRepair,
  type DefectState,
  type Disposition,
  type Repair,
} from '@/core/build';
import { api, textOf } from '../shared/api';
import { Moment } from '../shared/Moment';
import { useUnits } from '../shared/units';
import { useWho } from '../shared/who';
import { Ask } from './Ask';
import { FloorPhoto } from './FloorPhoto';
import { RepairAsk, RepairFound } from './RepairAsk';
import { SkinMap } from './SkinMap';
import { useFloor } from './useFloor';

/** Every defect on the picture of its part, what was decided, what is still open. */
export function DefectsView({ onAdd }: { onAdd: () => void }) {
  const { state } = useFloor();
  const defects = [...state.defects.values()];
  const numbers = new Map(defects.map(({ record }, i) => [record.id, i + 1]));
  return (
    <section aria-label="Defects">
      <div className="d-flex align-items-center gap-2 mb-2">
        <h2 className="mb-0">
          Defects: {defects.filter(({ open }) => open).length} open of {defects.length}
        </h2>
        <span className="spacer" />
        <Button onClick={onAdd}>△ Something is wrong</Button>
      </div>
      {defects.length === 0 && <p>None recorded.</p>}
      {state.plan.parts
        .filter(({ id }) => defects.some(({ record }) => record.body.part === id))
        .map((part) => {
          const own = defects.filter(({ record }) => record.body.part === part.id);
          return (
            <div key={part.id} className="mb-3">
              <h3>{part.name}</h3>
              {part.skins
                .filter((skin) => own.some(({ record }) => record.body.skin === skin.id))
                .map((skin) => (
                  <SkinMap key={skin.id} skin={skin} label={`${skin.name} with its defects`}>
                    {([w, h]) =>
                      own
                        .filter(({ record }) => record.body.skin === skin.id)
                        .map(({ record, open }) => (
                          <g key={record.id} transform={`translate(${record.body.at[0] * w} ${record.body.at[1] * h})`}>
                            <circle r="14" className={`defect-mark ${open ? 'open' : 'closed'}`} />
                            <text textAnchor="middle" dy="5" className="defect-number">
                              {numbers.get(record.id)}
                            </text>
                          </g>
                        ))
                    }
                  </SkinMap>
                ))}
              {own.map((defect) => (
                <DefectCard key={defect.record.id} defect={defect} number={numbers.get(defect.record.id)!} />
              ))}
            </div>
          );
        })}
    </section>
  );
}

/** The laminate that a defect is repaired with: as it was checked when it was decided, its pieces on demand. */
function HowRepaired({ defect: { record, disposed } }: { defect: DefectState }) {
  const { build } = useFloor();
  const { words } = useUnits();
  const [open, setOpen] = useState(false);
  const { repair, found } = disposed!.body;
  const asked = JSON.stringify({ zone: record.body.zone, size: record.body.size, repair });
  const { data, error } = useQuery({
    queryKey: ['repair', build.id, asked],
    queryFn: () => api<CheckedRepair>('GET', `/api/builds/${build.id}/repair?asked=${encodeURIComponent(asked)}`),
    enabled: open,
    retry: false,
  });
  return (
    <div>
      Its own laminate:{' '}
      {found ? `${found.verdict === 'notProven' ? 'not proven' : found.verdict}, ${found.says}` : '△ not checked'}
      <Button size="sm" variant="outline-primary" className="ms-2" aria-expanded={open} onClick={() => setOpen(!open)}>
        Pieces and steps
      </Button>
      {open && error && <p className="floor-refusal">✕ {words(textOf(error))}</p>}
      {open && data && <RepairFound found={data} />}
    </div>
  );
}

function DefectCard({ defect, number }: { defect: DefectState; number: number }) {
  const { build, state, note } = useFloor();
  const { full } = useUnits();
  const { may } = useWho();
  const [asking, setAsking] = useState<'decide' | 'repaired' | null>(null);
  const [said, setSaid] = useState('');
  const [what, setWhat] = useState<Disposition>('repair');
  const [repair, setRepair] = useState<Repair | null>(null);
  const [found, setFound] = useState<{ verdict: string; says: string } | null>(null);
  const { record, disposed, repaired, open } = defect;
  const { kind, size, zone, photos, part } = record.body;
  const zones = state.plan.parts.find(({ id }) => id === part)?.skins.flatMap((skin) => skin.zones) ?? [];
  const leave = () => {
    setAsking(null);
    setSaid('');
    setRepair(null);
    setFound(null);
  };
  const decided = () => {
    const own = what === 'repair' && repair ? { repair, ...(found && { found }) } : {};
    return note('disposed', { defect: record.id, what, reason: said.trim(), ...own });
  };
  return (
    <article className={`floor-card defect ${open ? 'open' : ''}`} aria-label={`Defect ${number}`}>
      <div>
        <strong>
          {number} {open ? '△ open' : '✓ closed'}: {DEFECT_KINDS[kind]}, {full(size, 'shortLength')}
        </strong>
        <div>
          {zones.find(({ id }) => id === zone)?.name ?? 'beside the zones'} · {record.person},{' '}
          <Moment iso={record.at} />
        </div>
        {record.body.note && <div>{record.body.note}</div>}
        {disposed && (
          <div>
            {DISPOSITIONS[disposed.body.what]}: {disposed.body.reason} ({disposed.person})
          </div>
        )}
        {disposed?.body.repair && <HowRepaired defect={defect} />}
        {repaired && (
          <div>
            ✓ repaired, signed by {repaired.person} {repaired.body.note && `: ${repaired.body.note}`}
          </div>
        )}
        <div className="defect-photos">
          {photos.map((id, i) => (
            <FloorPhoto
              key={id}
              src={`/api/builds/${build.id}/photos/${id}`}
              alt={`Defect ${number}, photograph ${i + 1}`}
            />
          ))}
        </div>
      </div>
      {may('dispose') && open && (
        <div className="d-grid gap-2">
          <Button variant="outline-primary" onClick={() => setAsking('decide')}>
            Decide
          </Button>
          {disposed?.body.what === 'repair' && <Button onClick={() => setAsking('repaired')}>Sign the repair</Button>}
        </div>
      )}
      {asking === 'decide' && (
        <Ask
          title={`Defect ${number}: what becomes of it?`}
          act="So it is decided"
          disabled={said.trim().length < 3}
          onAct={decided}
          onLeave={leave}
        >
          {(Object.keys(DISPOSITIONS) as Disposition[]).map((one) => (
            <Form.Check
              key={one}
              type="radio"
              name="disposition"
              id={`disposition-${one}`}
              label={DISPOSITIONS[one]}
              checked={what === one}
              onChange={() => setWhat(one)}
            />
          ))}
          {what === 'repair' && (
            <Form.Check
              className="mt-2"
              id="disposition-laminate"
              label="by a laminate of its own, checked against the revision"
              checked={repair !== null}
              onChange={(event) => {
                setRepair(event.target.checked ? USUAL_REPAIR : null);
                setFound(null);
              }}
            />
          )}
          {what === 'repair' && repair && (
            <RepairAsk zone={zone} size={size} repair={repair} onChange={setRepair} onFound={setFound} />
          )}
          <Form.Group controlId="disposition-reason" className="mt-2">
            <Form.Label>Why, and how</Form.Label>
            <Form.Control
              as="textarea"
              rows={2}
              value={said}
              maxLength={500}
              onChange={(event) => setSaid(event.target.value)}
            />
          </Form.Group>
        </Ask>
      )}
      {asking === 'repaired' && (
        <Ask
          title={`Defect ${number} is repaired`}
          act="Sign the repair"
          onAct={() => note('repaired', { defect: record.id, note: said.trim() })}
          onLeave={leave}
        >
          <Form.Group controlId="repair-note">
            <Form.Label>What was done</Form.Label>
            <Form.Control
              as="textarea"
              rows={2}
              value={said}
              maxLength={500}
              onChange={(event) => setSaid(event.target.value)}
            />
          </Form.Group>
        </Ask>
      )}
    </article>
  );
}
