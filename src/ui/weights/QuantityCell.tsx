import { QuantityField } from '../shared/QuantityField';

/** A plain number in a table. */
export function QuantityCell({
  label,
  value,
  onCommit,
}: {
  label: string;
  value: number;
  onCommit: (value: number) => void;
}) {
  return (
    <QuantityField
      label={label}
      hideLabel
      kind="money"
      value={value}
      minimum={0}
      maximum={1e6}
      onCommit={(next) => onCommit(next!)}
    />
  );
}
