'use client';
import { Modal } from 'react-bootstrap';
import { familyName, fabricArealWeight, isLayerMaterial, type LayerMaterial, type Material } from '@/core/material';
import { FindBox } from '../shared/FindBox';
import { KeyDialog } from '../shared/KeyDialog';
import { useUnits } from '../shared/units';
import { FibreGlyph } from './FibreGlyph';

/**
 * Choose what a layer is made of: type a part of its name or code, arrows, Enter. The boat's own figures stand in
 * front of the Shelf's.
 */
export function MaterialPicker({
  show,
  title,
  onClose,
  onClosed,
  ...rest
}: {
  show: boolean;
  title: string;
  onClose: () => void;
  onClosed: () => void;
  /** What was typed already. */
  seed: string;
  materials: readonly Material[];
  onPick: (material: LayerMaterial) => void;
}) {
  return (
    <KeyDialog id="picker" show={show} title={title} onClose={onClose} onClosed={onClosed}>
      <Modal.Body>
        <Choices {...rest} />
      </Modal.Body>
    </KeyDialog>
  );
}

function Choices({
  materials,
  onPick,
  seed,
}: {
  seed: string;
  materials: readonly Material[];
  onPick: (material: LayerMaterial) => void;
}) {
  const { show: number, unit } = useUnits();
  return (
    <FindBox
      id="pick"
      label="Find a fabric, core, sheet of wood or coating"
      listLabel="Materials"
      placeholder="e.g. bx45 600, balsa, 0/90"
      seed={seed}
      items={materials.filter(isLayerMaterial)}
      textOf={(material) => `${material.code} ${material.name} ${familyName(material)}`}
      keyOf={({ id }) => id}
      onPick={onPick}
      empty="Nothing on the Shelf matches. The Shelf takes materials of your own."
    >
      {(material) => (
        <>
          <FibreGlyph material={material} angleDeg={0} />
          <strong className="text-nowrap">{material.code}</strong>
          <span className="flex-grow-1">{material.name}</span>
          <span className="soft text-nowrap">
            {material.kind === 'fabric'
              ? `${number(fabricArealWeight(material), 'arealWeight')} ${unit('arealWeight')}`
              : `${number(material.density.value, 'density')} ${unit('density')}`}
          </span>
        </>
      )}
    </FindBox>
  );
}
