'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Form, Modal } from 'react-bootstrap';
import { CORE_FAMILIES, FABRIC_FORMS, fabricArealWeight, type LayerMaterial, type Material } from '@/core/material';
import { useUnits } from '../shared/units';
import { FibreGlyph } from './FibreGlyph';

const isLayerMaterial = (material: Material): material is LayerMaterial => material.kind === 'fabric' || material.kind === 'core' || material.kind === 'coating';
const familyOf = (material: LayerMaterial) => (material.kind === 'fabric' ? FABRIC_FORMS[material.family] : material.kind === 'core' ? CORE_FAMILIES[material.family] : 'Coating');

/** Choose what a layer is made of: type a part of its name or code, arrows, Enter. The boat's own figures stand in front of the Shelf's. */
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
  /** When it is gone from the screen: the place to put the focus back. */
  onClosed: () => void;
  /** What was typed already. */
  seed: string;
  materials: readonly Material[];
  onPick: (material: LayerMaterial) => void;
}) {
  return (
    <Modal show={show} onHide={onClose} onExited={onClosed} restoreFocus={false} aria-labelledby="picker-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="picker-title">
          {title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <Choices {...rest} />
      </Modal.Body>
    </Modal>
  );
}

function Choices({ materials, onPick, seed }: { seed: string; materials: readonly Material[]; onPick: (material: LayerMaterial) => void }) {
  const { show: number, unit } = useUnits();
  const [sought, setSought] = useState(seed);
  const [at, setAt] = useState(0);
  const list = useRef<HTMLDivElement>(null);
  const found = useMemo(() => {
    const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
    return materials.filter(isLayerMaterial).filter((material) => words.every((word) => `${material.code} ${material.name} ${familyOf(material)}`.toLowerCase().includes(word)));
  }, [materials, sought]);
  const chosen = Math.min(at, found.length - 1);

  useEffect(() => {
    list.current?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' });
  }, [chosen, found]);

  return (
    <>
      <Form.Control
        autoFocus
        role="combobox"
        aria-label="Find a fabric, core or coating"
        aria-expanded="true"
        aria-controls="picker-options"
        aria-activedescendant={found[chosen] ? `pick-${found[chosen].id}` : undefined}
        placeholder="e.g. bx45 600, balsa, 0/90"
        value={sought}
        onChange={(event) => {
          setSought(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(chosen + 1, found.length - 1));
          else if (event.key === 'ArrowUp') setAt(Math.max(chosen - 1, 0));
          else if (event.key === 'Enter' && found[chosen]) onPick(found[chosen]);
          else return;
          event.preventDefault();
        }}
      />
      <div ref={list} className="picker-list mt-2" id="picker-options" role="listbox" aria-label="Materials">
        {found.map((material, index) => (
          <div key={material.id} id={`pick-${material.id}`} role="option" aria-selected={index === chosen} onMouseEnter={() => setAt(index)} onClick={() => onPick(material)}>
            <FibreGlyph material={material} angleDeg={0} />
            <strong className="text-nowrap">{material.code}</strong>
            <span className="flex-grow-1">{material.name}</span>
            <span className="soft text-nowrap">
              {material.kind === 'fabric'
                ? `${number(fabricArealWeight(material), 'arealWeight')} ${unit('arealWeight')}`
                : `${number(material.density.value, 'density')} ${unit('density')}`}
            </span>
          </div>
        ))}
        {found.length === 0 && <p className="soft p-2 mb-0">Nothing on the Shelf matches. The Shelf takes materials of your own.</p>}
      </div>
    </>
  );
}
