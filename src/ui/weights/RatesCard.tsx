import { Button } from 'react-bootstrap';
import { ratesSchema, USUAL_RATES, type Consumable, type Rates } from '@/core/cost';
import { formFields, writeAt } from '@/core/field';
import { PROCESSES, type Process } from '@/core/material';
import { EntityForm } from '../shared/EntityForm';
import { SettingCard } from '../shared/SettingCard';
import { TextField } from '../shared/TextField';
import { QuantityCell } from './QuantityCell';
import { useSetting } from '../shared/useSetting';
import type { YardSettings } from './WeightsScreen';

const WORDS = {
  usual: 'the usual ones: put in your own',
  show: 'Show and change them',
  fold: 'Fold them away',
  back: 'Back to the usual ones',
  keep: 'Keep these rates',
} as const;
const NEW_CONSUMABLE: Consumable = { name: 'Consumable', perArea: 1, unit: 'm²', price: 1 };

/** What the yard works by: an hour's money, what is cut away, hours for each metre, layer and part. */
export function RatesCard({
  rates,
  process,
  onKept,
}: {
  rates: YardSettings['rates'];
  process: Process;
  onKept: (rates: YardSettings['rates']) => void;
}) {
  const { draft, setDraft, refusal, setRefusal, busy, changed, keep } = useSetting<Rates>('rates', rates, onKept);
  const own = draft.processes[process];
  const setOwn = (next: typeof own) => setDraft({ ...draft, processes: { ...draft.processes, [process]: next } });
  const set = (key: string, value: unknown) => {
    setDraft(writeAt(draft, key, value));
    return undefined;
  };
  return (
    <SettingCard
      title="Rates of the yard"
      own={rates.own}
      words={WORDS}
      busy={busy}
      changed={changed}
      refusal={refusal}
      onBack={() => setDraft(USUAL_RATES)}
      onKeep={() => void keep()}
      onRead={() => setRefusal(null)}
    >
      <TextField
        label="Currency"
        value={draft.currency}
        maximum={8}
        onCommit={(currency) => set('currency', currency)}
      />
      <EntityForm
        fields={formFields(ratesSchema, '', ['currency', 'processes', 'exchange'], draft)}
        value={draft}
        optionsOf={() => []}
        additionTo={() => null}
        onSet={set}
      />
      <h3 className="mt-3">With {PROCESSES[process].name.toLowerCase()}</h3>
      <EntityForm
        key={process}
        fields={formFields(ratesSchema.shape.processes.shape[process], '', ['consumables'], own)}
        value={own}
        optionsOf={() => []}
        additionTo={() => null}
        onSet={(key, value) => {
          setOwn(writeAt(own, key, value));
          return undefined;
        }}
      />
      <NamedRows
        label="Consumables, for each square metre of mould"
        rows={own.consumables}
        fresh={NEW_CONSUMABLE}
        onChange={(consumables) => setOwn({ ...own, consumables })}
      />
      <NamedRows
        label="Other currencies, and what one of them is worth"
        rows={draft.exchange.map(({ currency, rate }) => ({ name: currency, price: rate }))}
        fresh={{ name: 'GBP', price: 1.15 }}
        onChange={(rows) =>
          set(
            'exchange',
            rows.map(({ name, price }) => ({ currency: name, rate: price })),
          )
        }
      />
    </SettingCard>
  );
}

type Named = { name: string; price: number; perArea?: number; unit?: Consumable['unit'] };
const UNITS: readonly Consumable['unit'][] = ['m²', 'm', 'kg', 'L', 'piece'];

/** A short list of named figures. */
function NamedRows<R extends Named>({
  label,
  rows,
  fresh,
  onChange,
}: {
  label: string;
  rows: readonly R[];
  fresh: R;
  onChange: (rows: R[]) => void;
}) {
  const change = (i: number, patch: Partial<R>) =>
    onChange(rows.map((row, k) => (k === i ? { ...row, ...patch } : row)));
  const number = (i: number, key: 'perArea' | 'price', name: string) => (
    <QuantityCell
      label={`${name} of ${rows[i]!.name}`}
      value={rows[i]![key] ?? 0}
      onCommit={(value) => change(i, { [key]: value } as Partial<R>)}
    />
  );
  return (
    <div className="mt-2">
      <div className="d-flex justify-content-between">
        <span className="fw-semibold small">{label}</span>
        <Button size="sm" variant="outline-primary" onClick={() => onChange([...rows, fresh])}>
          Add one
        </Button>
      </div>
      <table className="table table-sm sheet-table mb-1" aria-label={label}>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              <td>
                <TextField
                  label={`Name ${i + 1} of ${label.toLowerCase()}`}
                  hideLabel
                  value={row.name}
                  maximum={60}
                  onCommit={(name) => {
                    if (name === '') return 'A name is needed';
                    change(i, { name } as Partial<R>);
                    return undefined;
                  }}
                />
              </td>
              {row.perArea !== undefined && <td>{number(i, 'perArea', 'Amount')}</td>}
              {row.unit !== undefined && (
                <td>
                  <select
                    className="form-select form-select-sm"
                    aria-label={`Unit of ${row.name}`}
                    value={row.unit}
                    onChange={({ target }) => change(i, { unit: target.value as Consumable['unit'] } as Partial<R>)}
                  >
                    {UNITS.map((unit) => (
                      <option key={unit}>{unit}</option>
                    ))}
                  </select>
                </td>
              )}
              <td>{number(i, 'price', 'Price')}</td>
              <td>
                <button
                  type="button"
                  className="plain-button"
                  aria-label={`Remove ${row.name}`}
                  onClick={() => onChange(rows.filter((_, k) => k !== i))}
                >
                  ✕
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
