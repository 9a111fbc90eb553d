'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { ArrowDown, ArrowUp } from 'react-bootstrap-icons';
import { Button, Card, Col, Form, Row } from 'react-bootstrap';
import type { Region, ZoneGeometry } from '@/core/geometry';
import type { QuantityKind } from '@/core/quantity';
import {
  hasTypedPanel,
  panelsToCheck,
  taperOf,
  zonePanels,
  type Boat,
  type Part,
  type Zone,
  locationOf,
} from '@/core/document';
import { isHead, ZONE_LOCATIONS, type ZoneLocation } from '@/core/standard';
import { QuantityField } from '../shared/QuantityField';
import { TextField } from '../shared/TextField';
import { useUnits } from '../shared/units';
import { useEdit } from '../shared/useEdit';
import { RegionEditor } from './RegionEditor';
import { Refusal } from '../shared/Refusal';

interface GeometryField {
  key: keyof ZoneGeometry;
  label: string;
  kind: QuantityKind;
  minimum: number;
  maximum: number;
  hint: string;
  only?: 'side' | 'head';
}
const FIELDS: readonly GeometryField[] = [
  { key: 'area', label: 'Area', kind: 'area', minimum: 0.001, maximum: 1000, hint: 'laminated surface, both hands' },
  {
    key: 'panelLength',
    label: 'Panel length',
    kind: 'shortLength',
    minimum: 0.05,
    maximum: 10,
    hint: 'clear, along the zone',
  },
  {
    key: 'panelBreadth',
    label: 'Panel breadth',
    kind: 'shortLength',
    minimum: 0.05,
    maximum: 10,
    hint: 'clear, across it',
  },
  { key: 'crown', label: 'Crown', kind: 'shortLength', minimum: 0, maximum: 2, hint: 'rise over the short side' },
  {
    key: 'panelX',
    label: 'Panel centre',
    kind: 'length',
    minimum: -10,
    maximum: 30,
    hint: 'from aft end of waterline',
  },
  {
    key: 'centroidX',
    label: 'Centroid along',
    kind: 'length',
    minimum: -10,
    maximum: 30,
    hint: 'from aft end of waterline',
  },
  { key: 'centroidZ', label: 'Centroid height', kind: 'length', minimum: -5, maximum: 15, hint: 'above the baseline' },
  {
    key: 'edgeHeight',
    label: 'Edge height',
    kind: 'length',
    minimum: 0.05,
    maximum: 10,
    hint: 'hull edge above waterline',
    only: 'side',
  },
  {
    key: 'centreHeight',
    label: 'Panel height',
    kind: 'length',
    minimum: -5,
    maximum: 10,
    hint: 'panel centre above waterline',
    only: 'side',
  },
  {
    key: 'head',
    label: 'Head of water',
    kind: 'length',
    minimum: 0.05,
    maximum: 10,
    hint: 'two thirds down the panel to the top',
    only: 'head',
  },
];

const HANDS = {
  both: 'both hands alike',
  port: 'port only',
  starboard: 'starboard only',
  centre: 'one piece on the centreline',
};

/** Place and figures of one zone; what was typed over the geometry is marked and can be let go again. */
export function ZoneEditor({
  boat,
  part,
  zone,
  onRemoved,
}: {
  boat: Boat;
  part: Part;
  zone: Zone;
  onRemoved: () => void;
}) {
  const edit = useEdit();
  const order = part.zones.findIndex(({ id }) => id === zone.id);
  const { full } = useUnits();
  const [refusal, setRefusal] = useState<string | null>(null);
  const layers = part.layers.filter((layer) => layer.zones.includes(zone.id)).length;
  const found = useMemo(() => {
    try {
      const all = zonePanels(boat, zone);
      if (!all) return null;
      const { panel, geometry } = all.panels[all.governing]!;
      return {
        derived: geometry,
        taper: taperOf(panel),
        panels: all.panels.length,
        checked: panelsToCheck(boat, zone),
      };
    } catch {
      return null;
    }
  }, [boat, zone]);
  const derived = found?.derived;
  const typedPanel = hasTypedPanel(zone);
  const act = (patch: Partial<Omit<Zone, 'id'>>) => {
    const said = edit({ type: 'zone.set', zoneId: zone.id, patch });
    setRefusal(said ?? null);
    return said;
  };
  const relocate = (location: ZoneLocation) => {
    const sided = location === 'side' || location === 'transom';
    const geometry: ZoneGeometry = {
      ...zone.geometry,
      edgeHeight: sided ? (zone.geometry.edgeHeight ?? 0.8) : null,
      centreHeight: sided ? (zone.geometry.centreHeight ?? 0.4) : null,
      head: isHead(location) ? (zone.geometry.head ?? 0.8) : null,
    };
    act({ location, geometry });
  };
  const place = (region: Region | null) => {
    // What a zone is follows where it lies, but for one that was told apart by hand within its surface.
    const was = zone.region && locationOf(zone.region);
    const is = region && locationOf(region);
    const follows = is !== null && is !== was;
    return act({ region, ...(region === null ? { overridden: [] } : {}), ...(follows && { location: is }) });
  };
  const partInTwo = () => {
    const at = part.zones.indexOf(zone);
    const twin: Zone = { ...zone, id: nanoid(8), name: `${zone.name}, starboard`.slice(0, 80), hand: 'starboard' };
    setRefusal(
      edit(
        { type: 'zone.set', zoneId: zone.id, patch: { name: `${zone.name}, port`.slice(0, 80), hand: 'port' } },
        {
          type: 'zone.add',
          partId: part.id,
          zone: twin,
          index: at + 1,
          coveredBy: part.layers.filter(({ zones }) => zones.includes(zone.id)).map(({ id }) => id),
        },
      ) ?? null,
    );
  };
  const applies = ({ only }: GeometryField) =>
    only === undefined ||
    (only === 'side' && (zone.location === 'side' || zone.location === 'transom')) ||
    (only === 'head' && isHead(zone.location));

  return (
    <Card>
      <Card.Body className="d-grid gap-2">
        <h2 className="mb-0">
          {zone.name}{' '}
          <span className="soft fw-normal small">
            {part.name}, {layers} {layers === 1 ? 'layer' : 'layers'}
          </span>
        </h2>
        <Refusal text={refusal} className="mb-0" />
        <Row className="g-2">
          <Col>
            <TextField
              key={zone.id}
              label="Name of zone"
              value={zone.name}
              maximum={80}
              onCommit={(name) => edit({ type: 'zone.set', zoneId: zone.id, patch: { name } })}
            />
          </Col>
          <Col>
            <Form.Group controlId="zone-location">
              <Form.Label className="mb-0">Location</Form.Label>
              <Form.Select value={zone.location} onChange={(event) => relocate(event.target.value as ZoneLocation)}>
                {Object.entries(ZONE_LOCATIONS).map(([key, { label }]) => (
                  <option key={key} value={key}>
                    {label}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
          </Col>
        </Row>
        <RegionEditor boat={boat} zone={zone} onChange={place} />
        <Row className="g-2">
          <Col>
            <Form.Group controlId="zone-hand">
              <Form.Label className="mb-0">Hand</Form.Label>
              <Form.Select value={zone.hand} onChange={(event) => act({ hand: event.target.value as Zone['hand'] })}>
                {Object.entries(HANDS).map(([key, label]) => (
                  <option key={key} value={key}>
                    {label}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
          </Col>
          <Col>
            <QuantityField
              label="Solid edge"
              kind="shortLength"
              value={zone.solidEdge}
              minimum={0.005}
              maximum={2}
              optional
              hint="core ends so far before the free edge"
              onCommit={(solidEdge) => act({ solidEdge })}
            />
          </Col>
        </Row>
        {zone.hand === 'both' && zone.region !== null && (
          <div>
            <Button
              size="sm"
              variant="outline-primary"
              onClick={partInTwo}
              title="Two zones, one to each side, laid alike to begin with"
            >
              Part it into port and starboard
            </Button>
          </div>
        )}
        <Row className="g-2" xs={2}>
          {FIELDS.filter(applies).map(({ key, label, kind, minimum, maximum, hint }) => {
            const overridden = zone.region !== null && zone.overridden.includes(key);
            return (
              <Col key={`${zone.id}-${key}`} className={overridden ? 'overridden' : ''}>
                <QuantityField
                  label={label}
                  kind={kind}
                  value={zone.geometry[key]}
                  minimum={minimum}
                  maximum={maximum}
                  hint={overridden ? '' : hint}
                  onCommit={(value) =>
                    act({
                      geometry: { ...zone.geometry, [key]: value },
                      ...(zone.region === null || zone.overridden.includes(key)
                        ? {}
                        : { overridden: [...zone.overridden, key] }),
                    })
                  }
                />
                {overridden && (
                  <div className="small">
                    <span className="verdict thin">△ typed over</span> geometry gives{' '}
                    {full(derived?.[key] ?? null, kind)}{' '}
                    <button
                      type="button"
                      className="reason-button"
                      onClick={() => act({ overridden: zone.overridden.filter((other) => other !== key) })}
                      aria-label={`Release ${label}`}
                    >
                      release
                    </button>
                  </div>
                )}
              </Col>
            );
          })}
        </Row>
        {zone.location === 'tank' && (
          <QuantityField
            label="Overflow above the top of the tank"
            kind="length"
            value={zone.overflow}
            minimum={0}
            maximum={10}
            optional
            hint="adds to the head of water; 0 where it stands no higher"
            onCommit={(overflow) => act({ overflow })}
          />
        )}
        <QuantityField
          label="Design pressure, typed"
          kind="pressure"
          value={zone.designPressure}
          minimum={100}
          maximum={5e6}
          optional
          hint="empty: as the build standard asks"
          onCommit={(designPressure) => act({ designPressure })}
        />
        {zone.designPressure !== null && (
          <p className="form-text mb-0">
            <span className="verdict thin">△ typed</span> It stands in the place of the pack&apos;s pressure, for panels
            and stiffeners of this zone; least skins stay as the pack asks. Bending of a blade as a whole is not
            checked.
          </p>
        )}
        <p className="form-text mb-0">
          {zone.region === null
            ? 'Typed-in figures: measure them from your drawing.'
            : 'Figures come from the geometry; type over one to override it.'}{' '}
          The laminate bends across the shorter side of the panel.
        </p>
        {found && !typedPanel && (
          <p className="form-text mb-0" data-testid="panels-checked">
            {found.panels === 1
              ? 'The zone has one panel.'
              : `The figures are those of the widest of ${found.panels} panels; every check looks at each of them ` +
                `(${found.checked.length} may govern) and shows the least.`}{' '}
            {found.taper &&
              full(found.taper.meanGirth, 'shortLength') !== full(found.taper.equalDeflection, 'shortLength') &&
              `This one tapers: its mean girth is ${full(found.taper.meanGirth, 'shortLength')}, a rectangle that ` +
                `deflects as much is ${full(found.taper.equalDeflection, 'shortLength')} broad; the greater counts.`}
          </p>
        )}
        {typedPanel && zone.region !== null && (
          <p className="form-text mb-0">
            <span className="verdict thin">△ one panel, as typed</span> the other panels of the zone are not checked
            while its sides are typed over.
          </p>
        )}
        <div className="d-flex flex-wrap align-items-center gap-2">
          {([-1, 1] as const).map((by) => (
            <Button
              key={by}
              size="sm"
              variant="outline-primary"
              disabled={part.zones[order + by] === undefined}
              aria-label={`Move ${zone.name} ${by < 0 ? 'up' : 'down'}`}
              onClick={() => setRefusal(edit({ type: 'zone.move', zoneId: zone.id, index: order + by }) ?? null)}
            >
              {by < 0 ? <ArrowUp aria-hidden /> : <ArrowDown aria-hidden />}
            </Button>
          ))}
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() => {
              const said = edit({ type: 'zone.remove', zoneId: zone.id });
              setRefusal(said ?? null);
              if (!said) onRemoved();
            }}
          >
            Remove this zone
          </Button>
          <span className="form-text mt-0">Undo brings it back.</span>
        </div>
      </Card.Body>
    </Card>
  );
}
