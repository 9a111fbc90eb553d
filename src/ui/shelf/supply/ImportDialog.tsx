'use client';
import { useState, type ReactNode } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { MATERIAL_KINDS, type Material, type MaterialKind } from '@/core/material';
import { isListHead, isUnit } from '@/core/supply';
import { signatureOf, type Table } from '@/core/table';
import { api, wordsOf } from '../../shared/api';
import { Refusal } from '../../shared/Refusal';
import { TableSource } from '../../shared/table/TableSource';
import { useTableFile } from '../../shared/table/useTableFile';
import { ColumnChoices } from './ColumnChoices';
import { ListRows } from './ListRows';
import { useSupplierList } from './useSupplierList';

/** Bring materials in from a supplier's list: say what its columns are, look at every row, take what is right. */
export function ImportDialog({
  shelf,
  kind,
  onClose,
  onDone,
}: {
  shelf: readonly Material[];
  kind: MaterialKind;
  onClose: () => void;
  onDone: () => Promise<void>;
}) {
  const source = useTableFile({ purpose: 'materials', isHead: isListHead, isUnit });
  const { file, table } = source;
  return (
    <Modal show onHide={onClose} size="xl" scrollable aria-labelledby="import-title" dialogClassName="wide-dialog">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="import-title">
          Materials from a table
        </Modal.Title>
      </Modal.Header>
      {table && file && source.ready ? (
        <Listed
          key={`${file.sheet} ${signatureOf(table.heads)}`}
          table={table}
          source={source}
          usual={kind}
          shelf={shelf}
          onClose={onClose}
          onDone={onDone}
        />
      ) : (
        <>
          <Modal.Body tabIndex={0}>
            <Refusal text={source.trouble} />
            <Source source={source} />
          </Modal.Body>
          <Modal.Footer>
            <Button variant="outline-primary" onClick={onClose}>
              Cancel
            </Button>
          </Modal.Footer>
        </>
      )}
    </Modal>
  );
}

const Source = ({ source, children }: { source: ReturnType<typeof useTableFile>; children?: ReactNode }) => (
  <TableSource
    label="Table of materials"
    empty="Any list: heads in any order, any units. Nothing is saved before you say so."
    source={source}
  >
    {children}
  </TableSource>
);

/** A list that has been read. */
function Listed({
  table,
  source,
  usual,
  shelf,
  onClose,
  onDone,
}: {
  table: Table;
  source: ReturnType<typeof useTableFile>;
  usual: MaterialKind;
  shelf: readonly Material[];
  onClose: () => void;
  onDone: () => Promise<void>;
}) {
  const { recalled, file } = source;
  const list = useSupplierList(table, { recalled, shelf, usual, decimal: file!.decimal });
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { rows, chosen } = list;
  const count = (of: (row: (typeof rows)[number]) => boolean) => rows.filter(of).length;
  const save = async () => {
    setBusy(true);
    setTrouble(null);
    try {
      await api('POST', '/api/shelf/import', { materials: chosen });
      await source.remember(list.choices);
      await onDone();
      onClose();
    } catch (error) {
      setTrouble(wordsOf(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Modal.Body tabIndex={0}>
        <Refusal text={trouble ?? source.trouble} />
        <Source source={source}>
          <Form.Select
            size="sm"
            className="w-auto"
            aria-label="Kind of material"
            value={list.kind}
            onChange={(event) => list.setKind(event.target.value as MaterialKind)}
          >
            {Object.entries(MATERIAL_KINDS).map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </Form.Select>
          {recalled && <span className="soft small">Read as the last list with these heads was.</span>}
        </Source>
        <ColumnChoices heads={table.heads} list={list} />
        <h3>What was read</h3>
        <p className="small mb-1">
          {chosen.length} to take, {count(({ questions }) => questions.length > 0)} questioned,{' '}
          {count(({ again }) => again !== null)} more than once in the file, {count(({ result }) => !result.ok)}{' '}
          refused, {count(({ unchanged }) => unchanged)} on the Shelf already as they are.
        </p>
        <ListRows list={list} />
      </Modal.Body>
      <Modal.Footer>
        {list.twice && <span className="verdict thin">{list.twice} is ticked twice: one of them can be kept</span>}
        <Button variant="outline-primary" onClick={onClose}>
          Cancel
        </Button>
        <Button disabled={busy || chosen.length === 0 || list.twice !== null} onClick={() => void save()}>
          Take {chosen.length} {chosen.length === 1 ? 'material' : 'materials'}
        </Button>
      </Modal.Footer>
    </>
  );
}
