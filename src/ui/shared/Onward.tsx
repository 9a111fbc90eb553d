'use client';
import Link from 'next/link';
import { useDesign } from './boat';

/** The way on to the next step. */
export function Onward({ to, children }: { to: string; children: string }) {
  const { id } = useDesign();
  return (
    <p className="onward">
      <Link prefetch={false} className="btn btn-primary" href={`/boats/${id}/${to}`}>
        {children} →
      </Link>
    </p>
  );
}
