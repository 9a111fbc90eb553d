import { Button } from 'react-bootstrap';
import { useDesign } from '../shared/boat';

/** The view as a sheet, and all weights as tables. */
export function TakeAlong() {
  const { id } = useDesign();
  const file = (format: 'csv' | 'xlsx') => `/api/boats/${id}/weights?format=${format}`;
  return (
    <div className="d-flex gap-2 ms-auto no-print">
      <Button size="sm" variant="outline-primary" onClick={() => window.print()}>
        Print this sheet
      </Button>
      <a className="btn btn-sm btn-outline-primary" href={file('xlsx')} download>
        XLSX
      </a>
      <a className="btn btn-sm btn-outline-primary" href={file('csv')} download>
        CSV
      </a>
    </div>
  );
}
