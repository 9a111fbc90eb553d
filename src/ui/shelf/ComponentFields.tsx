import { useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { COMPONENT_FORMS, type ComponentForm, type FabricComponent } from '@/core/material';
import { QuantityField } from '../shared/QuantityField';
import { readDirections, writeDirections } from './fields';
import { MeasuredFields } from './MeasuredFields';
import { OriginSelect } from './OriginSelect';

/** One component of a fabric: form, fibre, dry weight, directions, and what was measured of it. */
export function ComponentFields({
  component,
  index,
  fibres,
  onChange,
  onRemove,
}: {
  component: FabricComponent;
  index: number;
  fibres: ReadonlyMap<string, string>;
  onChange: (component: FabricComponent) => void;
  onRemove: (() => void) | null;
}) {
  const [directions, setDirections] = useState(writeDirections(component.sublayers));
  const [refusal, setRefusal] = useState<string | null>(null);
  const read = (text: string, form: ComponentForm) => {
    if (form === 'randomMat') return onChange({ ...component, form, sublayers: [], crimpFactor: 1 });
    const parsed = readDirections(text);
    setRefusal(typeof parsed === 'string' ? parsed : null);
    onChange({ ...component, form, sublayers: typeof parsed === 'string' ? component.sublayers : parsed });
  };
  const name = `component ${index + 1}`;
  return (
    <fieldset className="border rounded p-2 mb-2">
      <legend className="small fw-semibold float-none w-auto px-1 mb-0">Component {index + 1}</legend>
      <Row className="g-2">
        <Col xs={6}>
          <Form.Select
            size="sm"
            aria-label={`Form of ${name}`}
            value={component.form}
            onChange={(event) => read(directions || '0:50 90:50', event.target.value as ComponentForm)}
          >
            {Object.entries(COMPONENT_FORMS).map(([key, text]) => (
              <option key={key} value={key}>
                {text}
              </option>
            ))}
          </Form.Select>
        </Col>
        <Col xs={6}>
          <Form.Select
            size="sm"
            aria-label={`Fibre of ${name}`}
            value={component.fibre}
            onChange={(event) => onChange({ ...component, fibre: event.target.value })}
          >
            {[...fibres].map(([id, text]) => (
              <option key={id} value={id}>
                {text}
              </option>
            ))}
          </Form.Select>
        </Col>
        <Col xs={6}>
          <QuantityField
            label="Dry weight"
            kind="arealWeight"
            value={component.arealWeight.value}
            minimum={0.01}
            maximum={5}
            onCommit={(value) =>
              onChange({
                ...component,
                arealWeight: {
                  value: value!,
                  origin: component.arealWeight.origin === 'generic' ? 'dataSheet' : component.arealWeight.origin,
                },
              })
            }
          />
        </Col>
        <Col xs={6}>
          <Form.Label className="mb-0 small">Origin</Form.Label>
          <OriginSelect
            label={`dry weight of ${name}`}
            value={component.arealWeight.origin}
            onChange={(origin) => onChange({ ...component, arealWeight: { ...component.arealWeight, origin } })}
          />
        </Col>
        {component.form !== 'randomMat' && (
          <>
            <Col xs={8}>
              <Form.Label className="mb-0 small" htmlFor={`directions-${index}`}>
                Directions with shares in %
              </Form.Label>
              <Form.Control
                id={`directions-${index}`}
                size="sm"
                value={directions}
                isInvalid={refusal !== null}
                onChange={(event) => {
                  setDirections(event.target.value);
                  read(event.target.value, component.form);
                }}
              />
              {refusal && <div className="invalid-feedback d-block">{refusal}</div>}
            </Col>
            <Col xs={4}>
              <QuantityField
                label="E1 kept"
                kind="fraction"
                value={component.crimpFactor}
                minimum={0.5}
                maximum={1}
                hint="crimp, stitching"
                onCommit={(value) => onChange({ ...component, crimpFactor: value! })}
              />
            </Col>
          </>
        )}
      </Row>
      <MeasuredFields
        name={name}
        measured={component.measured}
        onChange={(measured) => onChange({ ...component, measured })}
      />
      {onRemove && (
        <Button size="sm" variant="outline-primary" className="mt-1" onClick={onRemove}>
          Remove component
        </Button>
      )}
    </fieldset>
  );
}
