import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { formatNumber } from '@/core/quantity';
import {
  caseOf,
  coefficientLabel,
  coefficientsOf,
  FORMULAS,
  meantBy,
  withCoefficient,
  type FormulaGroup,
  type PackChange,
  type StandardPack,
} from '@/core/standard';
import { Formula } from '../shared/Formula';

/** A figure of a pack, typed in place; what is refused stays until it is right. */
function CoefficientField({
  pack,
  path,
  value,
  onChange,
}: {
  pack: StandardPack;
  path: string;
  value: number;
  onChange: (pack: StandardPack) => void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const commit = () => {
    if (draft === null) return;
    const next = Number(draft.replace(',', '.'));
    if (draft.trim() === '' || !Number.isFinite(next)) return setRefusal('A number is needed.');
    if (next === value) return setDraft(null);
    try {
      onChange(withCoefficient(pack, path, next));
      setDraft(null);
      setRefusal(null);
    } catch (error) {
      setRefusal((error as Error).message);
    }
  };
  return (
    <>
      <Form.Control
        size="sm"
        className="num coefficient"
        aria-label={coefficientLabel(path)}
        value={draft ?? String(value)}
        isInvalid={refusal !== null}
        onChange={(event) => {
          setDraft(event.target.value.slice(0, 30));
          setRefusal(null);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') setDraft(null);
        }}
      />
      {refusal && <div className="invalid-feedback d-block">{refusal}</div>}
    </>
  );
}

interface TableProps {
  pack: StandardPack;
  differs: ReadonlyMap<string, PackChange>;
  /** Null for a shipped pack, which cannot be changed. */
  onChange: ((next: StandardPack, words: string) => void) | null;
}

/** Every coefficient of a pack under its formula; those of a copy can be changed, with the shipped value beside. */
export function CoefficientTable(props: TableProps) {
  const { pack } = props;
  return (
    <div aria-label={`Coefficients of ${pack.title}`} role="group">
      {FORMULAS[pack.kind].map((group) => (
        <section key={group.id} className="formula-group">
          <h3>{group.title}</h3>
          <div className="formula">
            <Formula tex={group.tex} />
          </div>
          <p className="small soft mb-1">{group.means}</p>
          <GroupTable group={group} {...props} />
        </section>
      ))}
    </div>
  );
}

function GroupTable({ group, pack, differs, onChange }: TableProps & { group: FormulaGroup }) {
  const changed = (next: StandardPack, path: string) => {
    const { value } = coefficientsOf(next).find((one) => one.path === path)!;
    onChange?.(next, `${coefficientLabel(path)} is now ${value}.`);
  };
  const rows = coefficientsOf(pack).flatMap(({ path, value }) => {
    const meaning = group.coefficients.find((one) => meantBy(one, path));
    return meaning ? [{ path, value, meaning, of: caseOf(meaning, path) }] : [];
  });
  return (
    <table className="table table-sm align-middle" aria-label={group.title}>
      <thead className="visually-hidden">
        <tr>
          <th>Symbol</th>
          <th>What it is</th>
          <th>Value</th>
          {onChange && <th>Shipped</th>}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ path, value, meaning, of }) => {
          const change = differs.get(path);
          return (
            <tr key={`${pack.id}-${path}`}>
              <td className="symbol">
                <Formula tex={meaning.symbol} />
              </td>
              <td>
                {meaning.means}
                {of && `: ${of}`} {change && <span className="verdict thin ms-1">△ changed</span>}
              </td>
              <td className="num text-nowrap">
                {onChange ? (
                  <CoefficientField pack={pack} path={path} value={value} onChange={(next) => changed(next, path)} />
                ) : (
                  String(value)
                )}{' '}
                <span className="unit">{meaning.unit}</span>
              </td>
              {onChange && (
                <td className="num soft shipped">{change ? `was ${formatNumber(change.was ?? NaN, 4)}` : ''}</td>
              )}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
