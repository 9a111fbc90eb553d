import { Form } from 'react-bootstrap';
import { listColumns } from '@/core/supply';
import { useUnits } from '../../shared/units';
import { figuresShown, type ShownFigure } from './figuresShown';
import type { ShelvedRow, SupplierList } from './useSupplierList';

/** Every row of the list with the figures it comes to, what is odd about it, and whether it is taken. */
export function ListRows({ list }: { list: SupplierList }) {
  const { unit } = useUnits();
  const figures = figuresShown(list.kind);
  return (
    <table className="table table-sm" aria-label="Rows of the file">
      <thead>
        <tr>
          <th>Take</th>
          <th className="num">Row</th>
          <th>Name</th>
          {figures.map(({ head, kind }) => (
            <th key={head} className={kind ? 'num' : ''}>
              {head} {kind && <span className="unit">{unit(kind)}</span>}
            </th>
          ))}
          <th>What it comes to</th>
        </tr>
      </thead>
      <tbody>
        {list.rows.map((row) => (
          <ListRowShown key={row.number} row={row} list={list} figures={figures} />
        ))}
      </tbody>
    </table>
  );
}

function ListRowShown({
  row,
  list,
  figures,
}: {
  row: ShelvedRow;
  list: SupplierList;
  figures: readonly ShownFigure[];
}) {
  const { show } = useUnits();
  const { result, number, label } = row;
  const cell = ({ kind, of }: ShownFigure) => {
    if (!result.ok) return '';
    const value = of(result.material);
    return kind && typeof value === 'number' ? show(value, kind) : (value ?? '–');
  };
  return (
    <tr>
      <td>
        <Form.Check
          aria-label={`Take row ${number}`}
          disabled={!list.canTake(row)}
          checked={list.taken(row)}
          onChange={(event) => list.tick(row, event.target.checked)}
        />
      </td>
      <td className="num">{number}</td>
      <td>{result.ok ? result.material.name : label}</td>
      {result.ok ? (
        figures.map((figure) => (
          <td key={figure.head} className={figure.kind ? 'num' : ''}>
            {cell(figure)}
          </td>
        ))
      ) : (
        <td colSpan={figures.length} />
      )}
      <td>
        <Outcome row={row} list={list} />
      </td>
    </tr>
  );
}

/** What becomes of a row: new, the same, in the place of another, questioned, or why it cannot be read. */
function Outcome({ row, list }: { row: ShelvedRow; list: SupplierList }) {
  const { words } = useUnits();
  const { result, unchanged, replaces, questions, assumed, again } = row;
  if (!result.ok) {
    const head = listColumns(list.kind).find(({ key }) => key === result.column)?.head ?? result.column;
    return (
      <span className="verdict fails text-wrap">
        ✕ {head}: {words(result.message)}
      </span>
    );
  }
  if (again?.how === 'same') return <span className="soft">the same as row {again.number}</span>;
  if (again?.how === 'joined') return <span className="soft">another sheet of row {again.number}, joined to it</span>;
  if (unchanged) return <span className="soft">on the Shelf already, the same</span>;
  return (
    <>
      {questions.map((question) => (
        <div key={question} className="verdict thin text-wrap d-block mb-1">
          ? {words(question)}
        </div>
      ))}
      {replaces && <span>△ takes the place of {replaces}</span>}
      {!replaces && questions.length === 0 && <span className="verdict meets">✓ new</span>}
      {assumed.length > 0 && <div className="soft small">{assumed.map(words).join('; ')}</div>}
    </>
  );
}
