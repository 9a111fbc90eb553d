'use client';
import { useState } from 'react';
import { Alert, Button, Card, Col, Form, Row } from 'react-bootstrap';
import {
  COMPONENT_FORMS,
  CHOICES,
  CORE_FORMS,
  FAMILIES,
  FIGURES,
  figureOf,
  materialSchema,
  ORIGINS,
  questionMaterial,
  type ComponentForm,
  type CoreForm,
  type Core,
  type Fabric,
  type FabricComponent,
  type Material,
  type Origin,
} from '@/core/material';
import { displayUnit, parseQuantity } from '@/core/quantity';
import { QuantityField } from '../shared/QuantityField';
import { useUnits } from '../shared/units';
import { MeasuredFields } from './MeasuredFields';
import { readDirections, writeDirections } from './fields';
import { Refusal } from '../shared/Refusal';

function OriginSelect({
  label,
  value,
  onChange,
}: {
  label: string;
  value: Origin;
  onChange: (origin: Origin) => void;
}) {
  return (
    <Form.Select
      size="sm"
      aria-label={`Origin of ${label}`}
      value={value}
      onChange={(event) => onChange(event.target.value as Origin)}
    >
      {Object.entries(ORIGINS).map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </Form.Select>
  );
}

function ComponentFields({
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

/** Change a material's figures or make a new one; every figure says what it stands on. */
export function MaterialForm({
  start,
  isNew,
  fibres,
  shelf,
  onSave,
  onCancel,
}: {
  start: Material;
  isNew: boolean;
  fibres: ReadonlyMap<string, string>;
  shelf: readonly Material[];
  onSave: (material: Material) => Promise<string | undefined>;
  onCancel: () => void;
}) {
  const { system, words } = useUnits();
  const [material, setMaterial] = useState(start);
  const [sheets, setSheets] = useState(
    start.kind === 'core'
      ? start.thicknesses.map((t) => Number((t / displayUnit('thickness', system).factor).toFixed(4))).join('; ')
      : '',
  );
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  /** Asked once; saving again says that it is right. */
  const [questions, setQuestions] = useState<readonly string[]>([]);
  const change = (patch: object) => {
    setMaterial({ ...material, ...patch } as Material);
    setRefusal(null);
    setQuestions([]);
  };
  const setFigure = (key: string, value: number | null) => {
    const old = figureOf(material, key);
    change({
      [key]:
        value === null ? null : { ...old, value, origin: !old || old.origin === 'generic' ? 'dataSheet' : old.origin },
    });
  };
  const components = material.kind === 'fabric' ? material.components : [];
  const setComponent = (at: number, component: FabricComponent) =>
    change({ components: components.map((old, i) => (i === at ? component : old)) });

  const save = async () => {
    let candidate: Material = material;
    if (material.kind === 'core') {
      const parsed = sheets
        .split(';')
        .map((text) => text.trim())
        .filter(Boolean)
        .map((text) => parseQuantity(text, 'thickness', system));
      const bad = parsed.find((item) => !item.ok);
      if (bad && !bad.ok) return setRefusal(`Sheets: ${bad.message}`);
      candidate = {
        ...material,
        thicknesses: parsed.map((item) => (item.ok ? Number(item.value.toPrecision(9)) : 0)),
      } as Core;
    }
    const checked = materialSchema.safeParse(candidate);
    if (!checked.success) return setRefusal(checked.error.issues[0]!.message);
    const asked = questionMaterial(
      checked.data,
      shelf.filter(({ id }) => isNew || id !== start.id),
    );
    if (asked.length > 0 && asked.join() !== questions.join()) return setQuestions(asked);
    setBusy(true);
    setRefusal((await onSave(checked.data)) ?? null);
    setBusy(false);
  };

  return (
    <Card data-testid="material-form">
      <Card.Body className="d-grid gap-2">
        <h2 className="mb-0">{isNew ? `New ${material.kind}` : `Figures of ${start.name}`}</h2>
        <Refusal text={refusal} className="mb-0" />
        <Row className="g-2">
          <Col xs={8}>
            <Form.Group controlId="material-name">
              <Form.Label className="mb-0">Name</Form.Label>
              <Form.Control
                value={material.name}
                maxLength={80}
                onChange={(event) => change({ name: event.target.value })}
              />
            </Form.Group>
          </Col>
          {'code' in material && (
            <Col xs={4}>
              <Form.Group controlId="material-code">
                <Form.Label className="mb-0">Code</Form.Label>
                <Form.Control
                  value={material.code}
                  maxLength={12}
                  onChange={(event) => change({ code: event.target.value })}
                />
              </Form.Group>
            </Col>
          )}
          {FAMILIES[material.kind] && (
            <Col xs={6}>
              <Form.Group controlId="material-family">
                <Form.Label className="mb-0">Family</Form.Label>
                <Form.Select
                  value={(material as Fabric).family}
                  onChange={(event) => change({ family: event.target.value })}
                >
                  {Object.entries(FAMILIES[material.kind]!).map(([key, text]) => (
                    <option key={key} value={key}>
                      {text}
                    </option>
                  ))}
                </Form.Select>
              </Form.Group>
            </Col>
          )}
          {(CHOICES[material.kind] ?? []).map(({ key, label, options }) => (
            <Col xs={6} key={key}>
              <Form.Group controlId={`material-${key}`}>
                <Form.Label className="mb-0">{label}</Form.Label>
                <Form.Select
                  value={(material as unknown as Record<string, string>)[key]}
                  onChange={(event) => change({ [key]: event.target.value })}
                >
                  {Object.entries(options).map(([value, text]) => (
                    <option key={value} value={value}>
                      {text}
                    </option>
                  ))}
                </Form.Select>
              </Form.Group>
            </Col>
          ))}
        </Row>
        {FIGURES[material.kind].map(({ key, label, kind, minimum, maximum, optional }) => (
          <Row key={key} className="g-2 align-items-start">
            <Col xs={7}>
              <QuantityField
                label={label}
                kind={kind}
                value={figureOf(material, key)?.value ?? null}
                minimum={minimum}
                maximum={maximum}
                optional={optional}
                onCommit={(value) => setFigure(key, value)}
              />
            </Col>
            <Col xs={5}>
              <Form.Label className="mb-0 small">Origin</Form.Label>
              <OriginSelect
                label={label}
                value={figureOf(material, key)?.origin ?? 'generic'}
                onChange={(origin) =>
                  figureOf(material, key) && change({ [key]: { ...figureOf(material, key), origin } })
                }
              />
            </Col>
          </Row>
        ))}
        {material.kind === 'core' && (
          <Form.Group controlId="material-sheets">
            <Form.Label className="mb-0">
              Sheet thicknesses, divided by semicolons{' '}
              <span className="unit">{displayUnit('thickness', system).label}</span>
            </Form.Label>
            <Form.Control
              value={sheets}
              onChange={(event) => {
                setSheets(event.target.value);
                setRefusal(null);
              }}
            />
          </Form.Group>
        )}
        {material.kind === 'core' && (
          <fieldset>
            <legend className="fs-6 mb-0">Forms</legend>
            {Object.entries(CORE_FORMS).map(([form, text]) => (
              <Form.Check
                inline
                key={form}
                id={`form-${form}`}
                label={text}
                checked={material.forms.includes(form as CoreForm)}
                onChange={(event) =>
                  change({
                    forms: event.target.checked
                      ? [...material.forms, form]
                      : material.forms.filter((other) => other !== form),
                  })
                }
              />
            ))}
          </fieldset>
        )}
        {components.map((component, index) => (
          <ComponentFields
            key={index}
            component={component}
            index={index}
            fibres={fibres}
            onChange={(next) => setComponent(index, next)}
            onRemove={
              components.length > 1 ? () => change({ components: components.filter((_, i) => i !== index) }) : null
            }
          />
        ))}
        {material.kind === 'fabric' && components.length < 4 && (
          <div>
            <Button
              size="sm"
              variant="outline-primary"
              onClick={() => change({ components: [...components, { ...components.at(-1)! }] })}
            >
              Add a component
            </Button>
          </div>
        )}
        <Form.Group controlId="material-note">
          <Form.Label className="mb-0">Note</Form.Label>
          <Form.Control
            as="textarea"
            rows={2}
            maxLength={400}
            value={material.note}
            onChange={(event) => change({ note: event.target.value })}
          />
        </Form.Group>
        {questions.length > 0 && (
          <Alert variant="light" className="py-2 mb-0 border">
            {questions.map((question) => (
              <div key={question}>? {words(question)}</div>
            ))}
          </Alert>
        )}
        <div className="d-flex gap-2">
          <Button disabled={busy} onClick={() => void save()}>
            {questions.length > 0 ? 'It is right: save' : 'Save on the Shelf'}
          </Button>
          <Button variant="outline-primary" onClick={onCancel}>
            Cancel
          </Button>
        </div>
      </Card.Body>
    </Card>
  );
}
