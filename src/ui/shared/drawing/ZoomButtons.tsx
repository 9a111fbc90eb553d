import { Button, ButtonGroup } from 'react-bootstrap';
import { ArrowsFullscreen, ZoomIn, ZoomOut } from 'react-bootstrap-icons';

/** Look at a drawing more closely, from further away, or whole. */
export function ZoomButtons({
  scale,
  closer,
  further,
  whole,
}: {
  scale: number;
  closer: () => void;
  further: () => void;
  whole: () => void;
}) {
  const doings = [
    { name: 'Closer', does: closer, Icon: ZoomIn, off: scale >= 8 },
    { name: 'Further away', does: further, Icon: ZoomOut, off: scale <= 1 },
    { name: 'The whole drawing', does: whole, Icon: ArrowsFullscreen, off: scale <= 1 },
  ];
  return (
    <ButtonGroup size="sm" className="zoom-buttons" aria-label="How closely the drawing is seen">
      {doings.map(({ name, does, Icon, off }) => (
        <Button key={name} variant="outline-primary" aria-label={name} title={name} disabled={off} onClick={does}>
          <Icon aria-hidden size={13} />
        </Button>
      ))}
    </ButtonGroup>
  );
}
