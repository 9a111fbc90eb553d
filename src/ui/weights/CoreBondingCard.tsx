import { Card } from 'react-bootstrap';
import type { Boat } from '@/core/document';
import { PROCESSES } from '@/core/material';
import { formatNumber } from '@/core/quantity';
import { USUAL_BONDING } from '@/core/weight';
import { QuantityField } from '../shared/QuantityField';
import { useEdit } from '../shared/useEdit';
import { useUnits } from '../shared/units';

/** What cores take up besides the resin of their skins: paste under them, resin in their kerfs. */
export function CoreBondingCard({ boat }: { boat: Boat }) {
  const edit = useEdit();
  const { full } = useUnits();
  const { process, coreBond, kerfShare } = boat.brief;
  const usual = USUAL_BONDING[process];
  const by = `empty: with ${PROCESSES[process].name.toLowerCase()}`;
  return (
    <Card className="no-print">
      <Card.Body>
        <h2>Bonding of cores</h2>
        <div className="detail-fields">
          <QuantityField
            label="Paste under cores"
            kind="laminateWeight"
            value={coreBond}
            minimum={0}
            maximum={5}
            optional
            hint={`${by} ${full(usual.coreBond, 'laminateWeight')}`}
            onCommit={(value) => edit({ type: 'brief.set', patch: { coreBond: value } })}
          />
          <QuantityField
            label="Kerfs filled with resin"
            kind="fraction"
            value={kerfShare}
            minimum={0}
            maximum={0.3}
            optional
            hint={`share of their volume; ${by} ${formatNumber(100 * usual.kerfShare, 0)} %`}
            onCommit={(value) => edit({ type: 'brief.set', patch: { kerfShare: value } })}
          />
        </div>
      </Card.Body>
    </Card>
  );
}
