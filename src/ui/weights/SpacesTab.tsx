'use client';
import { useDeferredValue, useMemo, useState } from 'react';
import { Button, ButtonGroup, Card, Dropdown, Form } from 'react-bootstrap';
import { nanoid } from 'nanoid';
import { shapeOf, SPACE_KINDS, spaceSchema, type Boat, type Space, type SpaceKind } from '@/core/document';
import { solid } from '@/core/float';
import { formFields, writeAt } from '@/core/field';
import { bodyOfSpace, floatIn, roomsOf, swamped, type Mass, type Room } from '@/core/weight';
import { EntityForm } from '../shared/EntityForm';
import { PickButton } from '../shared/PickButton';
import { Refusal } from '../shared/Refusal';
import { TextField } from '../shared/TextField';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';
import { BuoyancyCard } from './BuoyancyCard';
import { SpacesPicture } from './SpacesPicture';
import { TankCard } from './TankCard';
import { useMasses } from './useMasses';

/** A space to begin with. */
function newSpace(boat: Boat, kind: SpaceKind, room?: Room): Space {
  const { waterlineLength, maximumBeam } = boat.brief;
  const round = (value: number) => Number(value.toFixed(2));
  const common = {
    id: nanoid(8),
    name: SPACE_KINDS[kind],
    from: round(0.35 * waterlineLength),
    to: round(0.55 * waterlineLength),
    bottom: 0,
    top: 0.4,
    inner: kind === 'compartment' ? 0 : round(0.2 * maximumBeam),
    outer: kind === 'tank' ? round(0.4 * maximumBeam) : null,
    hand: 'both' as const,
    ...(room && { ...room, name: room.name.slice(0, 60), inner: 0, outer: null }),
  };
  switch (kind) {
    case 'compartment':
      return { ...common, kind, closure: 'openable', free: 0.95 };
    case 'foam':
      return { ...common, kind, density: 35, filled: 0.95, uptake: 0.05 };
    case 'tank':
      return { ...common, kind, density: 840, gap: 0, overflow: 0.5 };
  }
}

/** Compartments, foam and tanks: where they lie, what lifts the boat full of water, what a tank holds. */
export function SpacesTab() {
  const live = useMasses();
  const { boat, evaluations } = live;
  // What is typed shows at once; the water follows.
  const settled = useDeferredValue(live);
  const edit = useEdit();
  const { full } = useUnits();
  const [chosen, setChosen] = useState<string | null>(boat.spaces[0]?.id ?? null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [openable, setOpenable] = useState(false);
  const shape = useMemo(() => shapeOf(boat), [boat]);
  const space = boat.spaces.find(({ id }) => id === chosen);
  const foamDensity = boat.spaces.find((one) => one.kind === 'foam')?.density ?? 35;
  const found = useMemo(
    () => swamped(settled.boat, settled.masses, { openable, foamDensity }),
    [settled, openable, foamDensity],
  );
  const add = (kind: SpaceKind, room?: Room) => {
    const item = newSpace(boat, kind, room);
    const refused = edit({ type: 'space.add', item, index: boat.spaces.length });
    setRefusal(refused ?? null);
    if (!refused) setChosen(item.id);
  };
  if (!shape)
    return <p className="soft">The boat has no shape yet: draw its hull under Zones, then its spaces have volumes.</p>;
  return (
    <>
      <Card className="mb-3">
        <Card.Body>
          <SpacesPicture
            boat={boat}
            shape={shape}
            chosen={chosen}
            plane={'reason' in found.state ? null : found.state.plane}
            onChoose={setChosen}
            onMove={(item) => setRefusal(edit({ type: 'space.set', item }) ?? null)}
          />
        </Card.Body>
      </Card>
      <div className="weights-columns mb-3">
        <Card>
          <Card.Body className="d-grid gap-2 align-content-start">
            <div className="d-flex justify-content-between">
              <h2 className="mb-0">Spaces</h2>
              <Dropdown as={ButtonGroup}>
                <Dropdown.Toggle size="sm" id="add-space">
                  Add a space
                </Dropdown.Toggle>
                <Dropdown.Menu>
                  {Object.entries(SPACE_KINDS).map(([kind, name]) => (
                    <Dropdown.Item key={kind} onClick={() => add(kind as SpaceKind)}>
                      {name}
                    </Dropdown.Item>
                  ))}
                  <Dropdown.Divider />
                  <Dropdown.Header>Compartment that the structure makes</Dropdown.Header>
                  {roomsOf(boat).map((room) => (
                    <Dropdown.Item key={room.name} onClick={() => add('compartment', room)}>
                      {room.name}
                    </Dropdown.Item>
                  ))}
                </Dropdown.Menu>
              </Dropdown>
            </div>
            <Refusal text={refusal} onClose={() => setRefusal(null)} />
            <table className="table table-sm mb-0" aria-label="Spaces">
              <tbody>
                {boat.spaces.map((one) => (
                  <tr key={one.id} className={one.id === chosen ? 'chosen-row' : ''}>
                    <td>
                      <PickButton onPick={() => setChosen(one.id)}>{one.name}</PickButton>
                    </td>
                    <td className="small">{SPACE_KINDS[one.kind]}</td>
                    <td className="num">{full(solid(bodyOfSpace(shape, one))?.volume ?? 0, 'volume')}</td>
                  </tr>
                ))}
                {boat.spaces.length === 0 && (
                  <tr>
                    <td className="soft">None yet: add what is closed off, foamed, or holds fuel and water.</td>
                  </tr>
                )}
              </tbody>
            </table>
            {space && (
              <div className="d-grid gap-2 no-print" key={space.id}>
                <TextField
                  label="Name of the space"
                  value={space.name}
                  maximum={60}
                  onCommit={(name) => edit({ type: 'space.set', item: { ...space, name } })}
                />
                <EntityForm
                  fields={formFields(spaceSchema, '', ['id', 'name', 'kind'], space)}
                  value={space}
                  optionsOf={() => []}
                  additionTo={() => null}
                  onSet={(key, value) => edit({ type: 'space.set', item: writeAt(space, key, value) })}
                />
                <div>
                  <Button
                    size="sm"
                    variant="outline-primary"
                    onClick={() => {
                      setRefusal(edit({ type: 'space.remove', id: space.id }) ?? null);
                      setChosen(null);
                    }}
                  >
                    Remove it
                  </Button>
                </div>
              </div>
            )}
          </Card.Body>
        </Card>
        <BuoyancyCard
          found={found}
          foamDensity={foamDensity}
          openable={
            <Form.Check
              id="openable"
              label="Take hatches and plugs for closed"
              checked={openable}
              onChange={(event) => setOpenable(event.target.checked)}
            />
          }
        />
      </div>
      {space?.kind === 'tank' && <TankCard boat={boat} shape={shape} tank={space} evaluations={evaluations} />}
      {boat.spaces.some(({ kind }) => kind !== 'foam') && <Flooded boat={settled.boat} masses={settled.masses} />}
    </>
  );
}

/** What one space that stands open to the sea does to the boat in full load. */
function Flooded({ boat, masses }: { boat: Boat; masses: readonly Mass[] }) {
  const { full } = useUnits();
  const cases = useMemo(
    () =>
      boat.spaces
        .filter(({ kind }) => kind !== 'foam')
        .map((space) => ({ space, state: floatIn(boat, masses, 'full', [space]) })),
    [boat, masses],
  );
  return (
    <Card className="mb-3">
      <Card.Body>
        <h2>One of them open to the sea, in full load</h2>
        <table className="table table-sm mb-0" aria-label="One space flooded">
          <thead>
            <tr>
              <th>Open to the sea</th>
              <th className="num">Trim, bow up</th>
              <th className="num">Heel</th>
              <th className="num">Least freeboard</th>
              <th>Upright</th>
            </tr>
          </thead>
          <tbody>
            {cases.map(({ space, state }) => (
              <tr key={space.id}>
                <td>{space.name}</td>
                {'reason' in state ? (
                  <td colSpan={4}>
                    <span className="verdict fails">✕</span> {state.reason}
                  </td>
                ) : (
                  <>
                    <td className="num">{full(state.trimDeg, 'angle')}</td>
                    <td className="num">{full(state.heelDeg, 'angle')}</td>
                    <td className="num">{full(state.least.height, 'length')}</td>
                    <td>{state.stable && state.least.height > 0 ? '✓ floats' : '✕ under or over'}</td>
                  </>
                )}
              </tr>
            ))}
          </tbody>
        </table>
        <p className="small soft mb-0">
          The space fills to the level outside; the rest of the hull stays dry. Not checked: what runs on through
          openings once the deck edge is under.
        </p>
      </Card.Body>
    </Card>
  );
}
