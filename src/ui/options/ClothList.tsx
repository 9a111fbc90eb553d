'use client';
import { Button, Form } from 'react-bootstrap';
import { X } from 'react-bootstrap-icons';
import { hasDirection, type Material } from '@/core/material';
import { clothOf } from '@/core/option';

const MOST = 6;
const ANGLES = [0, 45, -45, 90] as const;
const nameOf = ({ material, angleDeg }: ReturnType<typeof clothOf>) =>
  angleDeg === 0 ? material : `${material}@${angleDeg}`;

/** Cloths in the order in which they are laid, each with its angle. */
export function ClothList({
  label,
  fabrics,
  value,
  least = 1,
  onChange,
}: {
  label: string;
  fabrics: readonly Material[];
  value: readonly string[];
  least?: number;
  onChange: (value: string[]) => void;
}) {
  const put = (at: number, name: string) => onChange(value.map((own, i) => (i === at ? name : own)));
  return (
    <fieldset>
      <legend className="small fw-semibold mb-1">{label}</legend>
      {value.map((name, i) => {
        const cloth = clothOf(name);
        const material = fabrics.find(({ id }) => id === cloth.material);
        return (
          <div key={`${i} ${name}`} className="d-flex gap-1 mb-1">
            <Form.Select
              size="sm"
              aria-label={`${label}, cloth ${i + 1}`}
              value={cloth.material}
              onChange={(event) => put(i, event.target.value)}
            >
              {!material && <option value={cloth.material}>{cloth.material}, not on the Shelf</option>}
              {fabrics.map(({ id, name: said }) => (
                <option key={id} value={id}>
                  {said}
                </option>
              ))}
            </Form.Select>
            {material?.kind === 'fabric' && hasDirection(material) && (
              <Form.Select
                size="sm"
                className="w-auto"
                aria-label={`${label}, angle of cloth ${i + 1}`}
                value={cloth.angleDeg}
                onChange={(event) => put(i, nameOf({ ...cloth, angleDeg: Number(event.target.value) }))}
              >
                {[...new Set([...ANGLES, cloth.angleDeg])].map((angle) => (
                  <option key={angle} value={angle}>
                    {`${angle}°`.replace('-', '−')}
                  </option>
                ))}
              </Form.Select>
            )}
            <button
              type="button"
              className="plain-button"
              aria-label={`Take out cloth ${i + 1} of ${label}`}
              disabled={value.length <= least}
              onClick={() => onChange(value.filter((_, at) => at !== i))}
            >
              <X aria-hidden />
            </button>
          </div>
        );
      })}
      <Button
        size="sm"
        variant="outline-primary"
        disabled={value.length >= MOST || fabrics.length === 0}
        onClick={() => onChange([...value, value.at(-1) ?? fabrics[0]!.id])}
      >
        Add a cloth
      </Button>
    </fieldset>
  );
}
