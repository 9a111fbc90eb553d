import { ProgressBar } from 'react-bootstrap';

/** How far something is, from 0 to 1; named for those who do not see it. */
export function Progress({ share, label, className = '' }: { share: number; label: string; className?: string }) {
  return (
    <div className={`progress ${className}`}>
      <ProgressBar isChild now={100 * share} aria-label={label} />
    </div>
  );
}
