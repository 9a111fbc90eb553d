import { Card, Form } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { QuantityField } from '../shared/QuantityField';
import { useEdit } from '../shared/useEdit';

/** Boats in the series, and moulds with the boats that share in them. */
export function MouldsCard({ boat }: { boat: Boat }) {
  const edit = useEdit();
  return (
    <Card>
      <Card.Body>
        <h2>Series and moulds</h2>
        <QuantityField
          label="Boats in the series"
          kind="ratio"
          value={boat.brief.series}
          minimum={1}
          maximum={10_000}
          hint="what is bought for all of them reaches price breaks sooner"
          onCommit={(value) =>
            Number.isInteger(value)
              ? edit({ type: 'brief.set', patch: { series: value! } })
              : 'Boats in the series must be a whole number'
          }
        />
        <table className="table table-sm mb-0 mt-2" aria-label="Moulds">
          <thead>
            <tr>
              <th>Mould of</th>
              <th>Counted</th>
              <th>Price</th>
              <th>Boats that share in it</th>
            </tr>
          </thead>
          <tbody>
            {boat.parts.map(({ id, name, mould }) => (
              <tr key={id}>
                <td>{name}</td>
                <td>
                  <Form.Check
                    aria-label={`Count the mould of ${name}`}
                    checked={mould !== null}
                    onChange={({ target }) =>
                      edit({
                        type: 'part.set',
                        partId: id,
                        patch: { mould: target.checked ? { price: 1000, boats: boat.brief.series } : null },
                      })
                    }
                  />
                </td>
                {mould ? (
                  <>
                    <td>
                      <QuantityField
                        label={`Price of the mould of ${name}`}
                        hideLabel
                        kind="money"
                        value={mould.price}
                        minimum={0}
                        maximum={1e8}
                        onCommit={(price) =>
                          edit({ type: 'part.set', partId: id, patch: { mould: { ...mould, price: price! } } })
                        }
                      />
                    </td>
                    <td>
                      <QuantityField
                        label={`Boats that share in the mould of ${name}`}
                        hideLabel
                        kind="ratio"
                        value={mould.boats}
                        minimum={1}
                        maximum={10_000}
                        onCommit={(boats) =>
                          Number.isInteger(boats)
                            ? edit({ type: 'part.set', partId: id, patch: { mould: { ...mould, boats: boats! } } })
                            : 'Boats must be a whole number'
                        }
                      />
                    </td>
                  </>
                ) : (
                  <td colSpan={2} className="soft">
                    not in the cost
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </Card.Body>
    </Card>
  );
}
