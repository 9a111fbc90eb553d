import { Col } from 'react-bootstrap';
import { QuantityField } from '../shared/QuantityField';

/** A length or an angle of the shape, in a column of its row. */
export function DimensionField({
  label,
  kind = 'length',
  value,
  range: [minimum, maximum],
  hint,
  onTake,
}: {
  label: string;
  kind?: 'length' | 'angle';
  value: number;
  range: readonly [least: number, most: number];
  hint?: string;
  onTake: (value: number) => string | undefined;
}) {
  return (
    <Col>
      <QuantityField
        label={label}
        kind={kind}
        value={value}
        minimum={minimum}
        maximum={maximum}
        {...(hint && { hint })}
        onCommit={(next) => onTake(next!)}
      />
    </Col>
  );
}
