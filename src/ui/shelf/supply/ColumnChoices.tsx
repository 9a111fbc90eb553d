import { useState } from 'react';
import { Button, Form, InputGroup } from 'react-bootstrap';
import { listColumns, TRADE_OUNCES, type ListColumn } from '@/core/supply';
import { QuantityField } from '../../shared/QuantityField';
import { unitsOf, type SupplierList } from './useSupplierList';

/** Columns shown before the rest is asked for, where a list has none of them. */
const USUAL = new Set(['name', 'code', 'family', 'arealWeight', 'fibre', 'directions', 'width', 'density', 'price']);
const unitWords = (unit: string) => (unit === TRADE_OUNCES ? 'oz (mat per ft², others per yd²)' : unit);

/** Which column of the file is what, and in which unit it stands. */
export function ColumnChoices({ heads, list }: { heads: readonly string[]; list: SupplierList }) {
  const [all, setAll] = useState(false);
  const columns = listColumns(list.kind);
  const shown = columns.filter(({ key, required }) => all || required || USUAL.has(key) || list.columns[key]);
  return (
    <>
      <div className="d-flex gap-2 align-items-baseline">
        <h3>Which column is what</h3>
        {shown.length < columns.length || all ? (
          <Button size="sm" variant="link" className="p-0" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? 'Only those in the file' : `${columns.length - shown.length} more that a list may have`}
          </Button>
        ) : null}
      </div>
      <div className="mapping mb-3">
        {shown.map((column) => (
          <ColumnChoice key={column.key} column={column} heads={heads} list={list} />
        ))}
        {list.columns.price && (
          <QuantityField
            label={list.currency ? `One ${list.currency} in the yard’s money` : 'One of its money in the yard’s'}
            kind="ratio"
            value={list.rate}
            minimum={1e-4}
            maximum={1e4}
            onCommit={(rate) => void list.setRate(rate!)}
          />
        )}
      </div>
    </>
  );
}

function ColumnChoice({ column, heads, list }: { column: ListColumn; heads: readonly string[]; list: SupplierList }) {
  const { key, head, required } = column;
  const units = unitsOf(column);
  const chosen = list.columns[key];
  return (
    <Form.Group controlId={`map-${key}`}>
      <Form.Label className="mb-0 small">
        {head}
        {required && !chosen && <span className="verdict thin ms-1">needed</span>}
      </Form.Label>
      <InputGroup size="sm">
        <Form.Select size="sm" value={chosen ?? ''} onChange={(event) => list.setColumn(column, event.target.value)}>
          <option value="">not in the file</option>
          {heads.map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </Form.Select>
        {chosen && units.length > 0 && (
          <Form.Select
            size="sm"
            className="unit-choice"
            aria-label={key === 'price' ? 'What the price is for' : `Unit of ${head}`}
            value={list.units[key] ?? units[0]}
            onChange={(event) => list.setUnit(key, event.target.value)}
          >
            {units.map((unit) => (
              <option key={unit} value={unit}>
                {unitWords(unit)}
              </option>
            ))}
          </Form.Select>
        )}
      </InputGroup>
    </Form.Group>
  );
}
