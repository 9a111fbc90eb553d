'use client';
import { useMemo, useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import {
  columnsOf,
  guessMapping,
  MATERIAL_KINDS,
  questionMaterial,
  readRow,
  type Material,
  type MaterialKind,
} from '@/core/material';
import { api, readFile, wordsOf } from '../shared/api';
import { FileButton } from '../shared/FileButton';
import { Refusal } from '../shared/Refusal';
import { useUnits } from '../shared/units';

interface Table {
  heads: string[];
  rows: string[][];
}

/** Bring materials in from a CSV or XLSX file: map its columns, look at every row, take what is right. */
export function ImportDialog({
  shelf,
  kind: startKind,
  onClose,
  onDone,
}: {
  shelf: readonly Material[];
  kind: MaterialKind;
  onClose: () => void;
  onDone: () => Promise<void>;
}) {
  const { words } = useUnits();
  const [kind, setKind] = useState(startKind);
  const [name, setName] = useState('');
  const [table, setTable] = useState<Table | null>(null);
  const [mapping, setMapping] = useState<Record<string, string>>({});
  const [answers, setAnswers] = useState<ReadonlyMap<number, boolean>>(new Map());
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const choose = async (chosen: File) => {
    setTrouble(null);
    try {
      const read = await readFile<Table>(`/api/tables/read?name=${encodeURIComponent(chosen.name)}`, chosen);
      setName(chosen.name);
      setTable(read);
      setMapping(guessMapping(kind, read.heads));
      setAnswers(new Map());
    } catch (error) {
      setTrouble(wordsOf(error));
    }
  };
  const changeKind = (next: MaterialKind) => {
    setKind(next);
    setAnswers(new Map());
    if (table) setMapping(guessMapping(next, table.heads));
  };

  const read = useMemo(() => {
    if (!table) return [];
    const fibres = shelf.filter((material) => material.kind === 'fibre');
    const at = new Map(table.heads.map((head, i) => [head, i]));
    return table.rows.map((row) => {
      const cells = Object.fromEntries(
        Object.entries(mapping).flatMap(([key, head]) => (at.has(head) ? [[key, row[at.get(head)!]!]] : [])),
      );
      const result = readRow(kind, cells, fibres);
      const same = result.ok ? shelf.find(({ id }) => id === result.material.id) : undefined;
      const unchanged = same !== undefined && result.ok && JSON.stringify(same) === JSON.stringify(result.material);
      return {
        label: cells.name ?? '',
        result,
        unchanged,
        replaces: same && !unchanged ? same.name : null,
        questions:
          result.ok && !unchanged
            ? questionMaterial(
                result.material,
                shelf.filter(({ id }) => id !== same?.id),
              )
            : [],
      };
    });
  }, [table, mapping, kind, shelf]);
  const taken = (i: number) =>
    read[i]!.result.ok && !read[i]!.unchanged && (answers.get(i) ?? read[i]!.questions.length === 0);
  const chosen = read.flatMap(({ result }, i) => (result.ok && taken(i) ? [result.material] : []));
  const columns = columnsOf(kind);
  const refused = read.filter(({ result }) => !result.ok).length;
  const asked = read.filter(({ questions }) => questions.length > 0).length;

  const save = async () => {
    setBusy(true);
    setTrouble(null);
    try {
      await api('POST', '/api/shelf/import', { materials: chosen });
      await onDone();
      onClose();
    } catch (error) {
      setTrouble(wordsOf(error));
    } finally {
      setBusy(false);
    }
  };

  return (
    <Modal show onHide={onClose} size="xl" scrollable aria-labelledby="import-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="import-title">
          Materials from a table
        </Modal.Title>
      </Modal.Header>
      <Modal.Body tabIndex={0}>
        <Refusal text={trouble} />
        <div className="d-flex gap-2 align-items-center mb-2">
          <Form.Select
            size="sm"
            className="w-auto"
            aria-label="Kind of material"
            value={kind}
            onChange={(event) => changeKind(event.target.value as MaterialKind)}
          >
            {Object.entries(MATERIAL_KINDS).map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </Form.Select>
          <FileButton
            label="Table of materials"
            accept=".csv,.txt,.xlsx,text/csv"
            primary={!table}
            onFile={(chosen) => void choose(chosen)}
          >
            {table ? 'Another file' : 'Choose a CSV or XLSX file'}
          </FileButton>
          <span className="soft">
            {table
              ? `${name}: ${table.rows.length} rows`
              : 'The first row holds the heads. Nothing is saved before you say so.'}
          </span>
        </div>
        {table && (
          <>
            <h3>Which column is what</h3>
            <div className="mapping mb-3">
              {columns.map(({ key, head, required }) => (
                <Form.Group key={key} controlId={`map-${key}`}>
                  <Form.Label className="mb-0 small">
                    {head}
                    {required && <span className="verdict thin ms-1">needed</span>}
                  </Form.Label>
                  <Form.Select
                    size="sm"
                    value={mapping[key] ?? ''}
                    onChange={(event) =>
                      setMapping(
                        Object.fromEntries([
                          ...Object.entries(mapping).filter(([other]) => other !== key),
                          ...(event.target.value ? [[key, event.target.value]] : []),
                        ]),
                      )
                    }
                  >
                    <option value="">not in the file</option>
                    {table.heads.map((head) => (
                      <option key={head} value={head}>
                        {head}
                      </option>
                    ))}
                  </Form.Select>
                </Form.Group>
              ))}
            </div>
            <h3>What was read</h3>
            <p className="small mb-1">
              {chosen.length} to take, {asked} questioned, {refused} refused,{' '}
              {read.filter(({ unchanged }) => unchanged).length} on the Shelf already as they are.
            </p>
            <table className="table table-sm" aria-label="Rows of the file">
              <thead>
                <tr>
                  <th>Take</th>
                  <th className="num">Row</th>
                  <th>Name</th>
                  <th>What it comes to</th>
                </tr>
              </thead>
              <tbody>
                {read.map(({ label, result, unchanged, replaces, questions }, i) => (
                  <tr key={i}>
                    <td>
                      <Form.Check
                        aria-label={`Take row ${i + 2}`}
                        disabled={!result.ok || unchanged}
                        checked={taken(i)}
                        onChange={(event) => setAnswers(new Map([...answers, [i, event.target.checked]]))}
                      />
                    </td>
                    <td className="num">{i + 2}</td>
                    <td>{label}</td>
                    <td>
                      {!result.ok && (
                        <span className="verdict fails text-wrap">
                          ✕ {columns.find(({ key }) => key === result.column)?.head ?? result.column}:{' '}
                          {words(result.message)}
                        </span>
                      )}
                      {result.ok && unchanged && <span className="soft">on the Shelf already, the same</span>}
                      {result.ok && !unchanged && (
                        <>
                          {questions.map((question) => (
                            <div key={question} className="verdict thin text-wrap d-block mb-1">
                              ? {words(question)}
                            </div>
                          ))}
                          {replaces ? (
                            <span>△ takes the place of {replaces}</span>
                          ) : (
                            questions.length === 0 && <span className="verdict meets">✓ new</span>
                          )}
                        </>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </>
        )}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline-primary" onClick={onClose}>
          Cancel
        </Button>
        <Button disabled={busy || chosen.length === 0} onClick={() => void save()}>
          Take {chosen.length} {chosen.length === 1 ? 'material' : 'materials'}
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
