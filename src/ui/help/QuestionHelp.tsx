'use client';
import Image from 'next/image';
import Link from 'next/link';
import { Offcanvas } from 'react-bootstrap';
import type { ScreenHelp } from './helpData';

/** What the screen answers and how it is used, with its picture. */
export function QuestionHelp({
  name,
  help,
  onClose,
}: {
  name: string;
  help: ScreenHelp | undefined;
  onClose: () => void;
}) {
  return (
    <Offcanvas show={help !== undefined} onHide={onClose} placement="end" aria-labelledby="question-title">
      <Offcanvas.Header closeButton>
        <Offcanvas.Title as="h2" id="question-title">
          {name}: {help?.question}
        </Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>
        {help && (
          <>
            <Image
              className="help-picture"
              unoptimized
              width={1280}
              height={800}
              src={`/guide/pictures/${help.picture}`}
              alt={`${name} of the demo boat`}
            />
            <ul className="mt-3">
              {help.points.map((point) => (
                <li key={point}>{point}</li>
              ))}
            </ul>
            <p className="mb-0">
              <Link prefetch={false} href="/guide">
                Read the guide
              </Link>
            </p>
          </>
        )}
      </Offcanvas.Body>
    </Offcanvas>
  );
}
