import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { formatNumber } from '@/core/quantity';
import { coefficientLabel, coefficientsOf, withCoefficient, type PackChange, type StandardPack } from '@/core/standard';

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

/** Every coefficient of a pack; those of a copy can be changed, with the shipped value beside. */
export function CoefficientTable({
  pack,
  differs,
  onChange,
}: {
  pack: StandardPack;
  differs: ReadonlyMap<string, PackChange>;
  /** Null for a shipped pack, which cannot be changed. */
  onChange: ((next: StandardPack, words: string) => void) | null;
}) {
  const changed = (next: StandardPack, path: string) => {
    const { value } = coefficientsOf(next).find((one) => one.path === path)!;
    onChange?.(next, `${coefficientLabel(path)} is now ${value}.`);
  };
  return (
    <table className="table table-sm align-middle" aria-label={`Coefficients of ${pack.title}`}>
      <thead>
        <tr>
          <th>Coefficient</th>
          <th className="num">Value</th>
          {onChange && <th className="num">Shipped</th>}
        </tr>
      </thead>
      <tbody>
        {coefficientsOf(pack).map(({ path, value }) => {
          const change = differs.get(path);
          return (
            <tr key={`${pack.id}-${path}`}>
              <td>
                {coefficientLabel(path)} {change && <span className="verdict thin ms-1">△ changed</span>}
              </td>
              <td className="num">
                {onChange ? (
                  <CoefficientField pack={pack} path={path} value={value} onChange={(next) => changed(next, path)} />
                ) : (
                  String(value)
                )}
              </td>
              {onChange && <td className="num soft">{change ? formatNumber(change.was ?? NaN, 4) : ''}</td>}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
