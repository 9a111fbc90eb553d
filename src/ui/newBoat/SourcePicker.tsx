'use client';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Alert, Button, Card, Form } from 'react-bootstrap';
import type { BoatSummary, Revision, TemplateSummary } from '@/core/revision';
import { api, wordsOf } from '../shared/api';
import { FileButton } from '../shared/FileButton';
import { Tabs } from '../shared/Tabs';
import { boatOfDocument, type SourceChoice } from './useSource';

const KINDS = { template: 'Template', boat: 'Boat here', document: 'Document', empty: 'Empty' } as const;
const MOST_BYTES = 5 * 1024 * 1024;

interface SourcePickerProps {
  templates: readonly TemplateSummary[];
  boats: readonly BoatSummary[];
  choice: SourceChoice;
  onChoose: (choice: SourceChoice) => void;
  onTrouble: (words: string | null) => void;
}

/** A template, a boat or revision here, a document, or nothing. */
export function SourcePicker(props: SourcePickerProps) {
  const { templates, boats, choice, onChoose } = props;
  const open = (kind: keyof typeof KINDS) => {
    if (kind === 'template') onChoose({ kind, id: templates[0]!.id });
    else if (kind === 'boat') {
      if (boats[0]) onChoose({ kind, id: boats[0].id, revision: null });
    } else if (kind === 'empty') onChoose({ kind });
    else props.onTrouble(null);
    setTab(kind);
  };
  const [tab, setTab] = useState<keyof typeof KINDS>('template');
  return (
    <Card>
      <Card.Body>
        <Tabs names={KINDS} open={tab} onOpen={open} />
        {tab === 'template' && <Templates {...props} />}
        {tab === 'boat' && choice.kind === 'boat' && <Boats {...props} choice={choice} />}
        {tab === 'boat' && choice.kind !== 'boat' && <p className="soft mb-0">There is no boat here yet.</p>}
        {tab === 'document' && <FromDocument {...props} />}
        {tab === 'empty' && (
          <p className="mb-0">Hull, deck and one bulkhead of a small motor boat, each one zone; nothing laid.</p>
        )}
      </Card.Body>
    </Card>
  );
}

const saidKept = ({ author }: { author: string }) => `kept here${author ? ` by ${author}` : ''}`;

function Templates({ templates, choice, onChoose, onTrouble }: SourcePickerProps) {
  const router = useRouter();
  const [dropped, setDropped] = useState<{ name: string; document: string } | null>(null);
  const chosen = choice.kind === 'template' ? choice.id : null;
  const run = async (work: () => Promise<void>) => {
    try {
      onTrouble(null);
      await work();
      router.refresh();
    } catch (error) {
      onTrouble(wordsOf(error));
    }
  };
  const drop = ({ id, name }: TemplateSummary) =>
    run(async () => {
      const document = JSON.stringify(await api('GET', `/api/templates/${id}`));
      await api('DELETE', `/api/templates/${id}`);
      setDropped({ name, document });
      if (chosen === id) onChoose({ kind: 'template', id: templates[0]!.id });
    });
  const bringBack = () =>
    run(async () => {
      await api('POST', '/api/templates/import', dropped!.document);
      setDropped(null);
    });
  return (
    <div className="d-grid gap-1">
      {dropped && (
        <Alert variant="light" className="py-1 px-2 mb-1 d-flex align-items-center gap-2">
          {dropped.name} is dropped.
          <Button size="sm" variant="outline-primary" onClick={() => void bringBack()}>
            Undo
          </Button>
        </Alert>
      )}
      {templates.map((template) => (
        <div key={template.id} className="d-flex gap-2 align-items-start">
          <Form.Check
            type="radio"
            name="template"
            className="flex-grow-1"
            id={`template-${template.id}`}
            checked={chosen === template.id}
            onChange={() => onChoose({ kind: 'template', id: template.id })}
            label={
              <>
                <span className="fw-semibold">{template.name}</span>
                {template.own && <span className="origin ms-1">{saidKept(template.own)}</span>}
                <br />
                <span className="small soft">{template.note}</span>
              </>
            }
          />
          <a
            className="small text-nowrap"
            href={`/api/templates/${template.id}`}
            download={`${template.name}.json`}
            aria-label={`Save ${template.name} as a document`}
          >
            Save
          </a>
          {template.own && (
            <Button
              size="sm"
              variant="outline-primary"
              className="py-0"
              aria-label={`Drop the template ${template.name}`}
              onClick={() => void drop(template)}
            >
              Drop
            </Button>
          )}
        </div>
      ))}
      <p className="form-text mb-0">
        A boat becomes a template under <b>Pack</b>; a template that ships stays as it is.
      </p>
    </div>
  );
}

function Boats({ boats, choice, onChoose }: SourcePickerProps & { choice: Extract<SourceChoice, { kind: 'boat' }> }) {
  const { data: revisions = [] } = useQuery({
    queryKey: ['revisions of', choice.id],
    queryFn: () => api<Revision[]>('GET', `/api/boats/${choice.id}/revisions`),
  });
  return (
    <div className="d-grid gap-2">
      <Form.Group controlId="source-boat">
        <Form.Label className="mb-0">Boat</Form.Label>
        <Form.Select
          value={choice.id}
          onChange={(event) => onChoose({ kind: 'boat', id: event.target.value, revision: null })}
        >
          {boats.map(({ id, name, updatedAt }) => (
            <option key={id} value={id}>
              {name}, changed {updatedAt.slice(0, 10)}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group controlId="source-revision">
        <Form.Label className="mb-0">As it was</Form.Label>
        <Form.Select
          value={choice.revision ?? ''}
          onChange={(event) => onChoose({ ...choice, revision: event.target.value || null })}
        >
          <option value="">as it stands now</option>
          {revisions.map(({ id, label, author, issuedAt }) => (
            <option key={id} value={label}>
              Revision {label}, {author}, {issuedAt.slice(0, 10)}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <p className="form-text mb-0">
        The new boat stands by itself. One that is to follow its parent is a variant: <i>Duplicate as variant</i> in the
        list of boats.
      </p>
    </div>
  );
}

function FromDocument({ choice, onChoose, onTrouble }: SourcePickerProps) {
  const take = async (file: File) => {
    try {
      onTrouble(null);
      if (file.size > MOST_BYTES) throw new Error(`${file.name} is larger than the 5 MB allowed.`);
      onChoose({ kind: 'document', name: file.name, boat: boatOfDocument(await file.text()) });
    } catch (error) {
      onTrouble(wordsOf(error));
    }
  };
  return (
    <div className="d-grid gap-2 justify-items-start">
      <div>
        <FileButton
          label="Boat or template document"
          accept=".json,application/json"
          onFile={(file) => void take(file)}
        >
          Choose a boat or a template (JSON)
        </FileButton>
      </div>
      {choice.kind === 'document' && (
        <p className="mb-0">
          {choice.name}: {choice.boat.name}
        </p>
      )}
    </div>
  );
}
