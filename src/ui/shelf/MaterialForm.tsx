'use client';
import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useState } from 'react';
import { Alert, Button, Card, Col, Form, Row } from 'react-bootstrap';
import {
  Controller,
  FormProvider,
  useController,
  useFieldArray,
  useForm,
  useFormContext,
  type FieldErrors,
  type FieldValues,
  type Resolver,
} from 'react-hook-form';
import {
  CHOICES,
  FAMILIES,
  FIGURES,
  materialSchema,
  questionMaterial,
  type FabricComponent,
  type Figure,
  type FigureField,
  type Material,
} from '@/core/material';
import type { UnitSystem } from '@/core/quantity';
import { QuantityField } from '../shared/QuantityField';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';
import { ComponentFields } from './ComponentFields';
import { CoreFields, readSheets, writeSheets } from './CoreFields';
import { CureLawFields } from './CureLawFields';
import { OriginSelect } from './OriginSelect';

const MOST_COMPONENTS = 4;

/** What is typed, as a material by its own schema; sheets are typed as text. */
function resolverIn(system: UnitSystem): Resolver<FieldValues> {
  const bySchema = zodResolver(materialSchema) as unknown as Resolver<FieldValues>;
  return (values, context, options) => {
    const { sheets, ...material } = values;
    if (material['kind'] !== 'core') return bySchema(material, context, options);
    const thicknesses = readSheets(sheets, system);
    if (typeof thicknesses === 'string')
      return { values: {}, errors: { sheets: { type: 'unreadable', message: thicknesses } } };
    return bySchema({ ...material, thicknesses }, context, options);
  };
}

/** The first refusal among those of a form, however deep it lies. */
function firstRefusal(errors: FieldErrors): string | null {
  for (const error of Object.values(errors)) {
    if (!error || typeof error !== 'object') continue;
    if (typeof error.message === 'string' && error.message !== '') return error.message;
    const deeper = firstRefusal(error as FieldErrors);
    if (deeper !== null) return deeper;
  }
  return null;
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
  const form = useForm<FieldValues>({
    defaultValues: { ...start, sheets: start.kind === 'core' ? writeSheets(start.thicknesses, system) : '' },
    resolver: resolverIn(system),
    reValidateMode: 'onSubmit',
  });
  const { register, handleSubmit, formState, subscribe } = form;
  const [refusal, setRefusal] = useState<string | null>(null);
  /** Asked once; saving again says that it is right. */
  const [questions, setQuestions] = useState<readonly string[]>([]);
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: () => {
          setRefusal(null);
          setQuestions([]);
        },
      }),
    [subscribe],
  );
  const save = async (values: FieldValues) => {
    const material = values as Material;
    const others = shelf.filter(({ id }) => isNew || id !== start.id);
    const asked = questionMaterial(material, others);
    if (asked.length > 0 && asked.join() !== questions.join()) return setQuestions(asked);
    setRefusal((await onSave(material)) ?? null);
  };
  const families = FAMILIES[start.kind];
  return (
    <Card data-testid="material-form">
      <Card.Body>
        <FormProvider {...form}>
          <Form
            noValidate
            className="d-grid gap-2"
            onSubmit={(event) => void handleSubmit(save, (errors) => setRefusal(firstRefusal(errors)))(event)}
          >
            <h2 className="mb-0">{isNew ? `New ${start.kind}` : `Figures of ${start.name}`}</h2>
            <Refusal text={refusal} className="mb-0" />
            <Row className="g-2">
              <Col xs={8}>
                <Form.Group controlId="material-name">
                  <Form.Label className="mb-0">Name</Form.Label>
                  <Form.Control maxLength={80} {...register('name')} />
                </Form.Group>
              </Col>
              {'code' in start && (
                <Col xs={4}>
                  <Form.Group controlId="material-code">
                    <Form.Label className="mb-0">Code</Form.Label>
                    <Form.Control maxLength={12} {...register('code')} />
                  </Form.Group>
                </Col>
              )}
              {families && <ChoiceField name="family" label="Family" options={families} />}
              {(CHOICES[start.kind] ?? []).map(({ key, label, options }) => (
                <ChoiceField key={key} name={key} label={label} options={options} />
              ))}
            </Row>
            {FIGURES[start.kind].map((figure) => (
              <FigureEntry key={figure.key} figure={figure} />
            ))}
            {start.kind === 'core' && <CoreFields />}
            {start.kind === 'resin' && <CureLawFields />}
            {start.kind === 'fabric' && <Components fibres={fibres} />}
            <Form.Group controlId="material-note">
              <Form.Label className="mb-0">Note</Form.Label>
              <Form.Control as="textarea" rows={2} maxLength={400} {...register('note')} />
            </Form.Group>
            {questions.length > 0 && (
              <Alert variant="light" className="py-2 mb-0 border">
                {questions.map((question) => (
                  <div key={question}>? {words(question)}</div>
                ))}
              </Alert>
            )}
            <div className="d-flex gap-2">
              <Button type="submit" disabled={formState.isSubmitting}>
                {questions.length > 0 ? 'It is right: save' : 'Save on the Shelf'}
              </Button>
              <Button variant="outline-primary" onClick={onCancel}>
                Cancel
              </Button>
            </div>
          </Form>
        </FormProvider>
      </Card.Body>
    </Card>
  );
}

function ChoiceField({
  name,
  label,
  options,
}: {
  name: string;
  label: string;
  options: Readonly<Record<string, string>>;
}) {
  const { field } = useController({ name });
  return (
    <Col xs={6}>
      <Form.Group controlId={`material-${name}`}>
        <Form.Label className="mb-0">{label}</Form.Label>
        <Form.Select {...field}>
          {Object.entries(options).map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
    </Col>
  );
}

/** A figure that is typed in no longer stands on a generic value. */
const typedIn = (old: Figure | null, value: number): Figure => ({
  ...old,
  value,
  origin: !old || old.origin === 'generic' ? 'dataSheet' : old.origin,
});

/** A figure with what it stands on. */
function FigureEntry({ figure: { key, label, kind, minimum, maximum, optional } }: { figure: FigureField }) {
  const { control } = useFormContext();
  return (
    <Controller
      name={key}
      control={control}
      render={({ field: { value: figure, onChange } }) => (
        <Row className="g-2 align-items-start">
          <Col xs={7}>
            <QuantityField
              label={label}
              kind={kind}
              value={figure?.value ?? null}
              minimum={minimum}
              maximum={maximum}
              optional={optional}
              onCommit={(value) => void onChange(value === null ? null : typedIn(figure, value))}
            />
          </Col>
          <Col xs={5}>
            <Form.Label className="mb-0 small">Origin</Form.Label>
            <OriginSelect
              label={label}
              value={figure?.origin ?? 'generic'}
              onChange={(origin) => figure && onChange({ ...figure, origin })}
            />
          </Col>
        </Row>
      )}
    />
  );
}

function Components({ fibres }: { fibres: ReadonlyMap<string, string> }) {
  const { control, getValues } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: 'components', keyName: 'key' });
  return (
    <>
      {fields.map(({ key }, index) => (
        <Controller
          key={key}
          name={`components.${index}`}
          control={control}
          render={({ field }) => (
            <ComponentFields
              component={field.value}
              index={index}
              fibres={fibres}
              onChange={field.onChange}
              onRemove={fields.length > 1 ? () => remove(index) : null}
            />
          )}
        />
      ))}
      {fields.length < MOST_COMPONENTS && (
        <div>
          <Button
            size="sm"
            variant="outline-primary"
            onClick={() => append({ ...(getValues('components') as FabricComponent[]).at(-1)! })}
          >
            Add a component
          </Button>
        </div>
      )}
    </>
  );
}
