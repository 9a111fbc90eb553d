'use client';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { itemKindOf, type Boat } from '@/core/document';
import { signatureOf, type Table } from '@/core/table';
import { guessItemColumns, isItemHead, ITEM_COLUMNS, readItems, type ItemColumn, type ItemRow } from '@/core/weight';
import { Refusal } from '../shared/Refusal';
import { TableSource } from '../shared/table/TableSource';
import { useTableFile } from '../shared/table/useTableFile';
import { useEditAs } from '../shared/useEdit';
import { useUnits } from '../shared/units';

/** Most that is taken at a time. */
const MOST = 450;

/** Items out of a table: pasted, or from a file; every row is looked at before it is taken. */
export function ImportItems({ boat, onClose }: { boat: Boat; onClose: () => void }) {
  const source = useTableFile({ purpose: 'items', isHead: isItemHead });
  const [pasted, setPasted] = useState('');
  const { file, table } = source;
  return (
    <Modal show onHide={onClose} size="xl" scrollable aria-labelledby="items-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="items-title">
          Items from a table
        </Modal.Title>
      </Modal.Header>
      <Modal.Body tabIndex={0}>
        <Refusal text={source.trouble} />
        <TableSource
          label="Table of items"
          empty="Any list: heads in any order, any units. Nothing is kept before you say so."
          source={source}
        />
        {!file && (
          <Form.Group controlId="pasted-items">
            <Form.Label className="mb-0">Or paste rows with their heads, from a sheet or as text</Form.Label>
            <Form.Control
              as="textarea"
              rows={6}
              value={pasted}
              placeholder={'Item; Mass (kg); x (m); z (m)\nDiesel engine; 420; 2.9; 0.6'}
              onChange={(event) => setPasted(event.target.value)}
            />
            <Button
              size="sm"
              className="mt-2"
              disabled={pasted.trim() === ''}
              onClick={() => source.choose(new File([pasted], 'pasted.csv', { type: 'text/csv' }))}
            >
              Read what was pasted
            </Button>
          </Form.Group>
        )}
        {table && file && source.ready && (
          <Listed
            key={`${file.sheet} ${file.decimal} ${signatureOf(table.heads)}`}
            boat={boat}
            table={table}
            source={source}
            onClose={onClose}
          />
        )}
      </Modal.Body>
    </Modal>
  );
}

function Listed({
  boat,
  table,
  source,
  onClose,
}: {
  boat: Boat;
  table: Table;
  source: ReturnType<typeof useTableFile>;
  onClose: () => void;
}) {
  const editAs = useEditAs();
  const { system } = useUnits();
  const [columns, setColumns] = useState<Partial<Record<ItemColumn, string>>>(() => {
    const { decimal: _decimal, ...said } = source.recalled ?? {};
    return source.recalled ? said : guessItemColumns(table.heads);
  });
  const [ticks, setTicks] = useState<ReadonlyMap<number, boolean>>(new Map());
  const [refusal, setRefusal] = useState<string | null>(null);
  const decimal = source.file!.decimal;
  const rows = useMemo(() => readItems(table, columns, { decimal, system }), [table, columns, decimal, system]);
  const taken = (row: ItemRow) => row.ok && (ticks.get(row.number) ?? true);
  const chosen = rows.filter(taken);
  const take = () => {
    const refused = editAs(
      `took ${chosen.length} items from ${source.file!.name}`,
      ...chosen.flatMap((row, i) =>
        row.ok
          ? [{ type: 'item.add' as const, item: { ...row.item, id: nanoid(8) }, index: boat.items.length + i }]
          : [],
      ),
    );
    if (refused) return setRefusal(refused);
    void source.remember(columns as Record<string, string>);
    onClose();
  };
  return (
    <>
      <Refusal text={refusal} onClose={() => setRefusal(null)} />
      <div className="detail-fields mb-2">
        {(Object.keys(ITEM_COLUMNS) as ItemColumn[]).map((key) => (
          <Form.Group key={key} controlId={`column-${key}`}>
            <Form.Label className="mb-0">{ITEM_COLUMNS[key].label}</Form.Label>
            <Form.Select
              size="sm"
              value={columns[key] ?? ''}
              onChange={({ target }) => {
                const { [key]: _, ...others } = columns;
                setColumns(target.value === '' ? others : { ...others, [key]: target.value });
              }}
            >
              <option value="">not in this list</option>
              {table.heads.filter(Boolean).map((head) => (
                <option key={head}>{head}</option>
              ))}
            </Form.Select>
          </Form.Group>
        ))}
      </div>
      <Rows rows={rows} taken={taken} onTick={(number, on) => setTicks(new Map([...ticks, [number, on]]))} />
      <div className="d-flex gap-2 justify-content-end">
        <Button variant="outline-primary" onClick={onClose}>
          Cancel
        </Button>
        <Button disabled={chosen.length === 0 || chosen.length > MOST} onClick={take}>
          Take {chosen.length} {chosen.length === 1 ? 'item' : 'items'}
        </Button>
      </div>
      {chosen.length > MOST && <p className="small soft text-end">At most {MOST} at a time: untick some.</p>}
    </>
  );
}

function Rows({
  rows,
  taken,
  onTick,
}: {
  rows: readonly ItemRow[];
  taken: (row: ItemRow) => boolean;
  onTick: (number: number, on: boolean) => void;
}) {
  const { full } = useUnits();
  return (
    <table className="table table-sm" aria-label="Rows of the list">
      <thead>
        <tr>
          <th />
          <th>Item</th>
          <th>Kind</th>
          <th className="num">Mass of one</th>
          <th className="num">Number</th>
          <th className="num">Along, starboard, up</th>
          <th>To look at</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) =>
          row.ok ? (
            <tr key={row.number}>
              <td>
                <Form.Check
                  aria-label={`Take ${row.item.name}`}
                  checked={taken(row)}
                  onChange={(event) => onTick(row.number, event.target.checked)}
                />
              </td>
              <td>{row.item.name}</td>
              <td>{itemKindOf(row.item.kind).name}</td>
              <td className="num">{full(row.item.mass, 'mass')}</td>
              <td className="num">{row.item.number}</td>
              <td className="num">
                {[row.item.x, row.item.y, row.item.z].map((value) => full(value, 'length')).join(', ')}
              </td>
              <td className="small">{row.questions.join('; ')}</td>
            </tr>
          ) : (
            <tr key={row.number}>
              <td />
              <td>{row.name}</td>
              <td colSpan={5} className="small">
                <span className="verdict fails">✕ not taken</span> row {row.number}: {row.reason}
              </td>
            </tr>
          ),
        )}
        {rows.length === 0 && (
          <tr>
            <td colSpan={7} className="soft">
              Nothing is read yet: say which column is the name and which the mass.
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
