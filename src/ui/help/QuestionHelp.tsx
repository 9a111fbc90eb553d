'use client';
import Image from 'next/image';
import Link from 'next/link';
import { Drawer } from '../shared/Drawer';
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
    <Drawer id="question" of={help ?? null} title={({ question }) => `${name}: ${question}`} onClose={onClose}>
      {({ picture, points }) => (
        <>
          <Image
            className="help-picture"
            unoptimized
            width={1280}
            height={800}
            src={`/guide/pictures/${picture}`}
            alt={`${name} of the demo boat`}
          />
          <ul className="mt-3">
            {points.map((point) => (
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
    </Drawer>
  );
}
