'use client';
import { Button } from 'react-bootstrap';
import { saveFile } from '../shared/saveFile';
import { fileName } from './ClothCard';

/** What holds for every lay, what can hurt at the table, and the lay as a file. */
export function CutFoot({ name, body }: { name: string; body: object }) {
  return (
    <p className="small soft">
      Warp along the roll, nothing mirrored; pieces for port and starboard are drawn apart. A fresh blade and gloves;
      cut carbon dust conducts and irritates: extract it, keep it off plugs.{' '}
      <Button
        size="sm"
        variant="link"
        className="p-0 align-baseline"
        onClick={() => saveFile(`${fileName(name)}.json`, JSON.stringify(body, null, 1), 'application/json')}
      >
        The lay as JSON
      </Button>
    </p>
  );
}
